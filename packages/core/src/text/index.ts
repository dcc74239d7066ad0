// Words and reading time.
export { decodeText } from './decode-text.ts';
export { fingerprintOf } from './fingerprint.ts';
export { plainWords } from './plain-words.ts';
export { readingTimeMs } from './reading-time.ts';
export { wordsOf } from './words.ts';

/**
 * Turns the bytes of a text file into text: by its byte order mark, else by the zero bytes of UTF-16, else UTF-8,
 * else Windows-1252, which older caption programs write. The mark itself is left out.
 */
export function decodeText(bytes: Uint8Array): string {
  const [a, b] = bytes;
  if (a === 0xff && b === 0xfe) return new TextDecoder('utf-16le').decode(bytes);
  if (a === 0xfe && b === 0xff) return new TextDecoder('utf-16be').decode(bytes);
  // Latin letters in UTF-16 have a zero byte each, on one side or the other.
  if (bytes.length >= 4 && a === 0 && b !== 0 && bytes[2] === 0) return new TextDecoder('utf-16be').decode(bytes);
  if (bytes.length >= 4 && a !== 0 && b === 0 && bytes[3] === 0) return new TextDecoder('utf-16le').decode(bytes);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch (error) {
    if (!(error instanceof TypeError)) throw error;
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

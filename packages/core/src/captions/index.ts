export {
  type CaptionCue,
  type CaptionFault,
  type CaptionFaultCode,
  type CaptionReading,
  cueWords,
  wordsToCue,
} from './caption-cue.ts';
export { type CueChange, editCues } from './edit-cues.ts';
export { fingerprint } from './fingerprint.ts';
export { readCaptions } from './read-captions.ts';
export { writeSrt, writeVtt } from './write-captions.ts';

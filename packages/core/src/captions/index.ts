export {
  type CaptionCue,
  type CaptionFault,
  type CaptionFaultCode,
  type CaptionReading,
  cueWords,
} from './caption-cue.ts';
export { readCaptions } from './read-captions.ts';
export { writeSrt, writeVtt } from './write-captions.ts';

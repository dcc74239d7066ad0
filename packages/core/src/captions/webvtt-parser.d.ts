declare module 'webvtt-parser' {
  interface ParsedCue {
    id: string;
    startTime: number;
    endTime: number;
    text: string;
  }
  interface ParsedVtt {
    cues: ParsedCue[];
    errors: { message: string; line: number }[];
  }
  const library: { WebVTTParser: new () => { parse(input: string, mode?: 'metadata'): ParsedVtt } };
  export default library;
}

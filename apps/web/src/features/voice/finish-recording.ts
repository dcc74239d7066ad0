import {
  ALL_FORMATS,
  BlobSource,
  BufferTarget,
  Conversion,
  Input,
  Mp4OutputFormat,
  Output,
  WebMOutputFormat,
} from 'mediabunny';

export interface FinishedRecording {
  readonly blob: Blob;
  readonly lengthMs: number;
}

/**
 * Writes a recording anew: browsers record without a length and without an index, so that nobody could jump in it.
 * Only what is trimmed at its beginning is encoded again.
 * @param trim a window inside the recording, in ms; null for the whole
 */
export async function finishRecording(
  recorded: Blob,
  trim: { readonly startMs: number; readonly endMs: number } | null,
): Promise<FinishedRecording> {
  const input = new Input({ formats: ALL_FORMATS, source: new BlobSource(recorded) });
  const isMp4 = recorded.type.includes('mp4');
  const target = new BufferTarget();
  const output = new Output({ format: isMp4 ? new Mp4OutputFormat() : new WebMOutputFormat(), target });
  const conversion = await Conversion.init({
    input,
    output,
    ...(trim ? { trim: { start: trim.startMs / 1000, end: trim.endMs / 1000 } } : {}),
  });
  await conversion.execute();
  input.dispose();
  const blob = new Blob([target.buffer ?? new ArrayBuffer(0)], { type: recorded.type.split(';')[0] ?? '' });
  const written = new Input({ formats: ALL_FORMATS, source: new BlobSource(blob) });
  const lengthMs = Math.round((await written.computeDuration()) * 1000);
  written.dispose();
  return { blob, lengthMs };
}

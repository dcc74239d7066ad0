import { ALL_FORMATS, CanvasSink, Input, UrlSource } from 'mediabunny';

export interface FramesOrder {
  readonly src: string;
  readonly timesMs: readonly number[];
}

export interface FrameMessage {
  readonly index: number;
  readonly picture: Blob;
}

/** Points across: twice what the script shows, for sharp screens. */
const widthPx = 192;

self.onmessage = async ({ data: { src, timesMs } }: MessageEvent<FramesOrder>) => {
  const input = new Input({ formats: ALL_FORMATS, source: new UrlSource(new URL(src, self.location.origin)) });
  const track = await input.getPrimaryVideoTrack();
  if (!track || !(await track.canDecode())) return;
  const sink = new CanvasSink(track, { width: widthPx });
  let index = 0;
  for await (const frame of sink.canvasesAtTimestamps(timesMs.map((ms) => ms / 1000))) {
    const canvas = frame?.canvas as OffscreenCanvas | undefined;
    if (canvas) {
      const picture = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.7 });
      self.postMessage({ index, picture } satisfies FrameMessage);
    }
    index++;
  }
  input.dispose();
};

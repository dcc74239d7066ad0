import { findSilences, type Loudness } from '@semita/core/breaks';
import type { Interval } from '@semita/core/coverage';
import { ALL_FORMATS, AudioSampleSink, Input, UrlSource } from 'mediabunny';

export type SoundMessage =
  | { readonly type: 'progress'; readonly share: number }
  | { readonly type: 'done'; readonly sound: HeardSound };

export interface HeardSound extends Loudness {
  readonly silences: readonly Interval[];
}

/** Windows a second in which loudness is measured. */
const hz = 20;
/** Samples between two words of progress. */
const samplesPerReport = 500;

/** Decodes the sound packet by packet, so that a film of hours takes no more memory than a short one. */
async function listen(src: string): Promise<HeardSound> {
  const input = new Input({ formats: ALL_FORMATS, source: new UrlSource(new URL(src, self.location.origin)) });
  const track = await input.getPrimaryAudioTrack();
  if (!track || !(await track.canDecode())) return { levels: [], hz, silences: [] };
  const seconds = await input.computeDuration();
  const sums = new Float64Array(Math.ceil(seconds * hz) + 1);
  const counts = new Uint32Array(sums.length);
  let scratch = new Float32Array(0);
  let taken = 0;
  for await (const sample of new AudioSampleSink(track).samples()) {
    const options = { planeIndex: 0, format: 'f32-planar' } as const;
    const byteLength = sample.allocationSize(options);
    if (scratch.byteLength < byteLength) scratch = new Float32Array(byteLength / 4);
    sample.copyTo(scratch, options);
    for (let frame = 0; frame < sample.numberOfFrames; frame++) {
      const window = Math.floor((sample.timestamp + frame / sample.sampleRate) * hz);
      if (window < 0 || window >= sums.length) continue;
      sums[window] = (sums[window] as number) + (scratch[frame] as number) ** 2;
      counts[window] = (counts[window] as number) + 1;
    }
    if (++taken % samplesPerReport === 0) tell({ type: 'progress', share: sample.timestamp / seconds });
    sample.close();
  }
  input.dispose();
  const levels = Array.from(sums, (sum, index) => (counts[index] ? Math.sqrt(sum / (counts[index] as number)) : 0));
  return { levels, hz, silences: findSilences(levels, hz) };
}

const tell = (message: SoundMessage) => self.postMessage(message);

self.onmessage = async ({ data }: MessageEvent<string>) => {
  tell({ type: 'done', sound: await listen(data) });
};

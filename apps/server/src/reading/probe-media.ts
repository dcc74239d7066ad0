import { open } from 'node:fs/promises';
import { ALL_FORMATS, EncodedPacketSink, FilePathSource, Input } from 'mediabunny';

export type MediaRefusal =
  | 'fileEmpty'
  | 'notMedia'
  | 'codecUnplayable'
  | 'containerUnplayable'
  | 'incomplete'
  | 'noLength';

/** Containers that every current browser plays. */
const playableTypes = {
  'video/mp4': 'film',
  'video/webm': 'film',
  'audio/mp4': 'sound',
  'audio/webm': 'sound',
  'audio/mpeg': 'sound',
  'audio/ogg': 'sound',
  'audio/wav': 'sound',
} as const;
type PlayableType = keyof typeof playableTypes;

export type Probe =
  | {
      readonly ok: true;
      readonly kind: 'film' | 'sound';
      readonly lengthMs: number;
      readonly mimeType: PlayableType;
      /** Of a film; a sound has no picture. */
      readonly width: number | null;
      readonly height: number | null;
    }
  | { readonly ok: false; readonly reason: MediaRefusal };

/** What every current browser plays in those containers. */
const playableVideo = new Set(['avc', 'vp8', 'vp9', 'av1']);
const playableAudio = new Set(['aac', 'mp3', 'opus', 'vorbis', 'flac', 'pcm-s16', 'pcm-u8', 'pcm-s24', 'pcm-f32']);

const refuse = (reason: MediaRefusal): Probe => ({ ok: false, reason });

/**
 * Reads length and tracks from the file itself. Reads headers, sample tables and the last packet only, so that a
 * film of two gigabytes takes no more memory than a short one.
 */
export async function probeMedia(path: string, byteLength: number): Promise<Probe> {
  if (byteLength === 0) return refuse('fileEmpty');
  if (!(await isWholeMp4(path, byteLength))) return refuse('incomplete');
  const input = new Input({ formats: ALL_FORMATS, source: new FilePathSource(path) });
  try {
    return await probeInput(input);
  } catch (error) {
    // The library throws plain errors for whatever it cannot read; each means the same for a teacher.
    if (error instanceof Error) return refuse('notMedia');
    throw error;
  } finally {
    input.dispose();
  }
}

async function probeInput(input: Input): Promise<Probe> {
  if ((await input.getTracks()).length === 0) return refuse('incomplete');
  const video = await input.getPrimaryVideoTrack();
  const audio = await input.getPrimaryAudioTrack();
  const main = video ?? audio;
  if (!main) return refuse('notMedia');
  const mimeType = playableTypeOf((await input.getMimeType()).split(';')[0] ?? '');
  if (!mimeType || (playableTypes[mimeType] === 'film') !== (video !== null)) return refuse('containerUnplayable');
  if ((video && !playableVideo.has(video.codec ?? '')) || (audio && !playableAudio.has(audio.codec ?? '')))
    return refuse('codecUnplayable');
  const lengthMs = Math.round((await input.computeDuration()) * 1000);
  if (!Number.isFinite(lengthMs) || lengthMs <= 0) return refuse('noLength');
  // A file that promises more than it holds was cut off on its way.
  const promisedMs = ((await input.getDurationFromMetadata()) ?? 0) * 1000;
  if (promisedMs > lengthMs + 2_000) return refuse('incomplete');
  const last = await new EncodedPacketSink(main).getPacket(Number.POSITIVE_INFINITY);
  if (!last || last.data.byteLength !== last.byteLength) return refuse('incomplete');
  const size = video ? { width: video.displayWidth, height: video.displayHeight } : { width: null, height: null };
  return { ok: true, kind: playableTypes[mimeType], lengthMs, mimeType, ...size };
}

function playableTypeOf(mimeType: string): PlayableType | undefined {
  return mimeType in playableTypes ? (mimeType as PlayableType) : undefined;
}

/** Boxes on top of a file, at most: a film of many hours, in pieces of a second, has fewer. */
const maxBoxes = 60_000;

/**
 * Walks the top boxes of an ISO file (ISO/IEC 14496-12, 4.2): a box that reaches beyond the end of the file means
 * that the rest is missing, which the sample table at the front would not tell. Other files pass.
 */
async function isWholeMp4(path: string, byteLength: number): Promise<boolean> {
  const file = await open(path);
  try {
    const head = Buffer.alloc(16);
    let at = 0;
    for (let count = 0; at + 8 <= byteLength; count++) {
      // No program writes so many; whoever does wants time.
      if (count >= maxBoxes) return false;
      await file.read(head, 0, 16, at);
      if (at === 0 && head.toString('latin1', 4, 8) !== 'ftyp') return true;
      const size32 = head.readUInt32BE(0);
      // 0: to the end of the file; 1: the true size follows in 64 bits.
      if (size32 === 0) return true;
      const size = size32 === 1 ? Number(head.readBigUInt64BE(8)) : size32;
      if (size < 8 || at + size > byteLength) return false;
      at += size;
    }
    return true;
  } finally {
    await file.close();
  }
}

/** What is recorded: a voice alone, a face with a voice, or the screen with a voice. */
export type RecordingSource = 'voice' | 'camera' | 'screen';

/** A source that is open: it can be listened to and looked at, and recorded once. */
export interface OpenSource {
  readonly stream: MediaStream;
  /** How loud it is now, 0 to 1. */
  readonly levelNow: () => number;
  readonly start: () => void;
  /** Ends the recording and closes the source. */
  readonly stop: () => Promise<Blob>;
  /** Closes the source and throws away what was recorded. */
  readonly close: () => void;
}

/** Why nothing can be recorded. Wording is in the catalogue. */
export type SourceRefusal = 'notSecure' | 'notAllowed' | 'notThere' | 'notPossible';

export class SourceRefused extends Error {
  readonly reason: SourceRefusal;

  constructor(reason: SourceRefusal) {
    super(reason);
    this.reason = reason;
  }
}

const formats = {
  sound: ['audio/webm;codecs=opus', 'audio/mp4'],
  film: ['video/webm;codecs=vp9,opus', 'video/webm;codecs=vp8,opus', 'video/mp4'],
};

/** A loud voice reaches about this root mean square of the samples. From memory, no source. */
const loudVoice = 0.3;

/**
 * Opens a microphone, and a camera or the screen with it.
 * @param microphoneId null for the one the system offers
 * @param onEnded told when the person ends the sharing of the screen by the browser's own button
 * @throws SourceRefused with the reason a teacher is told
 */
export async function openSource(
  source: RecordingSource,
  microphoneId: string | null,
  onEnded: () => void,
): Promise<OpenSource> {
  // Browsers hand out microphones to safe pages only, and say nothing about why.
  if (!navigator.mediaDevices) throw new SourceRefused('notSecure');
  const mimeType = formats[source === 'voice' ? 'sound' : 'film'].find((one) => MediaRecorder.isTypeSupported(one));
  if (!mimeType) throw new SourceRefused('notPossible');
  const streams = await openStreams(source, microphoneId);
  const tracks = streams.flatMap((stream) => stream.getTracks());
  const sound = new AudioContext();
  const mixed = sound.createMediaStreamDestination();
  const analyser = sound.createAnalyser();
  for (const stream of streams)
    if (stream.getAudioTracks().length > 0) {
      const node = sound.createMediaStreamSource(stream);
      node.connect(mixed);
      node.connect(analyser);
    }
  const video = tracks.filter((track) => track.kind === 'video');
  for (const track of video) track.addEventListener('ended', onEnded);
  const stream = new MediaStream([...video, ...mixed.stream.getAudioTracks()]);
  const recorder = new MediaRecorder(stream, { mimeType });
  const pieces: Blob[] = [];
  recorder.addEventListener('dataavailable', ({ data }) => pieces.push(data));
  const samples = new Float32Array(analyser.fftSize);
  const close = () => {
    for (const track of tracks) {
      track.removeEventListener('ended', onEnded);
      track.stop();
    }
    void sound.close();
  };
  return {
    stream,
    levelNow: () => {
      analyser.getFloatTimeDomainData(samples);
      const power = samples.reduce((sum, sample) => sum + sample * sample, 0) / samples.length;
      return Math.min(1, Math.sqrt(power) / loudVoice);
    },
    // In pieces, so that a long recording does not stand in the recorder's memory alone.
    start: () => recorder.start(1_000),
    stop: () =>
      new Promise((resolve) => {
        recorder.addEventListener('stop', () => {
          close();
          resolve(new Blob(pieces, { type: mimeType }));
        });
        recorder.stop();
      }),
    close: () => {
      if (recorder.state !== 'inactive') recorder.stop();
      close();
    },
  };
}

async function openStreams(source: RecordingSource, microphoneId: string | null): Promise<MediaStream[]> {
  const opened: MediaStream[] = [];
  try {
    if (source === 'screen') opened.push(await navigator.mediaDevices.getDisplayMedia({ video: true, audio: true }));
    opened.push(
      await navigator.mediaDevices.getUserMedia({
        audio: microphoneId === null ? true : { deviceId: { exact: microphoneId } },
        video: source === 'camera' ? { width: { ideal: 1280 }, height: { ideal: 720 } } : false,
      }),
    );
    return opened;
  } catch (error) {
    for (const track of opened.flatMap((stream) => stream.getTracks())) track.stop();
    throw new SourceRefused(refusalOf(error));
  }
}

/** What the browser's names for it mean (W3C Media Capture and Streams, getUserMedia). */
function refusalOf(error: unknown): SourceRefusal {
  const name = error instanceof DOMException ? error.name : '';
  if (name === 'NotAllowedError') return 'notAllowed';
  return name === 'NotFoundError' || name === 'OverconstrainedError' ? 'notThere' : 'notPossible';
}

/** The microphones there are. Their names are told only once one was allowed. */
export async function listMicrophones(): Promise<readonly MediaDeviceInfo[]> {
  const devices = await navigator.mediaDevices.enumerateDevices();
  return devices.filter((device) => device.kind === 'audioinput' && device.deviceId !== '');
}

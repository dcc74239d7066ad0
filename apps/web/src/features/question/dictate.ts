/** What browsers that can take dictation offer; it is in no library of types. */
interface Recognition extends EventTarget {
  lang: string;
  continuous: boolean;
  start(): void;
  stop(): void;
  onresult: ((event: RecognitionEvent) => void) | null;
  onend: (() => void) | null;
  onerror: (() => void) | null;
}

interface RecognitionEvent {
  readonly resultIndex: number;
  readonly results: ArrayLike<{ readonly isFinal: boolean; readonly 0: { readonly transcript: string } }>;
}

type RecognitionMaker = new () => Recognition;

function findMaker(): RecognitionMaker | undefined {
  const place = window as { SpeechRecognition?: RecognitionMaker; webkitSpeechRecognition?: RecognitionMaker };
  return place.SpeechRecognition ?? place.webkitSpeechRecognition;
}

/**
 * Whether this browser itself turns speech into words. Some send the sound to a service of their maker's; we offer
 * only what the browser says it does on the device, which it tells by this method's presence.
 */
export function canDictate(): boolean {
  const maker = findMaker() as { available?: unknown } | undefined;
  return typeof maker?.available === 'function';
}

/**
 * Listens until it is told to stop, or the browser gives up.
 * @returns stops listening
 */
export function dictate({ onWords, onEnd }: { onWords: (words: string) => void; onEnd: () => void }): () => void {
  const Maker = findMaker();
  if (!Maker) {
    onEnd();
    return () => undefined;
  }
  const recognition = new Maker();
  // Never to a service elsewhere: what a child says stays on the device, or is not heard at all.
  Object.assign(recognition, { processLocally: true, continuous: true, lang: document.documentElement.lang || 'en' });
  recognition.onresult = ({ resultIndex, results }) => {
    for (let i = resultIndex; i < results.length; i++)
      if (results[i]?.isFinal) onWords(results[i]?.[0].transcript.trim() ?? '');
  };
  recognition.onend = onEnd;
  recognition.onerror = onEnd;
  recognition.start();
  return () => recognition.stop();
}

import { Square, Volume2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { t } from '../../words/words.ts';
import './words.ts';

/** Voices that live on the device; others would send the words elsewhere. */
function localVoice(): SpeechSynthesisVoice | undefined {
  const language = document.documentElement.lang || 'en';
  const voices = speechSynthesis.getVoices().filter((voice) => voice.localService);
  return voices.find((voice) => voice.lang.startsWith(language)) ?? voices[0];
}

/** Reads words aloud by the voice of the device, where it has one. */
export function ReadAloud({ words, of }: { readonly words: string; readonly of: string }) {
  const [voice, setVoice] = useState<SpeechSynthesisVoice | undefined>();
  const [isReading, setIsReading] = useState(false);
  useEffect(() => {
    if (!('speechSynthesis' in window)) return;
    const look = () => setVoice(localVoice());
    look();
    speechSynthesis.addEventListener('voiceschanged', look);
    return () => speechSynthesis.removeEventListener('voiceschanged', look);
  }, []);
  useEffect(() => () => void (isReading && speechSynthesis.cancel()), [isReading]);
  if (!voice) return null;
  const Icon = isReading ? Square : Volume2;
  return (
    <Button
      look="quiet"
      size="small"
      aria-pressed={isReading}
      aria-label={t('question.readAloud', { of })}
      onClick={() => {
        speechSynthesis.cancel();
        if (isReading) return setIsReading(false);
        const utterance = new SpeechSynthesisUtterance(words);
        utterance.voice = voice;
        utterance.onend = () => setIsReading(false);
        utterance.onerror = () => setIsReading(false);
        setIsReading(true);
        speechSynthesis.speak(utterance);
      }}
    >
      <Icon aria-hidden className="size-4" strokeWidth={1.75} />
      {t(isReading ? 'question.stopReading' : 'question.read')}
    </Button>
  );
}

import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Bookmark, BookmarkPlus, X } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { call } from '../../api/client.ts';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { t } from '../../words/words.ts';
import { phrasesOptions } from './queries.ts';
import './words.ts';

interface Props {
  /** What stands in the comment, to be kept as a phrase. */
  readonly wordsNow: () => string;
  readonly onChoose: (phrase: string) => void;
}

/** What a teacher says often: put into a comment by one press, kept from one. */
export function PhraseMenu({ wordsNow, onChoose }: Props) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <Popover.Root open={isOpen} onOpenChange={setIsOpen}>
      <Popover.Trigger className={buttonStyle({ look: 'quiet', size: 'small' })}>
        <Bookmark aria-hidden className="size-4" strokeWidth={1.75} />
        {t('marking.phrases')}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={t('marking.phrases')}
          align="end"
          className="z-60 grid max-h-80 w-80 gap-1 overflow-y-auto rounded-card border border-line bg-card p-2 text-ink shadow-float"
        >
          <PhraseList
            words={wordsNow().trim()}
            onChoose={(phrase) => {
              setIsOpen(false);
              onChoose(phrase);
            }}
          />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function PhraseList({ words, onChoose }: { readonly words: string; readonly onChoose: (phrase: string) => void }) {
  const queryClient = useQueryClient();
  const { data: phrases = [] } = useQuery(phrasesOptions());
  const afterwards = { onSuccess: () => queryClient.invalidateQueries(phrasesOptions()) };
  const keep = useMutation({ mutationFn: (text: string) => call('addPhrase', { body: { text } }), ...afterwards });
  const remove = useMutation({
    mutationFn: (phraseId: string) => call('removePhrase', { params: { phraseId } }),
    ...afterwards,
  });
  const canKeep = words !== '' && words.length <= 1_000 && !phrases.some(({ text }) => text === words);
  return (
    <>
      {phrases.length === 0 && <p className="p-2 text-14 text-quiet">{t('marking.noPhrases')}</p>}
      {phrases.map(({ id, text }) => (
        <div key={id} className="flex items-start gap-1">
          <button
            type="button"
            onClick={() => onChoose(text)}
            className="min-h-8 grow rounded-control px-2 py-1 text-left text-14 hover:bg-main-tint"
          >
            {text}
          </button>
          <Button
            look="quiet"
            size="small"
            aria-label={t('marking.removePhrase', { text })}
            onClick={() => remove.mutate(id)}
          >
            <X aria-hidden className="size-4" strokeWidth={1.75} />
          </Button>
        </div>
      ))}
      {canKeep && (
        <Button size="small" disabled={keep.isPending} onClick={() => keep.mutate(words)}>
          <BookmarkPlus aria-hidden className="size-4" strokeWidth={1.75} />
          {t('marking.keepPhrase')}
        </Button>
      )}
    </>
  );
}

import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { toast } from 'sonner';
import { codeOf } from '../../api/api-error.ts';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Field, TextArea } from '../../ui/field.tsx';
import { useKeptWords } from '../../ui/kept-words.ts';
import { errorWords, Notice } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { t } from '../../words/words.ts';
import { OpenLink } from '../assigning/open-link.tsx';
import './words.ts';

interface Props {
  readonly lessonId: string;
  readonly title: string;
  readonly onClose: () => void;
}

/** A link by which anyone practises a lesson, and the sites that may show it within their pages. */
export function PracticeDialog({ lessonId, title, onClose }: Props) {
  const queryClient = useQueryClient();
  const options = {
    queryKey: ['practice-link', lessonId],
    queryFn: () => call('readPracticeLink', { params: { lessonId } }),
  };
  const query = useQuery(options);
  const set = useMutation({
    mutationFn: (body: { isOpen: boolean; isNew: boolean; frames: string[] }) =>
      call('setPracticeLink', { params: { lessonId }, body }),
    onSuccess: (link) => queryClient.setQueryData(options.queryKey, link),
  });
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={t('practice.dialog', { title })}
      description={t('practice.help')}
    >
      <QueryView query={query}>
        {({ token, isOpen, frames }) => {
          const address = token === null ? null : `${window.location.origin}/practice/${token}`;
          return (
            <div className="grid gap-5">
              <Notice tone="attention">{t('practice.caution')}</Notice>
              <OpenLink
                {...{ address, isOpen }}
                isPending={set.isPending}
                words={{
                  ...{ make: t('practice.make'), on: t('practice.on') },
                  ...{ off: t('practice.off'), link: t('practice.link') },
                }}
                onSet={(wanted) =>
                  set.mutate({ ...wanted, frames }, { onError: (error) => toast.error(errorWords(error)) })
                }
              />
              {isOpen && address && (
                <Frames
                  {...{ frames, address, title }}
                  error={set.error}
                  isPending={set.isPending}
                  onSave={(next, saved) =>
                    set.mutate(
                      { isOpen, isNew: false, frames: next },
                      {
                        onSuccess: () => {
                          saved();
                          toast(t('practice.framesSaved'));
                        },
                      },
                    )
                  }
                />
              )}
            </div>
          );
        }}
      </QueryView>
    </Dialog>
  );
}

interface FramesProps {
  readonly frames: readonly string[];
  readonly address: string;
  readonly title: string;
  readonly error: Error | null;
  readonly isPending: boolean;
  readonly onSave: (frames: string[], saved: () => void) => void;
}

function Frames({ frames, address, title, error, isPending, onSave }: FramesProps) {
  const [text, setText] = useState(frames.join('\n'));
  const settle = useKeptWords();
  const wrong = error && (codeOf(error) === 'inputInvalid' ? t('practice.framesWrong') : errorWords(error));
  const quoted = title.replaceAll('&', '&amp;').replaceAll('"', '&quot;');
  const embed = `<iframe src="${address}" title="${quoted}" width="100%" height="720" allow="autoplay; fullscreen; microphone"></iframe>`;
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        const form = event.currentTarget;
        onSave(
          text.split('\n').filter((line) => line.trim() !== ''),
          // Nobody is asked whether to throw it away.
          () => settle(form),
        );
      }}
    >
      <Field label={t('practice.frames')} help={t('practice.framesHelp')} error={wrong ?? undefined}>
        {(ids) => <TextArea {...ids} value={text} onChange={({ target }) => setText(target.value)} />}
      </Field>
      <div>
        <Button type="submit" disabled={isPending}>
          {t('practice.saveFrames')}
        </Button>
      </div>
      {frames.length > 0 && (
        <Field label={t('practice.embed')}>
          {(ids) => (
            <TextArea
              {...ids}
              readOnly
              className="font-mono text-13"
              value={embed}
              onFocus={({ target }) => target.select()}
            />
          )}
        </Field>
      )}
    </form>
  );
}

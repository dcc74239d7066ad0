import { longestTalk, type Said } from '@semita/core/contract';
import { useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { TextArea } from '../../ui/field.tsx';
import { formatDay } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import './words.ts';

interface Props {
  readonly talk: readonly Said[];
  /** Which side reads it. */
  readonly isTeacher: boolean;
  /** What the field is for, where several stand on a page. */
  readonly label: string;
  /** Null where nothing can be said. */
  readonly onSay: ((text: string) => Promise<unknown>) | null;
}

/** A few words about one answer, back and forth. */
export function AnswerTalk({ talk, isTeacher, label, onSay }: Props) {
  return (
    <div className="grid gap-2 text-14">
      {talk.length > 0 && (
        <ul aria-label={t('talk.label')} className="grid gap-1.5">
          {talk.map(({ id, displayName, text, at, byTeacher }) => (
            <li
              key={id}
              className={`grid gap-0.5 rounded-control border-l-4 px-3 py-1.5 ${byTeacher ? 'border-main bg-main-tint' : 'border-slate bg-slate-tint'}`}
            >
              <span className="text-13 text-quiet">
                {t('talk.at', {
                  name: byTeacher === isTeacher && !isTeacher ? t('talk.you') : displayName,
                  time: formatDay(at),
                })}
              </span>
              <span className="whitespace-pre-wrap [overflow-wrap:anywhere]">{text}</span>
            </li>
          ))}
        </ul>
      )}
      {onSay && <Say label={label} onSay={onSay} />}
    </div>
  );
}

function Say({ label, onSay }: { readonly label: string; readonly onSay: NonNullable<Props['onSay']> }) {
  const [text, setText] = useState<string | null>(null);
  const [isSending, setIsSending] = useState(false);
  if (text === null)
    return (
      <div>
        <Button size="small" look="quiet" aria-label={`${t('talk.write')}: ${label}`} onClick={() => setText('')}>
          {t('talk.write')}
        </Button>
      </div>
    );
  return (
    <form
      className="grid gap-2"
      onSubmit={async (event) => {
        event.preventDefault();
        setIsSending(true);
        // What could not be sent stays in the field.
        const isSent = await onSay(text.trim()).then(
          () => true,
          () => false,
        );
        setIsSending(false);
        if (isSent) setText(null);
      }}
    >
      <TextArea
        aria-label={`${t('talk.write')}: ${label}`}
        required
        autoFocus
        maxLength={longestTalk}
        className="text-14"
        value={text}
        onChange={({ target }) => setText(target.value)}
      />
      <div className="flex gap-2">
        <Button type="submit" size="small" look="main" disabled={isSending || text.trim() === ''}>
          {t('talk.send')}
        </Button>
        <Button size="small" look="quiet" onClick={() => setText(null)}>
          {t('talk.cancel')}
        </Button>
      </div>
    </form>
  );
}

import type { ThreadPost } from '@semita/core/contract';
import { queryOptions, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Eye, EyeOff, MessageSquareReply } from 'lucide-react';
import { useState } from 'react';
import { call } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { TextArea } from '../../ui/field.tsx';
import { ErrorNotice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import './thread-words.ts';

/** Others go on writing while the thread is looked at. */
const lookAgainMs = 20_000;

const threadOptions = (assignmentId: string, questionId: string) =>
  queryOptions({
    queryKey: ['thread', assignmentId, questionId],
    queryFn: () => call('readThread', { params: { assignmentId, questionId } }),
    refetchInterval: lookAgainMs,
    staleTime: 0,
  });

interface Props {
  readonly assignmentId: string;
  readonly questionId: string;
  /** Teachers can take posts out of the class's sight. */
  readonly isTeacher?: boolean;
}

/** What the class wrote to one question, and what they said to each other. */
export function ClassThread({ assignmentId, questionId, isTeacher = false }: Props) {
  const queryClient = useQueryClient();
  const options = threadOptions(assignmentId, questionId);
  const query = useQuery(options);
  const change = { onSuccess: (posts: ThreadPost[]) => queryClient.setQueryData(options.queryKey, posts) };
  const reply = useMutation({
    mutationFn: ({ studentId, text }: { studentId: string; text: string }) =>
      call('replyInThread', { params: { assignmentId, questionId, studentId }, body: { text } }),
    ...change,
  });
  const hide = useMutation({
    mutationFn: ({ studentId, ...body }: { studentId: string; replyId: string | null; hidden: boolean }) =>
      call('hideInThread', { params: { assignmentId, questionId, studentId }, body }),
    ...change,
  });
  if (!query.data) return query.isError ? <ErrorNotice error={query.error} /> : <p>{t('app.loading')}</p>;
  return (
    <section aria-label={t('thread.title')} className="grid gap-3">
      <p aria-hidden className="text-14 font-medium">
        {t('thread.title')}
      </p>
      {(reply.isError || hide.isError) && <ErrorNotice error={reply.error ?? hide.error} />}
      <ul className="grid gap-3">
        {query.data.map((post) => (
          <li key={post.studentId} className="grid gap-2 rounded-control border border-line bg-card p-3">
            <Said
              name={post.isOwn ? t('thread.you') : post.displayName}
              text={post.text}
              hidden={post.hidden}
              onHide={
                isTeacher
                  ? () => hide.mutate({ studentId: post.studentId, replyId: null, hidden: !post.hidden })
                  : undefined
              }
            />
            {post.replies.length > 0 && (
              <ul className="grid gap-2 border-l-2 border-line pl-3">
                {post.replies.map((one) => (
                  <li key={one.id}>
                    <Said
                      name={one.isOwn ? t('thread.you') : one.displayName}
                      isTeacher={one.isTeacher}
                      text={one.text}
                      hidden={one.hidden}
                      onHide={
                        isTeacher
                          ? () => hide.mutate({ studentId: post.studentId, replyId: one.id, hidden: !one.hidden })
                          : undefined
                      }
                    />
                  </li>
                ))}
              </ul>
            )}
            <ReplyBox
              to={post.displayName}
              isBusy={reply.isPending}
              onReply={(text) => reply.mutateAsync({ studentId: post.studentId, text })}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}

interface SaidProps {
  readonly name: string;
  readonly isTeacher?: boolean;
  readonly text: string;
  readonly hidden: boolean;
  readonly onHide: (() => void) | undefined;
}

function Said({ name, isTeacher = false, text, hidden, onHide }: SaidProps) {
  const Icon = hidden ? Eye : EyeOff;
  return (
    <div className={hidden ? 'opacity-60' : undefined}>
      <p className="flex items-center gap-2 text-13 text-quiet">
        <span>
          {name}
          {isTeacher && ` (${t('thread.teacher')})`}
          {hidden && ` (${t('thread.hidden')})`}
        </span>
        {onHide && (
          <Button look="quiet" size="small" className="ml-auto" onClick={onHide}>
            <Icon aria-hidden className="size-4" strokeWidth={1.75} />
            {t(hidden ? 'thread.show' : 'thread.hide')}
          </Button>
        )}
      </p>
      <p className="whitespace-pre-wrap">{text}</p>
    </div>
  );
}

interface ReplyProps {
  readonly to: string;
  readonly isBusy: boolean;
  readonly onReply: (text: string) => Promise<unknown>;
}

function ReplyBox({ to, isBusy, onReply }: ReplyProps) {
  const [text, setText] = useState<string | null>(null);
  if (text === null)
    return (
      <div>
        <Button look="quiet" size="small" aria-label={t('thread.replyTo', { name: to })} onClick={() => setText('')}>
          <MessageSquareReply aria-hidden className="size-4" strokeWidth={1.75} />
          {t('thread.reply')}
        </Button>
      </div>
    );
  const submit = async (event: React.FormEvent) => {
    // A reply is written inside the page of a stop, which may be a form itself.
    event.preventDefault();
    event.stopPropagation();
    if (text.trim() === '') return;
    await onReply(text);
    setText(null);
  };
  return (
    <form className="grid gap-2" onSubmit={submit}>
      <TextArea
        autoFocus
        aria-label={t('thread.replyTo', { name: to })}
        maxLength={5_000}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <div className="flex gap-2">
        <Button look="main" type="submit" disabled={isBusy || text.trim() === ''}>
          {t('thread.send')}
        </Button>
        <Button onClick={() => setText(null)}>{t('app.close')}</Button>
      </div>
    </form>
  );
}

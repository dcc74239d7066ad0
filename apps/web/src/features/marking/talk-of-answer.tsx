import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { CheckCheck } from 'lucide-react';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { errorWords } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { sheetOptions } from '../assignment/queries.ts';
import { AnswerTalk } from '../talk/answer-talk.tsx';
import { talkOptions, wroteBackOptions } from './queries.ts';
import './words.ts';

interface Props {
  readonly assignmentId: string;
  readonly studentId: string;
  readonly questionId: string;
  /** Something was said to it, so that it can have been seen. */
  readonly isSaid: boolean;
  readonly stem: string;
}

/** Whether a student has seen what was said to an answer, and what they wrote back. */
export function TalkOfAnswer({ assignmentId, studentId, questionId, isSaid, stem }: Props) {
  const queryClient = useQueryClient();
  const { data } = useQuery(talkOptions(assignmentId, studentId));
  const say = useMutation({
    mutationFn: (text: string) =>
      call('answerBack', { params: { assignmentId, studentId, questionId }, body: { text } }),
    onSuccess: () =>
      Promise.all([
        queryClient.invalidateQueries(talkOptions(assignmentId, studentId)),
        queryClient.invalidateQueries(wroteBackOptions(assignmentId)),
      ]),
    onError: (error) => toast.error(errorWords(error)),
  });
  // Who only stands in reads it.
  const { data: sheet } = useQuery(sheetOptions(assignmentId));
  const own = data?.find((one) => one.questionId === questionId);
  if (!own || (!isSaid && own.talk.length === 0)) return null;
  return (
    <div className="grid gap-2">
      <p className="flex items-center gap-1.5 text-13 text-quiet">
        {own.isSeen && <CheckCheck aria-hidden className="size-4 text-spruce" strokeWidth={1.75} />}
        {t(own.isSeen ? 'student.seen' : 'student.notSeen')}
      </p>
      <AnswerTalk
        talk={own.talk}
        isTeacher
        label={stem}
        onSay={sheet?.runs === false ? null : (text) => say.mutateAsync(text)}
      />
    </div>
  );
}

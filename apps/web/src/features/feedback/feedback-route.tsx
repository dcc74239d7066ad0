import type { StudentFeedback } from '@semita/core/contract';
import { plainWords } from '@semita/core/text';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import { call } from '../../api/client.ts';
import { EmptyPlace, errorWords } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { GivenResponse } from '../question/given-response.tsx';
import { RichText } from '../question/rich-text.tsx';
import { TeacherSays } from '../question/teacher-says.tsx';
import { AnswerTalk } from '../talk/answer-talk.tsx';
import { feedbackOptions } from './queries.ts';
import './words.ts';
import '../materials/words.ts';

export function Component() {
  const query = useQuery(feedbackOptions());
  const see = useMutation({ mutationFn: () => call('seeFeedback', {}) });
  // What was new when the page was opened is called new until it is left.
  const [news, setNews] = useState<ReadonlySet<string> | null>(null);
  const { data } = query;
  const { mutate } = see;
  useEffect(() => {
    if (!data) return;
    const fresh = data.filter(({ isNew }) => isNew).map(keyOf);
    setNews((before) => new Set([...(before ?? []), ...fresh]));
    if (fresh.length > 0) mutate();
  }, [data, mutate]);
  return (
    <>
      <h1 className="text-28">{t('feedback.title')}</h1>
      {news !== null && news.size > 0 && <p className="-mt-2 text-quiet">{t('feedback.news', { count: news.size })}</p>}
      <QueryView query={query}>
        {(items) =>
          items.length === 0 ? (
            <EmptyPlace title={t('feedback.empty')}>
              <p>{t('feedback.emptyHelp')}</p>
            </EmptyPlace>
          ) : (
            <ul className="grid gap-4">
              {inOrder(items, news).map((item) => (
                <FeedbackCard key={keyOf(item)} item={item} isNew={news?.has(keyOf(item)) ?? false} />
              ))}
            </ul>
          )
        }
      </QueryView>
    </>
  );
}

const keyOf = ({ assignmentId, question }: StudentFeedback): string => `${assignmentId} ${question.id}`;

/** What is new first; else as it comes. */
const inOrder = (items: readonly StudentFeedback[], news: ReadonlySet<string> | null): StudentFeedback[] =>
  items.toSorted((a, b) => Number(news?.has(keyOf(b)) ?? false) - Number(news?.has(keyOf(a)) ?? false));

function FeedbackCard({ item, isNew }: { readonly item: StudentFeedback; readonly isNew: boolean }) {
  const queryClient = useQueryClient();
  const { assignmentId, question, result } = item;
  const write = useMutation({
    mutationFn: (text: string) =>
      call('writeBack', { params: { assignmentId, questionId: question.id }, body: { text } }),
    onSuccess: () => queryClient.invalidateQueries(feedbackOptions()),
    onError: (error) => toast.error(errorWords(error)),
  });
  return (
    <li className="grid grid-cols-[minmax(0,1fr)] gap-3 rounded-card border border-line bg-card p-5">
      <div className="grid justify-items-start gap-1">
        <span className="flex flex-wrap items-center gap-2">
          <Link to={`/walk/${assignmentId}`} className="text-14 text-main underline">
            {item.title}
          </Link>
          {isNew && (
            <span className="rounded-control bg-marigold-tint px-2 py-0.5 text-13 font-medium text-marigold-ink">
              {t('feedback.isNew')}
            </span>
          )}
        </span>
        <RichText text={question.stem} className="font-heading text-18 font-medium" />
      </div>
      <div>
        <p className="text-13 text-quiet">{t('feedback.yourAnswer')}</p>
        <GivenResponse
          question={question}
          response={item.response}
          answerKey={result.answerKey}
          verdicts={result.verdicts}
          isFull={result.isFull}
          keyAreas={result.keyAreas}
          feedback={result.feedback}
          drawn={result.drawn}
        />
      </div>
      <TeacherSays result={result} />
      {result.returned && (
        <p>
          {t('walk.returned')}{' '}
          <Link to={`/walk/${assignmentId}`} className="text-main underline">
            {t('walk.workAgain')}
          </Link>
        </p>
      )}
      {result.points !== null && question.points > 0 && (
        <p className="font-medium">
          {t('feedback.points', { earned: formatPoints(result.points), possible: formatPoints(question.points) })}
        </p>
      )}
      <AnswerTalk
        talk={item.talk}
        isTeacher={false}
        label={plainWords(question.stem)}
        onSay={item.mayTalk ? (text) => write.mutateAsync(text) : null}
      />
    </li>
  );
}

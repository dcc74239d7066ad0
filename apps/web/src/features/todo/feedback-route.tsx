import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { EmptyPlace } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { formatPoints } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { GivenResponse } from '../question/given-response.tsx';
import { RichText } from '../question/rich-text.tsx';
import { TeacherSays } from '../question/teacher-says.tsx';
import { feedbackOptions } from './queries.ts';
import './words.ts';
import '../materials/words.ts';

export function Component() {
  const query = useQuery(feedbackOptions());
  return (
    <>
      <h1 className="text-28">{t('todo.feedback')}</h1>
      <QueryView query={query}>
        {(items) =>
          items.length === 0 ? (
            <EmptyPlace title={t('todo.feedbackEmpty')}>
              <p>{t('todo.feedbackEmptyHelp')}</p>
            </EmptyPlace>
          ) : (
            <ul className="grid gap-4">
              {items.map((item) => (
                <li
                  key={`${item.assignmentId}${item.question.id}`}
                  className="grid grid-cols-[minmax(0,1fr)] gap-3 rounded-card border border-line bg-card p-5"
                >
                  <div className="grid justify-items-start gap-1">
                    <Link to={`/walk/${item.assignmentId}`} className="text-14 text-main underline">
                      {item.title}
                    </Link>
                    <RichText text={item.question.stem} className="font-heading text-18 font-medium" />
                  </div>
                  <div>
                    <p className="text-13 text-quiet">{t('todo.yourAnswer')}</p>
                    <GivenResponse
                      question={item.question}
                      response={item.response}
                      answerKey={item.result.answerKey}
                      verdicts={item.result.verdicts}
                      isFull={item.result.isFull}
                      keyAreas={item.result.keyAreas}
                      feedback={item.result.feedback}
                      drawn={item.result.drawn}
                    />
                  </div>
                  <TeacherSays result={item.result} />
                  {item.result.returned && (
                    <p>
                      {t('walk.returned')}{' '}
                      <Link to={`/walk/${item.assignmentId}`} className="text-main underline">
                        {t('walk.workAgain')}
                      </Link>
                    </p>
                  )}
                  {item.result.points !== null && item.question.points > 0 && (
                    <p className="font-medium">
                      {t('todo.points', {
                        earned: formatPoints(item.result.points),
                        possible: formatPoints(item.question.points),
                      })}
                    </p>
                  )}
                </li>
              ))}
            </ul>
          )
        }
      </QueryView>
    </>
  );
}

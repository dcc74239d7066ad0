import type { StopFigures } from '@semita/core/contract';
import { correctResponse } from '@semita/core/marking';
import { type Question, responseWords } from '@semita/core/question';
import { plainWords } from '@semita/core/text';
import { formatShare } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { wordsOfPick } from '../stops/told.ts';
import './words.ts';

interface Props {
  readonly number: number;
  readonly question: Question;
  readonly figures: StopFigures['figures']['questions'][number] | undefined;
}

/** What became of a question in the class. */
export function ClassFound({ number, question, figures }: Props) {
  const correct = correctResponse(question);
  const most = figures?.options.toSorted((a, b) => b.count - a.count)[0];
  const count = figures?.answered ?? 0;
  return (
    <li className="grid break-inside-avoid grid-cols-[2rem_minmax(0,1fr)] gap-x-2 text-14">
      <span className="text-right font-medium">{number}.</span>
      <div className="grid gap-0.5">
        <p className="font-medium break-words">{plainWords(question.stem)}</p>
        <p>
          {count === 0
            ? t('catchUp.nobody')
            : [
                t('catchUp.answered', { count }),
                ...(question.points === 0
                  ? []
                  : [
                      figures?.meanShare == null
                        ? t((figures?.waiting ?? 0) > 0 ? 'catchUp.unmarked' : 'catchUp.tooFew')
                        : t('catchUp.share', { share: formatShare(figures.meanShare) }),
                    ]),
              ].join(', ')}
        </p>
        {most && most.count > 0 && (
          <p>{t('catchUp.most', { words: wordsOfPick(question, most.optionId), count: most.count })}</p>
        )}
        {correct && (
          <p>
            {t('catchUp.right', {
              words: responseWords(question, correct)
                .map((words) => plainWords(words))
                .join('; '),
            })}
          </p>
        )}
      </div>
    </li>
  );
}

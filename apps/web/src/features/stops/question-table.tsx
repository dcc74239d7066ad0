import type { QuestionFigures } from '@semita/core/analysis';
import { isOpinion } from '@semita/core/question';
import { plainWords } from '@semita/core/text';
import { joinClasses } from '../../ui/join-classes.ts';
import { formatClock, formatHundredths, formatShare } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { findingWords, type Numbered } from './told.ts';
import './words.ts';

interface Props {
  readonly figures: readonly QuestionFigures[];
  readonly numbered: Numbered;
  readonly onOpen: (questionId: string) => void;
}

const head = 'border-b border-line px-3 py-2 text-left text-13 font-medium text-quiet';

/** Questions with their figures, in the order of the lesson. */
export function QuestionTable({ figures, numbered, onOpen }: Props) {
  return (
    <div className="overflow-x-auto rounded-card border print:overflow-visible border-line bg-card">
      <table className="w-full text-14">
        <thead>
          <tr>
            <th scope="col" className={joinClasses(head, 'pl-4')}>
              {t('stops.question')}
            </th>
            <th scope="col" className={joinClasses(head, 'text-right')}>
              {t('stops.answers')}
            </th>
            <th scope="col" className={joinClasses(head, 'w-44')}>
              {t('stops.earned')}
            </th>
            <th scope="col" className={joinClasses(head, 'text-right')} title={t('stops.tellsHelp')}>
              {t('stops.tells')}
              <span className="sr-only">{t('stops.tellsHelp')}</span>
            </th>
            <th scope="col" className={joinClasses(head, 'text-right')}>
              {t('stops.time')}
            </th>
            <th scope="col" className={joinClasses(head, 'pr-4')}>
              {t('stops.lookAt')}
            </th>
          </tr>
        </thead>
        <tbody className="divide-y divide-line">
          {figures.map((one) => (
            <Row key={one.questionId} figures={one} numbered={numbered} onOpen={onOpen} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

interface RowProps extends Pick<Props, 'numbered' | 'onOpen'> {
  readonly figures: QuestionFigures;
}

function Row({ figures, numbered, onOpen }: RowProps) {
  const { questionId, answered, waiting, meanShare, discrimination, medianStopMs, findings } = figures;
  const one = numbered.get(questionId);
  if (!one) return null;
  const { number, question } = one;
  const words = plainWords(question.stem);
  return (
    <tr className="hover:bg-main-tint">
      <th scope="row" className="max-w-96 p-0 pl-4 text-left font-normal">
        <button
          type="button"
          onClick={() => onOpen(questionId)}
          aria-label={t('stops.open', { number, words })}
          className="flex min-h-9 w-full items-center gap-3 py-1.5 text-left hover:underline"
        >
          <span className="w-6 shrink-0 text-right font-mono text-13 text-quiet">{number}</span>
          <span className="line-clamp-2 font-medium">{words}</span>
        </button>
      </th>
      <td className="px-3 text-right font-mono text-13 whitespace-nowrap">
        {answered}
        {waiting > 0 && (
          <span className="block font-sans text-marigold-ink">{t('stops.waiting', { count: waiting })}</span>
        )}
      </td>
      <td className="px-3">
        {isOpinion(question) || question.points === 0 ? (
          <span className="text-13 text-quiet">{t('stops.opinion')}</span>
        ) : meanShare === null ? (
          <span className="text-13 text-quiet">{t('stops.tooFew')}</span>
        ) : (
          <span className="flex items-center gap-2">
            <span aria-hidden className="h-2 grow rounded-full bg-line">
              <span className="block h-full rounded-full bg-spruce" style={{ width: formatShare(meanShare) }} />
            </span>
            <span className="w-11 text-right font-mono text-13">{formatShare(meanShare)}</span>
          </span>
        )}
      </td>
      <td className="px-3 text-right font-mono text-13">
        {discrimination === null ? '–' : formatHundredths(discrimination)}
      </td>
      <td className="px-3 text-right font-mono text-13">{medianStopMs === null ? '–' : formatClock(medianStopMs)}</td>
      <td className="py-1.5 pr-4 pl-3">
        {findings.slice(0, 2).map((finding) => (
          <p
            key={`${finding.kind} ${'pick' in finding ? finding.pick : ''}`}
            className={finding.kind === 'lookAtKey' ? 'text-brick' : undefined}
          >
            {findingWords(question, finding)}
          </p>
        ))}
      </td>
    </tr>
  );
}

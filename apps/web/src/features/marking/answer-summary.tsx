import type { QuestionAnswers } from '@semita/core/contract';
import { isFull } from '@semita/core/learner';
import type { Question, Response } from '@semita/core/question';
import { formatNumber } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { confidenceWords } from '../question/sure-field.tsx';
import './words.ts';
import '../question/words.ts';

interface Props {
  readonly question: Question;
  readonly answers: QuestionAnswers['answers'];
}

interface Bar {
  readonly key: string;
  readonly words: string;
  readonly now: number;
  readonly before: number | null;
  readonly correct: boolean;
}

/** What a class picked, where there is something to count: how many for each, before and now, and how sure they were. */
export function AnswerSummary({ question, answers }: Props) {
  const bars = barsOf(question, answers);
  const sure = sureRows(question, answers);
  const changes = changesOf(question, answers);
  if (bars.length === 0 && sure.length === 0) return null;
  const most = Math.max(1, ...bars.flatMap(({ now, before }) => [now, before ?? 0]));
  return (
    <section aria-label={t('marking.summary')} className="grid gap-3 rounded-card border border-line bg-card p-4">
      <ul className="grid gap-2">
        {bars.map(({ key, words, now, before, correct }) => (
          <li key={key} className="grid grid-cols-[minmax(6rem,14rem)_1fr] items-center gap-3 text-14">
            <span className={correct ? 'text-spruce' : undefined}>
              {words}
              {correct && ` (${t('question.right')})`}
            </span>
            <span className="grid gap-0.5">
              {before !== null && <BarLine label={t('marking.before')} count={before} max={most} colour="bg-edge" />}
              <BarLine
                label={before === null ? undefined : t('marking.now')}
                count={now}
                max={most}
                colour={correct ? 'bg-spruce' : 'bg-main'}
              />
            </span>
          </li>
        ))}
      </ul>
      {changes && <p className="text-14">{t('marking.changes', changes)}</p>}
      {sure.length > 0 && (
        <table className="w-fit text-14">
          <caption className="pb-1 text-left font-medium">{t('question.howSure')}</caption>
          <thead className="text-left text-quiet">
            <tr>
              <th />
              <th className="px-3 font-normal">{t('question.right')}</th>
              <th className="px-3 font-normal">{t('question.notRight')}</th>
            </tr>
          </thead>
          <tbody>
            {sure.map(({ degree, right, wrong }) => (
              <tr key={degree}>
                <th scope="row" className="text-left font-normal">
                  {confidenceWords(degree)}
                </th>
                <td className="px-3 font-mono">{right}</td>
                <td className="px-3 font-mono">{wrong}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

interface LineProps {
  readonly label: string | undefined;
  readonly count: number;
  readonly max: number;
  readonly colour: string;
}

function BarLine({ label, count, max, colour }: LineProps) {
  return (
    <span className="flex items-center gap-2">
      {label && <span className="w-12 shrink-0 text-13 text-quiet">{label}</span>}
      <span className="h-3 grow">
        <span className={`block h-full rounded-full ${colour}`} style={{ width: `${(count / max) * 100}%` }} />
      </span>
      <span className="w-6 shrink-0 text-right font-mono">{count}</span>
    </span>
  );
}

function barsOf(question: Question, answers: Props['answers']): Bar[] {
  const responses = answers.map(({ answer }) => answer.response);
  const before = question.comparedWith ? answers.flatMap((given) => given.before ?? []) : null;
  const bar = (key: string, words: string, isIt: (response: Response) => boolean, correct = false): Bar => ({
    key,
    words,
    correct,
    now: responses.filter(isIt).length,
    before: before === null ? null : before.filter(isIt).length,
  });
  const picked = (id: string) => (response: Response) => response.kind === 'choice' && response.optionIds.includes(id);
  switch (question.kind) {
    case 'choice':
      return question.options.map(({ id, text, correct, picture }) =>
        bar(id, text || (picture?.alt ?? ''), picked(id), correct),
      );
    case 'poll':
      return question.options.map(({ id, text }) => bar(id, text, picked(id)));
    case 'hotspot':
      return question.areas.map(({ id, label, correct }) => bar(id, label, picked(id), correct));
    case 'slider': {
      const count = Math.floor((question.max - question.min) / question.step) + 1;
      if (count > 21) return [];
      return Array.from({ length: count }, (_, index) => {
        const value = question.min + index * question.step;
        const end = index === 0 ? question.minLabel : index === count - 1 ? question.maxLabel : '';
        const words = end ? `${formatNumber(value)}, ${end}` : formatNumber(value);
        const right = question.key !== undefined && value >= question.key.from && value <= question.key.to;
        return bar(String(value), words, (response) => response.kind === 'scale' && response.value === value, right);
      });
    }
    default:
      return [];
  }
}

/** How many went up, stayed and went down on a scale that was asked twice. */
function changesOf(question: Question, answers: Props['answers']) {
  if (question.kind !== 'slider' || !question.comparedWith) return null;
  const moves = answers.flatMap(({ answer: { response }, before }) =>
    response.kind === 'scale' && before?.kind === 'scale' ? [Math.sign(response.value - before.value)] : [],
  );
  const count = (way: number) => moves.filter((move) => move === way).length;
  return { up: count(1), same: count(0), down: count(-1) };
}

function sureRows(question: Question, answers: Props['answers']) {
  if (!question.asksConfidence || question.points === 0) return [];
  return [4, 3, 2, 1].map((degree) => {
    const said = answers.filter(({ answer }) => answer.response.confidence === degree);
    const right = said.filter(({ answer }) => isFull(question, answer)).length;
    return { degree, right, wrong: said.length - right };
  });
}

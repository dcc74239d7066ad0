import type { Gradebook, StudentMastery } from '@semita/core/contract';
import { totalOf } from '@semita/core/gradebook';
import { t } from '../../words/words.ts';
import { totalWords } from '../gradebook/grade-words.ts';
import { LevelMark, levelOf, masteryWords, targetName } from '../mastery/level-mark.tsx';
import '../gradebook/words.ts';
import './words.ts';

interface Props {
  readonly studentId: string;
  readonly book: Gradebook | undefined;
  readonly mastery: StudentMastery | undefined;
}

/** What one student's work comes to by the rules of the class, and how far they have come with each target. */
export function Standing({ studentId, book, mastery }: Props) {
  return (
    <div className="grid items-start gap-4 md:grid-cols-2 print:grid-cols-2">
      {book && <Counted studentId={studentId} book={book} />}
      {mastery && <Targets {...mastery} />}
    </div>
  );
}

const panel = 'grid gap-2 rounded-card border border-line bg-card p-4';

function Counted({ studentId, book }: { readonly studentId: string; readonly book: Gradebook }) {
  const { columns, rules } = book;
  const cells = book.students.find((student) => student.studentId === studentId)?.cells;
  const total = cells && totalOf(cells, columns, rules);
  if (!total || total.percent === null) return null;
  const counting = total.categories.filter(({ possible }) => possible > 0);
  return (
    <section className={panel}>
      <h2 className="text-16">{t('account.counted', { total: totalWords(total) })}</h2>
      {counting.length > 1 && (
        <ul className="grid gap-1 text-14">
          {counting.map(({ name, earned, possible, weight }) => (
            <li key={name} className="flex gap-3">
              <span className="grow">
                {rules.byWeight
                  ? t('account.categoryWeight', { name: name || t('gradebook.other'), weight: weight / 100 })
                  : name || t('gradebook.other')}
              </span>
              <span className="font-mono text-13">
                {t('gradebook.percent', { percent: Math.round((earned / possible) * 100) })}
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

function Targets({ targets, mastery: own }: Pick<StudentMastery, 'targets' | 'mastery'>) {
  const told = targets.flatMap((target, place) => (own[place]?.level ? [{ target, place }] : []));
  if (told.length === 0) return null;
  return (
    <section className={panel}>
      <h2 className="text-16">{t('account.targets')}</h2>
      <ul className="grid gap-1 text-14">
        {told.map(({ target, place }) => (
          <li key={target.key} className="flex items-baseline gap-2">
            <span className="translate-y-0.5">
              <LevelMark level={levelOf(own[place])} />
            </span>
            <span className="grow">{targetName(target)}</span>
            <span className="shrink-0 text-quiet">{masteryWords(own[place])}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

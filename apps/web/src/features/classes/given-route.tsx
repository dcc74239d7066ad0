import { Link } from 'react-router';
import { buttonStyle } from '../../ui/button.tsx';
import { EmptyPlace } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { AssignmentList } from '../assignment/assignment-list.tsx';
import { useClass } from './class-frame.tsx';
import './words.ts';

/** What a class was given. */
export function Component() {
  const all = useClass().assignments;
  const assignments = all.filter(({ takenBackAt }) => takenBackAt === null);
  const takenBack = all.filter(({ takenBackAt }) => takenBackAt !== null);
  if (all.length > 0)
    return (
      <>
        {assignments.length > 0 && <AssignmentList assignments={assignments} isOfOneClass />}
        {takenBack.length > 0 && (
          <section className="grid gap-3">
            <h2 className="text-18">{t('classes.takenBack')}</h2>
            <AssignmentList assignments={takenBack} isOfOneClass />
          </section>
        )}
      </>
    );
  return (
    <EmptyPlace title={t('classes.noAssignments')}>
      <p className="text-quiet">{t('classes.noAssignmentsHelp')}</p>
      <Link to="/shelf" className={buttonStyle({ look: 'main' })}>
        {t('classes.toShelf')}
      </Link>
    </EmptyPlace>
  );
}

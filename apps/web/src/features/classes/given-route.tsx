import { Link } from 'react-router';
import { buttonStyle } from '../../ui/button.tsx';
import { EmptyPlace } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { AssignmentList } from '../assignment/assignment-list.tsx';
import { useClass } from './class-frame.tsx';
import './words.ts';

/** What a class was given. */
export function Component() {
  const { assignments } = useClass();
  if (assignments.length > 0) return <AssignmentList assignments={assignments} isOfOneClass />;
  return (
    <EmptyPlace title={t('classes.noAssignments')}>
      <p className="text-quiet">{t('classes.noAssignmentsHelp')}</p>
      <Link to="/shelf" className={buttonStyle({ look: 'main' })}>
        {t('classes.toShelf')}
      </Link>
    </EmptyPlace>
  );
}

import { NavLink } from 'react-router';
import { joinClasses } from '../../ui/join-classes.ts';
import { t } from '../../words/words.ts';
import './words.ts';

/** What lies on the shelf: lessons and what they are made of, and questions. */
export function ShelfTabs() {
  const tab = ({ isActive }: { isActive: boolean }) =>
    joinClasses(
      'border-b-2 px-1 py-2 text-14 font-medium',
      isActive ? 'border-main text-main' : 'border-transparent text-quiet hover:text-ink',
    );
  return (
    <nav aria-label={t('shelf.title')} className="-mt-4 flex gap-5 border-b border-line">
      <NavLink end to="/shelf" className={tab}>
        {t('shelf.lessonsTab')}
      </NavLink>
      <NavLink to="/shelf/questions" className={tab}>
        {t('bank.title')}
      </NavLink>
    </nav>
  );
}

import { TabLink } from '../../ui/tab-link.tsx';
import { t } from '../../words/words.ts';
import './words.ts';

/** What lies on the shelf: lessons and what they are made of, and questions. */
export function ShelfTabs() {
  return (
    <nav aria-label={t('shelf.title')} className="-mt-4 flex gap-5 border-b border-line">
      <TabLink end to="/shelf">
        {t('shelf.lessonsTab')}
      </TabLink>
      <TabLink to="/shelf/questions">{t('shelf.questionsTab')}</TabLink>
      <TabLink to="/shelf/targets">{t('shelf.targetsTab')}</TabLink>
    </nav>
  );
}

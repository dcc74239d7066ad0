import type { ReactNode } from 'react';
import { Page } from '../../ui/page.tsx';
import { TabLink } from '../../ui/tab-link.tsx';
import { t } from '../../words/words.ts';
import './words.ts';

interface Props {
  readonly title: string;
  readonly actions?: ReactNode;
  readonly children: ReactNode;
}

/** A page about a school, with its sides. */
export function SchoolPage({ title, actions, children }: Props) {
  return (
    <Page title={title} actions={actions}>
      <nav aria-label={t('school.title')} className="-mt-3 flex gap-5 border-b border-line">
        <TabLink end to="/school">
          {t('school.title')}
        </TabLink>
        <TabLink to="/school/people">{t('school.everybody')}</TabLink>
        <TabLink to="/school/mails">{t('school.mails')}</TabLink>
        <TabLink to="/school/log">{t('school.log')}</TabLink>
      </nav>
      {children}
    </Page>
  );
}

import { useQuery } from '@tanstack/react-query';
import { call } from '../../api/client.ts';
import { EmptyPlace, Notice } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { formatInstant } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { SchoolPage } from './school-page.tsx';
import './words.ts';

/** What the stand-in for a mail server holds; with a real one, only that it is there. */
export function Component() {
  const query = useQuery({ queryKey: ['school', 'mails'], queryFn: () => call('listMails', {}) });
  return (
    <SchoolPage title={t('school.mails')}>
      <QueryView query={query}>
        {({ isStandIn, mails }) => (
          <>
            <Notice>{t(isStandIn ? 'school.mailsStandIn' : 'school.mailsSent')}</Notice>
            {isStandIn && mails.length === 0 && <EmptyPlace title={t('school.mailsEmpty')} />}
            {mails.length > 0 && (
              <ul className="grid gap-3">
                {mails.map(({ id, address, subject, text, createdAt }) => (
                  <li key={id} className="grid gap-1 rounded-card border border-line bg-card p-5">
                    <p className="text-14 text-quiet">
                      {address}, {formatInstant(createdAt, Intl.DateTimeFormat().resolvedOptions().timeZone)}
                    </p>
                    <h2 className="text-16 break-words">{subject}</h2>
                    <p className="text-14 break-words whitespace-pre-wrap">{text}</p>
                  </li>
                ))}
              </ul>
            )}
          </>
        )}
      </QueryView>
    </SchoolPage>
  );
}

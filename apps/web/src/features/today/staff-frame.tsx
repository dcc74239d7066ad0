import { Outlet } from 'react-router';
import { Toaster } from 'sonner';
import { PageFrame } from '../../ui/page-frame.tsx';
import { t } from '../../words/words.ts';
import { FirstSteps } from '../first-steps/first-steps.tsx';
import { PersonMenu } from '../session/person-menu.tsx';
import { RequireRole } from '../session/require-role.tsx';
import '../../words/staff-words.ts';
import './words.ts';

/** The bar of whoever works at a school: the places of what they are. */
export function StaffFrame({ is }: { readonly is: 'teacher' | 'admin' }) {
  return (
    <RequireRole is={is}>
      {(me) => (
        <PageFrame
          places={[
            ...(me.roles.includes('teacher')
              ? [
                  { to: '/today', label: t('place.today') },
                  { to: '/shelf', label: t('place.shelf') },
                  { to: '/classes', label: t('place.classes') },
                ]
              : []),
            ...(me.roles.includes('admin') ? [{ to: '/school', label: t('place.school') }] : []),
          ]}
          end={<PersonMenu me={me} />}
        >
          {me.isNew && me.roles.includes('teacher') && <FirstSteps />}
          <Outlet />
          <Toaster position="bottom-center" />
        </PageFrame>
      )}
    </RequireRole>
  );
}

import { Outlet } from 'react-router';
import { Toaster } from 'sonner';
import { PageFrame } from '../../ui/page-frame.tsx';
import { t } from '../../words/words.ts';
import { PersonMenu } from '../session/person-menu.tsx';
import { RequireRole } from '../session/require-role.tsx';
import './words.ts';

export function Component() {
  const places = [
    { to: '/today', label: t('place.today') },
    { to: '/shelf', label: t('place.shelf') },
    { to: '/classes', label: t('place.classes') },
  ];
  return (
    <RequireRole is="teacher">
      {(me) => (
        <PageFrame places={places} end={<PersonMenu me={me} />}>
          <Outlet />
          <Toaster position="bottom-center" />
        </PageFrame>
      )}
    </RequireRole>
  );
}

import { Check, CloudOff, CloudUpload } from 'lucide-react';
import { Link as RouterLink } from 'react-router';
import { t } from '../../words/words.ts';
import type { Link } from './walk-session.ts';
import './words.ts';
import '../question/words.ts';
import '../materials/words.ts';
import '../session/sign-in-words.ts';

/** Says where the work is: with the server, on the way, or kept on this device. */
export function LinkStatus({ link }: { readonly link: Link }) {
  const isFine = link === 'saved' || link === 'sending';
  const Icon = link === 'saved' ? Check : link === 'sending' ? CloudUpload : CloudOff;
  return (
    <p role="status" className={`flex items-center gap-1.5 text-14 ${isFine ? 'text-quiet' : 'text-brick'}`}>
      <Icon aria-hidden className="size-4 shrink-0" strokeWidth={1.75} />
      {t(`walk.${link}`)}
      {link === 'signedOut' && (
        <RouterLink reloadDocument to="/sign-in" className="underline">
          {t('signIn.submit')}
        </RouterLink>
      )}
    </p>
  );
}

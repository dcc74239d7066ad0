import type { KeyGroup } from '../../ui/key-list.tsx';
import { t } from '../../words/words.ts';

/** What the stage listens to, for the list of keys. */
export const filmKeys = (): KeyGroup => ({
  title: t('keys.film'),
  keys: [
    ['Space, K', t('keys.play')],
    ['← →', t('keys.five')],
    ['J L', t('keys.ten')],
    [', .', t('keys.frame')],
  ],
});

import type { LeftOut } from '@semita/core/reading';
import { Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import './words.ts';

/** What could not be brought over with a document. */
export function LeftOutNotice({ leftOut }: { readonly leftOut: readonly LeftOut[] }) {
  if (leftOut.length === 0) return null;
  return (
    <Notice tone="attention" title={t('leftOut.title')}>
      <ul className="list-disc pl-5">
        {leftOut.map(({ code, count }) => (
          <li key={code}>{t(`leftOut.${code}`, { count })}</li>
        ))}
      </ul>
    </Notice>
  );
}

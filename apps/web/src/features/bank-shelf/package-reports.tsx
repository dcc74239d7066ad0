import type { OutputOf, routes } from '@semita/core/contract';
import { plainWords } from '@semita/core/text';
import { useQuery } from '@tanstack/react-query';
import { call, pathOf } from '../../api/client.ts';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Notice } from '../../ui/notice.tsx';
import { QueryView } from '../../ui/query-view.tsx';
import { findWords, t } from '../../words/words.ts';
import './words.ts';

/** What came in, and what of it could not be taken over. */
export function TakenReport({
  report: { count, leftOut },
  onClose,
}: {
  readonly report: OutputOf<(typeof routes)['takeInPackage']>;
  readonly onClose: () => void;
}) {
  return (
    <Notice tone={leftOut.length > 0 ? 'attention' : 'info'} role="status" title={t('bank.taken', { count })}>
      {leftOut.length > 0 && (
        <>
          <p>{t('bank.leftOut')}</p>
          <ul className="list-disc pl-5">
            {leftOut.map(({ code, count: times }) => (
              <li key={code}>{t(`qti.${code}`, { count: times })}</li>
            ))}
          </ul>
        </>
      )}
      <div>
        <Button size="small" onClick={onClose}>
          {t('app.close')}
        </Button>
      </div>
    </Notice>
  );
}

interface WriteProps {
  readonly itemIds: readonly string[];
  readonly onClose: () => void;
}

/** Before a package goes out: what other programs will not find in it. */
export function WriteOut({ itemIds, onClose }: WriteProps) {
  const params = { itemIds: itemIds.join(',') };
  const report = useQuery({
    queryKey: ['bank', 'package', params.itemIds],
    queryFn: () => call('describePackage', { params }),
  });
  return (
    <Dialog
      open
      title={t('bank.writeOut')}
      description={t('bank.writeOutHelp', { count: itemIds.length })}
      onOpenChange={(open) => !open && onClose()}
    >
      <QueryView query={report}>
        {(lost) => (
          <div className="grid grid-cols-[minmax(0,1fr)] gap-4">
            {lost.length === 0 ? (
              <p>{t('bank.losesNothing')}</p>
            ) : (
              <>
                <p className="text-14">{t('bank.loses')}</p>
                <ul className="grid grid-cols-[minmax(0,1fr)] gap-2 text-14">
                  {lost.map(({ stem, fields }, index) => (
                    // biome-ignore lint/suspicious/noArrayIndexKey: two questions may ask the same
                    <li key={index} className="border-l-2 border-line pl-3">
                      <p className="truncate font-medium">{plainWords(stem)}</p>
                      <p className="text-quiet">{fieldWords(fields)}</p>
                    </li>
                  ))}
                </ul>
              </>
            )}
            <div>
              <a className={buttonStyle({ look: 'main' })} href={pathOf('writePackage', params)} download>
                {t('bank.download')}
              </a>
            </div>
          </div>
        )}
      </QueryView>
    </Dialog>
  );
}

/** Fields in a teacher's words; those that belong together once. */
function fieldWords(fields: readonly string[]): string {
  return [...new Set(fields.map((field) => findWords(`qtiField.${field}`) ?? t('qtiField.other')))].join(', ');
}

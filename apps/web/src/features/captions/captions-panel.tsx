import type { Material } from '@semita/core/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { ApiError } from '../../api/api-error.ts';
import { callWithFile, pathOf } from '../../api/client.ts';
import { Button } from '../../ui/button.tsx';
import { FileButton } from '../../ui/file-button.tsx';
import { ErrorNotice, Notice } from '../../ui/notice.tsx';
import { findWords, t } from '../../words/words.ts';
import { draftOptions } from '../draft/queries.ts';
import { captionsOptions } from '../film/queries.ts';
import './words.ts';

interface CaptionFault {
  readonly line: number;
  readonly code: string;
  readonly kept: boolean;
}

const maxShown = 8;

/** Captions of a film: bring in, bring in others, save. Faults are told by line. */
export function CaptionsPanel({
  material,
  lessonId,
  onCorrect,
}: {
  readonly material: Material;
  readonly lessonId: string;
  readonly onCorrect: () => void;
}) {
  const queryClient = useQueryClient();
  const params = { materialId: material.id };
  const bringIn = useMutation({
    mutationFn: (file: File) => callWithFile('bringInCaptions', params, file),
    onSuccess: async () => {
      await queryClient.invalidateQueries(captionsOptions(material.id));
      await queryClient.invalidateQueries(draftOptions(lessonId));
    },
  });
  const faults = bringIn.data?.faults ?? faultsOf(bringIn.error);
  return (
    <section aria-labelledby="captions" className="grid gap-2">
      <h2 id="captions" className="text-16">
        {t('captions.title')}
      </h2>
      <div className="flex flex-wrap items-center gap-2">
        <FileButton size="small" accept=".vtt,.srt,text/vtt" onFile={(file) => bringIn.mutate(file)}>
          {material.captionCount > 0 ? t('captions.replace') : t('captions.bringIn')}
        </FileButton>
        {material.captionCount > 0 && (
          <Button size="small" onClick={onCorrect}>
            {t('captions.correct')}
          </Button>
        )}
        {material.captionCount > 0 && (
          <a className="text-14 text-main underline" href={pathOf('writeSrt', params)} download>
            {t('captions.downloadSrt')}
          </a>
        )}
        {material.captionCount > 0 && (
          <a className="text-14 text-main underline" href={pathOf('writeCaptions', params)} download>
            {t('captions.download')}
          </a>
        )}
      </div>
      <p className="text-13 text-quiet">{t('captions.help')}</p>
      {bringIn.isError && <ErrorNotice error={bringIn.error} />}
      {bringIn.data && <p role="status">{t('captions.taken', { count: bringIn.data.cueCount })}</p>}
      {faults.length > 0 && (
        <Notice tone="attention" title={t('captions.faults')}>
          <ul className="grid gap-1">
            {faults.slice(0, maxShown).map((fault) => (
              <li key={`${fault.line}${fault.code}`}>
                {t('captions.line', { line: fault.line, what: findWords(`captions.${fault.code}`) ?? '' })}
                {!fault.kept && fault.code !== 'notCaptions' && t('captions.left')}
              </li>
            ))}
            {faults.length > maxShown && <li>{t('captions.more', { count: faults.length - maxShown })}</li>}
          </ul>
        </Notice>
      )}
    </section>
  );
}

function faultsOf(error: unknown): readonly CaptionFault[] {
  if (!(error instanceof ApiError) || error.code !== 'captionsUnreadable') return [];
  return (error.detail as { faults: readonly CaptionFault[] }).faults;
}

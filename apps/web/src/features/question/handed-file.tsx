import type { Drawing, HandedFile } from '@semita/core/question';
import { FileText, X } from 'lucide-react';
import { lazy, Suspense } from 'react';
import { Button } from '../../ui/button.tsx';
import { formatBytes } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import { useAnswerFiles } from './answer-files.ts';
import './words.ts';

const DrawnFile = lazy(async () => ({ default: (await import('./drawn-file.tsx')).DrawnFile }));

interface Props {
  readonly files: readonly HandedFile[];
  /** What a teacher drew on pictures, by file. */
  readonly drawn?: Readonly<Record<string, Drawing>>;
  readonly onRemove?: (index: number) => void;
}

/** Files somebody handed in, each as it can be looked at. */
export function HandedFileList({ files, drawn = {}, onRemove }: Props) {
  if (files.length === 0) return null;
  return (
    <ul className="grid gap-2">
      {files.map((file, index) => (
        <li key={file.fileId} className="grid gap-2 rounded-control border border-line bg-paper p-2">
          <FileLook file={file} over={drawn[file.fileId]} />
          {onRemove && (
            <div>
              <Button
                size="small"
                aria-label={t('question.removeFile', { name: file.name })}
                onClick={() => onRemove(index)}
              >
                <X aria-hidden className="size-4" strokeWidth={1.75} />
                {t('question.remove')}
              </Button>
            </div>
          )}
        </li>
      ))}
    </ul>
  );
}

function FileLook({ file, over }: { readonly file: HandedFile; readonly over: Drawing | undefined }) {
  const { addressOf } = useAnswerFiles();
  const address = addressOf(file.fileId);
  if (file.mimeType.startsWith('image/') && over)
    return (
      <Suspense fallback={<p className="text-quiet">{t('app.loading')}</p>}>
        <DrawnFile address={address} name={file.name} over={over} />
      </Suspense>
    );
  if (file.mimeType.startsWith('image/'))
    return (
      <a href={address} target="_blank" rel="noreferrer">
        <img src={address} alt={file.name} className="max-h-72 max-w-full rounded-control object-contain" />
      </a>
    );
  if (file.mimeType.startsWith('audio/'))
    // biome-ignore lint/a11y/useMediaCaption: a student's own voice has no captions
    return <audio controls src={address} aria-label={file.name} className="w-full" />;
  if (file.mimeType.startsWith('video/'))
    // biome-ignore lint/a11y/useMediaCaption: a student's own film has no captions
    return <video controls src={address} aria-label={file.name} className="max-h-80 w-full bg-film" />;
  return (
    <a href={address} target="_blank" rel="noreferrer" className="flex items-center gap-2 text-main underline">
      <FileText aria-hidden className="size-4 shrink-0" strokeWidth={1.75} />
      <span className="min-w-0 truncate">{file.name}</span>
      <span className="shrink-0 text-14 text-quiet">{formatBytes(file.byteLength)}</span>
    </a>
  );
}

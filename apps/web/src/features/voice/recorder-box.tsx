import { type ComponentProps, lazy, type ReactNode, Suspense } from 'react';
import { Button } from '../../ui/button.tsx';
import { t } from '../../words/words.ts';
import type { ShelfRecorder as ShelfRecorderType } from './shelf-recorder.tsx';

/** Loaded when somebody records, which is seldom. */
const ShelfRecorder = lazy(async () => ({ default: (await import('./shelf-recorder.tsx')).ShelfRecorder }));

interface Props extends ComponentProps<typeof ShelfRecorderType> {
  /** What is recorded here, and how. */
  readonly children: ReactNode;
  readonly onClose: () => void;
}

/** A recorder in its place on the page, which can be closed again. */
export function RecorderBox({ children, onClose, ...recorder }: Props) {
  return (
    <section className="grid gap-2 rounded-control border border-line p-3">
      <div className="flex items-start justify-between gap-2">
        <div>{children}</div>
        <Button size="small" look="quiet" onClick={onClose}>
          {t('app.close')}
        </Button>
      </div>
      <Suspense fallback={<p className="text-quiet">{t('app.loading')}</p>}>
        <ShelfRecorder {...recorder} />
      </Suspense>
    </section>
  );
}

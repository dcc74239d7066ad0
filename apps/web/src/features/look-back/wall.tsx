import { ArrowLeft, ArrowRight, X } from 'lucide-react';
import { Dialog as Radix } from 'radix-ui';
import { type ReactNode, useCallback, useEffect, useRef, useState } from 'react';
import { Button } from '../../ui/button.tsx';
import { t } from '../../words/words.ts';
import './words.ts';

interface Props {
  readonly title: string;
  readonly count: number;
  /** A page, and how much larger than usual it stands there. */
  readonly children: (index: number, zoom: number) => ReactNode;
  readonly onClose: () => void;
}

/** So wide is a page; whatever the screen, it is filled with as much. */
const pageWidthPx = 660;
const zoomNow = (): number => Math.max(1, window.innerWidth / pageWidthPx);

/** Over the whole screen, where the browser lets a page; else it fills the window. Called by whoever is pressed. */
export function fillScreen(): void {
  void document.documentElement.requestFullscreen?.().catch(() => {});
}

// Up and down scroll what is longer than the screen.
const forth = ['ArrowRight', 'PageDown', ' '];
const back = ['ArrowLeft', 'PageUp'];

/** Pages one by one over the whole screen, large enough for the back row; by keys, and by what presenters hold in their hands. */
export function Wall({ title, count, children, onClose }: Props) {
  const [at, setAt] = useState(0);
  const [zoom, setZoom] = useState(zoomNow);
  const go = useCallback((by: number) => setAt((now) => Math.min(count - 1, Math.max(0, now + by))), [count]);
  const page = useRef<HTMLElement>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the keys that scroll go to the page that is shown now
  useEffect(() => page.current?.focus(), [at]);
  const close = useRef(onClose);
  close.current = onClose;
  useEffect(() => {
    let wasFull = document.fullscreenElement !== null;
    const onResize = () => setZoom(zoomNow());
    // Escape leaves the full screen without anybody being told of the key.
    const onFullScreen = () => {
      const isFull = document.fullscreenElement !== null;
      if (wasFull && !isFull) close.current();
      wasFull = isFull;
    };
    window.addEventListener('resize', onResize);
    document.addEventListener('fullscreenchange', onFullScreen);
    return () => {
      window.removeEventListener('resize', onResize);
      document.removeEventListener('fullscreenchange', onFullScreen);
    };
  }, []);
  const leave = () => {
    if (document.fullscreenElement) void document.exitFullscreen();
    onClose();
  };
  const onKeyDown = (event: React.KeyboardEvent) => {
    const isOnButton = event.target instanceof HTMLButtonElement;
    if (event.key === ' ' && isOnButton) return;
    const by = forth.includes(event.key) ? 1 : back.includes(event.key) ? -1 : 0;
    if (by === 0) return;
    event.preventDefault();
    go(by);
  };
  return (
    <Radix.Root open onOpenChange={(isOpen) => !isOpen && leave()}>
      <Radix.Portal>
        <Radix.Content
          aria-describedby={undefined}
          onKeyDown={onKeyDown}
          className="fixed inset-0 z-50 flex flex-col bg-paper text-ink outline-none"
        >
          <Radix.Title className="sr-only">{title}</Radix.Title>
          <section
            key={at}
            ref={page}
            // biome-ignore lint/a11y/noNoninteractiveTabindex: what is longer than the screen is scrolled by keys
            tabIndex={0}
            aria-label={t('lookBack.of', { at: at + 1, count })}
            aria-live="polite"
            className="min-h-0 grow overflow-y-auto outline-none"
          >
            <div style={{ zoom }} className="mx-auto grid max-w-4xl content-start px-6 py-5">
              {children(at, zoom)}
            </div>
          </section>
          <footer className="flex items-center gap-2 border-t border-line bg-card px-4 py-2">
            <Button look="quiet" onClick={leave}>
              <X aria-hidden className="size-4" strokeWidth={1.75} />
              {t('lookBack.leave')}
            </Button>
            <p className="grow text-center text-14 text-quiet">{t('lookBack.of', { at: at + 1, count })}</p>
            <Button disabled={at === 0} onClick={() => go(-1)}>
              <ArrowLeft aria-hidden className="size-4" strokeWidth={1.75} />
              {t('lookBack.previous')}
            </Button>
            <Button look="main" disabled={at === count - 1} onClick={() => go(1)}>
              {t('lookBack.next')}
              <ArrowRight aria-hidden className="size-4" strokeWidth={1.75} />
            </Button>
          </footer>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

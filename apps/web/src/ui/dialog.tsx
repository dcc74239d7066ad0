import { X } from 'lucide-react';
import { Dialog as Radix } from 'radix-ui';
import { type ReactNode, useCallback, useRef, useState } from 'react';
import { t } from '../words/words.ts';
import { Button } from './button.tsx';
import { joinClasses } from './join-classes.ts';
import { KeptWordsProvider } from './kept-words.ts';

interface Props {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly title: string;
  readonly description?: string | undefined;
  /** A sheet stands at the right edge and keeps the page in view; a box stands in the middle, a wide one takes most of the page. */
  readonly place?: 'box' | 'wide' | 'side';
  /** What is done in it is kept as it is done, so that nothing is lost by closing. */
  readonly keepsAtOnce?: boolean;
  readonly children: ReactNode;
}

/**
 * A dialog. Nothing that was typed in it goes away unasked: Escape, a press outside and its close button all ask first
 * where something was.
 */
export function Dialog({ open, onOpenChange, title, description, place = 'box', keepsAtOnce, children }: Props) {
  const changed = useRef(new Map<Element, string>());
  const body = useRef<HTMLDivElement>(null);
  const opener = useRef<Element | null>(null);
  const wasOpen = useRef(false);
  // Before anything in it takes the focus, also by itself.
  if (open && !wasOpen.current) opener.current = document.activeElement;
  wasOpen.current = open;
  const [isAsking, setIsAsking] = useState(false);
  const settle = useCallback((inside?: Element | null) => {
    for (const element of changed.current.keys())
      if (!inside || inside.contains(element)) changed.current.delete(element);
  }, []);
  const leave = () => {
    changed.current.clear();
    setIsAsking(false);
    onOpenChange(false);
  };
  const onRadixChange = (next: boolean) => {
    if (next || keepsAtOnce || !hasUnsaved(changed.current)) {
      if (!next) changed.current.clear();
      onOpenChange(next);
    } else setIsAsking(true);
  };
  /** What a field held before anything was typed in it. */
  const onFocus = ({ target }: { readonly target: EventTarget }) => {
    if (isField(target) && !changed.current.has(target)) changed.current.set(target, contentOf(target));
  };
  const onInput = ({ target }: { readonly target: EventTarget }) => {
    // Typed in before it was seen to have the focus: what it held is not known, so it counts as changed.
    if (isField(target) && !changed.current.has(target)) changed.current.set(target, '\0');
  };
  return (
    <Radix.Root open={open} onOpenChange={onRadixChange}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-film/40" />
        <Radix.Content
          {...(description ? {} : { 'aria-describedby': undefined })}
          onFocusCapture={onFocus}
          onInputCapture={onInput}
          onOpenAutoFocus={(event) => {
            event.preventDefault();
            // What is still being loaded has no field yet: then the dialog itself, which says its title.
            (firstControlIn(body.current) ?? (event.currentTarget as HTMLElement)).focus();
          }}
          onCloseAutoFocus={(event) => {
            // Back to what opened it, unless the focus has been led on to what comes next.
            event.preventDefault();
            if (document.activeElement !== document.body) return;
            if (opener.current instanceof HTMLElement && opener.current.isConnected) opener.current.focus();
          }}
          className={joinClasses(
            'fixed z-50 flex flex-col bg-card shadow-float',
            place !== 'side' && 'top-1/2 left-1/2 max-h-[94dvh] -translate-x-1/2 -translate-y-1/2 rounded-card',
            place === 'box' && 'w-[min(32rem,94vw)]',
            place === 'wide' && 'w-[min(60rem,96vw)]',
            place === 'side' && 'top-0 right-0 h-dvh w-[min(40rem,96vw)]',
          )}
        >
          <header className="flex items-start gap-4 border-b border-line px-5 py-4">
            <div className="min-w-0 grow">
              <Radix.Title className="text-18">{title}</Radix.Title>
              {description && <Radix.Description className="text-14 text-quiet">{description}</Radix.Description>}
            </div>
            <Radix.Close className="-m-1 rounded-control p-2 hover:bg-main-tint" aria-label={t('app.close')}>
              <X aria-hidden className="size-5" strokeWidth={1.75} />
            </Radix.Close>
          </header>
          {isAsking && (
            <div
              role="alertdialog"
              aria-label={t('app.throwAwayTitle')}
              className="flex flex-wrap items-center gap-3 border-b border-line bg-marigold-tint px-5 py-3"
            >
              <p className="grow text-14">{t('app.throwAwayTitle')}</p>
              <Button size="small" look="main" autoFocus onClick={() => setIsAsking(false)}>
                {t('app.keepWriting')}
              </Button>
              <Button size="small" onClick={leave}>
                {t('app.throwAway')}
              </Button>
            </div>
          )}
          <div ref={body} className="min-h-0 grow overflow-y-auto px-5 py-4">
            <KeptWordsProvider value={settle}>{children}</KeptWordsProvider>
          </div>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

/** Closes the dialog it stands in, asking first where something was typed. */
export function DialogClose({ children }: { readonly children: ReactNode }) {
  return (
    <Radix.Close asChild>
      <Button>{children}</Button>
    </Radix.Close>
  );
}

/** Whoever opens a dialog came to do something in it, not to close it: its first field, else its first button or link. */
function firstControlIn(body: HTMLElement | null): HTMLElement | null {
  const fields = 'input:not([type=hidden], [type=file], :disabled), textarea:not(:disabled), select:not(:disabled)';
  return (
    body?.querySelector<HTMLElement>(fields) ??
    body?.querySelector<HTMLElement>('button:not(:disabled), a[href]') ??
    null
  );
}

type Field = HTMLInputElement | HTMLTextAreaElement;

/** Fields in which somebody writes; what is only searched for is nobody's work. */
function isField(target: EventTarget): target is Field {
  if (target instanceof HTMLTextAreaElement) return true;
  return target instanceof HTMLInputElement && !['search', 'range', 'button', 'submit', 'file'].includes(target.type);
}

const contentOf = (field: Field): string =>
  field instanceof HTMLInputElement && ['checkbox', 'radio'].includes(field.type) ? String(field.checked) : field.value;

function hasUnsaved(changed: ReadonlyMap<Element, string>): boolean {
  return [...changed].some(([element, before]) => element.isConnected && contentOf(element as Field) !== before);
}

import { Keyboard } from 'lucide-react';
import { useEffect, useState } from 'react';
import { t } from '../words/words.ts';
import { Button } from './button.tsx';
import { Dialog } from './dialog.tsx';
import { isWriting } from './is-writing.ts';

export interface KeyGroup {
  readonly title: string;
  /** What is pressed, and what it does. */
  readonly keys: readonly (readonly [pressed: string, does: string])[];
}

/** The keys of a place, opened by its button or by `?`. */
export function KeyHelp({ groups }: { readonly groups: readonly KeyGroup[] }) {
  const [isOpen, setIsOpen] = useState(false);
  useEffect(() => {
    const onKeyDown = (event: KeyboardEvent) => {
      if (event.key !== '?' || isWriting(event.target)) return;
      event.preventDefault();
      setIsOpen(true);
    };
    window.addEventListener('keydown', onKeyDown);
    return () => window.removeEventListener('keydown', onKeyDown);
  }, []);
  return (
    <>
      <Button look="quiet" size="small" onClick={() => setIsOpen(true)}>
        <Keyboard aria-hidden className="size-4" strokeWidth={1.75} />
        {t('keys.title')}
      </Button>
      <Dialog open={isOpen} onOpenChange={setIsOpen} title={t('keys.title')}>
        <div className="grid gap-5">
          {groups.map((group) => (
            <section key={group.title} className="grid gap-2">
              <h3 className="text-16">{group.title}</h3>
              <dl className="grid grid-cols-[9rem_1fr] gap-y-1.5 text-14">
                {group.keys.map(([pressed, does]) => (
                  <div key={pressed} className="contents">
                    <dt className="font-mono text-13 text-quiet">{pressed}</dt>
                    <dd>{does}</dd>
                  </div>
                ))}
              </dl>
            </section>
          ))}
        </div>
      </Dialog>
    </>
  );
}

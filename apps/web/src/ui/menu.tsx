import { Ellipsis } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import type { ReactNode } from 'react';
import { joinClasses } from './join-classes.ts';

interface Props {
  readonly label: string;
  /** What opens it; three dots where nothing else is said. */
  readonly trigger?: ReactNode;
  readonly triggerClassName?: string;
  readonly children: ReactNode;
}

/** What can be done with something, behind one button. */
export function Menu({ label, trigger, triggerClassName, children }: Props) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        aria-label={label}
        className={joinClasses(
          'rounded-control hover:bg-main-tint',
          trigger ? 'flex min-h-8 items-center gap-1.5 px-2 text-14' : 'grid size-8 place-items-center',
          triggerClassName,
        )}
      >
        {trigger ?? <Ellipsis aria-hidden className="size-4" strokeWidth={1.75} />}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          className="z-50 min-w-48 rounded-card border border-line bg-card p-1.5 text-ink shadow-float"
        >
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

export function MenuItem({ onSelect, children }: { readonly onSelect: () => void; readonly children: ReactNode }) {
  return (
    <DropdownMenu.Item
      className="flex items-center gap-2 rounded-control px-3 py-2 text-14 outline-none data-highlighted:bg-main-tint"
      onSelect={onSelect}
    >
      {children}
    </DropdownMenu.Item>
  );
}

/** A file that is saved. */
export function MenuDownload({ href, children }: { readonly href: string; readonly children: ReactNode }) {
  return (
    <DropdownMenu.Item asChild>
      <a
        href={href}
        download
        className="flex items-center gap-2 rounded-control px-3 py-2 text-14 outline-none data-highlighted:bg-main-tint"
      >
        {children}
      </a>
    </DropdownMenu.Item>
  );
}

export const MenuLine = () => <DropdownMenu.Separator className="my-1 h-px bg-line" />;

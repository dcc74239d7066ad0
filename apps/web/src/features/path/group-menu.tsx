import { useQuery } from '@tanstack/react-query';
import { Check, ChevronDown, Users } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { buttonStyle } from '../../ui/button.tsx';
import { t } from '../../words/words.ts';
import { groupsOptions } from '../classes/queries.ts';
import './words.ts';

interface Props {
  /** What it is about, for screen readers. */
  readonly of: string;
  readonly onlyFor: readonly string[] | undefined;
  readonly onChange: (onlyFor: readonly string[] | undefined) => void;
}

/** For whom something is: everybody, or some groups of the class. Nothing where no class has groups. */
export function GroupMenu({ of, onlyFor, onChange }: Props) {
  const known = useQuery(groupsOptions());
  const names = [...new Set([...(known.data ?? []), ...(onlyFor ?? [])])];
  if (names.length === 0) return null;
  const toggle = (name: string) => {
    const now = onlyFor ?? [];
    const next = now.includes(name) ? now.filter((one) => one !== name) : [...now, name];
    onChange(next.length > 0 ? next : undefined);
  };
  const itemStyle =
    'flex items-center gap-2 rounded-control px-2 py-1.5 text-14 outline-none data-highlighted:bg-main-tint';
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        aria-label={t('path.forWhom', { of })}
        className={buttonStyle({ look: 'quiet', size: 'small' })}
      >
        <Users aria-hidden className="size-4" strokeWidth={1.75} />
        {onlyFor ? t('path.onlyFor', { groups: onlyFor.join(', ') }) : t('path.forAll')}
        <ChevronDown aria-hidden className="size-4" strokeWidth={1.75} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="start"
          className="z-60 max-h-[60dvh] overflow-y-auto rounded-card border border-line bg-card p-2 shadow-float"
        >
          {names.map((name) => (
            <DropdownMenu.CheckboxItem
              key={name}
              checked={onlyFor?.includes(name) ?? false}
              onCheckedChange={() => toggle(name)}
              onSelect={(event) => event.preventDefault()}
              className={itemStyle}
            >
              <span className="w-4">
                <DropdownMenu.ItemIndicator>
                  <Check aria-hidden className="size-4" strokeWidth={1.75} />
                </DropdownMenu.ItemIndicator>
              </span>
              {name}
            </DropdownMenu.CheckboxItem>
          ))}
          <DropdownMenu.Item onSelect={() => onChange(undefined)} className={itemStyle}>
            <span className="w-4" />
            {t('path.forAll')}
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

import type { Inset } from '@semita/core/lesson';
import { useQuery } from '@tanstack/react-query';
import { Film, X } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { MaterialIcon } from '../../ui/material-icon.tsx';
import { t } from '../../words/words.ts';
import { materialsOptions } from '../materials/queries.ts';
import './words.ts';

/** Chooses a film or a sound that will stand in the text at the cursor. */
export function InsetMenu({
  onChoose,
}: {
  readonly onChoose: (material: { readonly id: string; readonly title: string }) => void;
}) {
  const materials = useQuery(materialsOptions());
  const media = (materials.data ?? []).filter(
    ({ kind, status }) => status === 'ready' && (kind === 'film' || kind === 'sound'),
  );
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className={buttonStyle({ size: 'small', look: 'quiet' })}>
        <Film aria-hidden className="size-4" strokeWidth={1.75} />
        {t('inset.add')}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="z-50 max-h-80 max-w-80 overflow-y-auto rounded-card border border-line bg-card p-1.5 text-ink shadow-float">
          <DropdownMenu.Label className="px-3 py-1 text-13 text-quiet">
            {t(media.length > 0 ? 'inset.choose' : 'inset.none')}
          </DropdownMenu.Label>
          {media.map(({ id, title, kind }) => (
            <DropdownMenu.Item
              key={id}
              onSelect={() => onChoose({ id, title })}
              className="flex items-center gap-2 rounded-control px-3 py-2 text-14 outline-none data-highlighted:bg-main-tint"
            >
              <MaterialIcon kind={kind} />
              {title}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

/** A film or a sound between two lines of the script. */
export function InsetLine({ inset, onRemove }: { readonly inset: Inset; readonly onRemove: () => void }) {
  return (
    <p className="my-1 flex items-center gap-2 rounded-control border border-line border-l-4 border-l-edge bg-card py-1 pr-1 pl-3 text-14">
      <Film aria-hidden className="size-4 text-slate" strokeWidth={1.75} />
      <span className="min-w-0 grow truncate">{t('inset.words', { title: inset.title })}</span>
      <Button size="small" look="quiet" aria-label={t('inset.remove', { title: inset.title })} onClick={onRemove}>
        <X aria-hidden className="size-4" strokeWidth={1.75} />
      </Button>
    </p>
  );
}

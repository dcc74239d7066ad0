import type { LessonPicture } from '@semita/core/elements';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Crop, Images, ImageUp } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { lazy, Suspense, useContext, useState } from 'react';
import { pathOf } from '../../api/client.ts';
import { Button, buttonStyle } from '../../ui/button.tsx';
import { Field, TextInput } from '../../ui/field.tsx';
import { FileButton } from '../../ui/file-button.tsx';
import { errorWords, Notice } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { materialsOptions } from '../materials/queries.ts';
import { bringInQuietly } from '../materials/upload.ts';
import { RegionSources } from './region-source.ts';
import './words.ts';

/** Loaded when a picture is cut out, which is seldom. */
const RegionDialog = lazy(async () => ({ default: (await import('./region-dialog.tsx')).RegionDialog }));

interface Props {
  readonly label: string;
  readonly picture: LessonPicture | undefined;
  /** It shows nothing that must be known: no words are asked for. */
  readonly isDecoration?: boolean;
  readonly onChange: (picture: LessonPicture | undefined) => void;
}

/** A picture that belongs to something: cut out of a material, from a file or from the shelf, with its words. */
export function PictureField({ label, picture, isDecoration = false, onChange }: Props) {
  const sources = useContext(RegionSources);
  const queryClient = useQueryClient();
  const [isCutting, setIsCutting] = useState(false);
  const bringIn = useMutation({
    mutationFn: async (file: File) => {
      const materialId = await bringInQuietly(file);
      await queryClient.invalidateQueries(materialsOptions());
      return { materialId, alt: '' };
    },
    onSuccess: onChange,
  });
  if (picture)
    return (
      <div className="grid grid-cols-[6rem_1fr] gap-3">
        <img
          src={pathOf('streamMedia', { materialId: picture.materialId })}
          alt=""
          className="max-h-24 w-full rounded-control border border-line object-contain"
        />
        <div className="grid content-start gap-1.5">
          {isDecoration ? (
            <p className="text-14">{label}</p>
          ) : (
            <Field label={t('picture.alt')} error={picture.alt.trim() === '' ? t('picture.altMissing') : undefined}>
              {(ids) => (
                <TextInput
                  {...ids}
                  className="h-9 text-14"
                  value={picture.alt}
                  onChange={(event) => onChange({ ...picture, alt: event.target.value })}
                />
              )}
            </Field>
          )}
          <div>
            <Button size="small" look="quiet" onClick={() => onChange(undefined)}>
              {t('picture.remove')}
            </Button>
          </div>
        </div>
      </div>
    );
  return (
    <fieldset className="flex flex-wrap items-center gap-2" aria-label={label}>
      <span className="text-14 text-quiet">{label}</span>
      {sources.length > 0 && (
        <Button size="small" onClick={() => setIsCutting(true)}>
          <Crop aria-hidden className="size-4" strokeWidth={1.75} />
          {t('picture.cut')}
        </Button>
      )}
      <FileButton
        size="small"
        accept="image/png,image/jpeg,image/webp,image/gif"
        disabled={bringIn.isPending}
        onFile={(file) => bringIn.mutate(file)}
      >
        <ImageUp aria-hidden className="size-4" strokeWidth={1.75} />
        {t('picture.file')}
      </FileButton>
      <ShelfPictures onChoose={(materialId) => onChange({ materialId, alt: '' })} />
      {bringIn.isError && (
        <Notice tone="danger" role="alert">
          {errorWords(bringIn.error)}
        </Notice>
      )}
      {isCutting && (
        <Suspense>
          <RegionDialog
            sources={sources}
            onClose={() => setIsCutting(false)}
            onTaken={(taken) => {
              setIsCutting(false);
              onChange(taken);
            }}
          />
        </Suspense>
      )}
    </fieldset>
  );
}

function ShelfPictures({ onChoose }: { readonly onChoose: (materialId: string) => void }) {
  const materials = useQuery(materialsOptions());
  const pictures = (materials.data ?? []).filter((one) => one.kind === 'picture' && one.status === 'ready');
  if (pictures.length === 0) return null;
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className={buttonStyle({ size: 'small' })}>
        <Images aria-hidden className="size-4" strokeWidth={1.75} />
        {t('picture.shelf')}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="z-60 grid max-h-80 max-w-80 grid-cols-3 gap-1 overflow-y-auto rounded-card border border-line bg-card p-1.5 shadow-float">
          {pictures.map(({ id, title }) => (
            <DropdownMenu.Item
              key={id}
              onSelect={() => onChoose(id)}
              className="rounded-control p-1 outline-none data-highlighted:bg-main-tint"
            >
              <img src={pathOf('streamMedia', { materialId: id })} alt={title} className="h-16 w-full object-contain" />
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

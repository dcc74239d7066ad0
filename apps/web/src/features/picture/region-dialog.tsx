import type { LessonPicture } from '@semita/core/elements';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { type PercentCrop, ReactCrop } from 'react-image-crop';
import 'react-image-crop/dist/ReactCrop.css';
import { Button } from '../../ui/button.tsx';
import { Dialog } from '../../ui/dialog.tsx';
import { Field, Select, TextInput } from '../../ui/field.tsx';
import { errorWords } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { materialsOptions } from '../materials/queries.ts';
import { bringInQuietly } from '../materials/upload.ts';
import { cutOut, type Region } from './raster.ts';
import { RegionPlace } from './region-place.tsx';
import type { RegionSource } from './region-source.ts';
import './words.ts';

interface Props {
  readonly sources: readonly RegionSource[];
  readonly onTaken: (picture: LessonPicture) => void;
  readonly onClose: () => void;
}

const whole: Region = { x: 0, y: 0, width: 100, height: 100 };
/** Where a rectangle begins that is not drawn with the mouse. */
const middle: PercentCrop = { unit: '%', x: 25, y: 25, width: 50, height: 50 };
/** Smaller is a click and no rectangle. */
const minPercent = 1;

/** Drags a rectangle on a page, a slide or a frame and makes a picture of it, with words for it. */
export function RegionDialog({ sources, onTaken, onClose }: Props) {
  const queryClient = useQueryClient();
  const [sourceId, setSourceId] = useState(sources[0]?.id ?? '');
  const source = sources.find((one) => one.id === sourceId) ?? sources[0];
  const [drawn, setDrawn] = useState<HTMLCanvasElement | null>(null);
  const [crop, setCrop] = useState<PercentCrop>();
  const [alt, setAlt] = useState('');
  const isDrawn = crop !== undefined && crop.width >= minPercent && crop.height >= minPercent;
  const region: Region = isDrawn ? crop : whole;
  const take = useMutation({
    mutationFn: async (canvas: HTMLCanvasElement) => {
      const blob = await cutOut(canvas, region);
      const name = alt.trim().slice(0, 60) || t('picture.name', { title: source?.title ?? '' });
      const materialId = await bringInQuietly(new File([blob], `${name}.png`, { type: 'image/png' }));
      await queryClient.invalidateQueries(materialsOptions());
      return { materialId, alt: alt.trim() };
    },
    onSuccess: onTaken,
  });
  return (
    <Dialog
      open
      place="wide"
      onOpenChange={(open) => {
        if (!open) onClose();
      }}
      title={t('picture.cutTitle')}
      description={t('picture.cutHelp')}
    >
      <div className="grid gap-4">
        <div className="flex flex-wrap items-end gap-4">
          {sources.length > 1 && (
            <Field label={t('picture.from')}>
              {(ids) => (
                <Select
                  {...ids}
                  className="w-full max-w-72"
                  value={sourceId}
                  onChange={(event) => {
                    setSourceId(event.target.value);
                    setDrawn(null);
                    setCrop(undefined);
                  }}
                >
                  {sources.map((one) => (
                    <option key={one.id} value={one.id}>
                      {one.title}
                    </option>
                  ))}
                </Select>
              )}
            </Field>
          )}
          <div className="min-w-72 grow">
            {source && <RegionPlace key={source.id} source={source} onDrawn={setDrawn} />}
          </div>
        </div>
        <div className="grid min-h-48 place-items-center rounded-control border border-line bg-paper p-2">
          {drawn ? (
            <ReactCrop
              {...(crop ? { crop } : {})}
              ariaLabels={cropLabels()}
              onChange={(_, percent) => setCrop(percent)}
            >
              <Drawn canvas={drawn} />
            </ReactCrop>
          ) : (
            <p role="status" className="text-quiet">
              {t('picture.drawing')}
            </p>
          )}
        </div>
        <div className="-mt-2 flex items-center gap-3 text-14 text-quiet">
          <span>{t(isDrawn ? 'picture.partTaken' : 'picture.wholeTaken')}</span>
          <Button size="small" look="quiet" onClick={() => setCrop(isDrawn ? undefined : middle)}>
            {t(isDrawn ? 'picture.takeWhole' : 'picture.byKeys')}
          </Button>
        </div>
        <form
          className="flex flex-wrap items-end gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            if (drawn) take.mutate(drawn);
          }}
        >
          <div className="min-w-72 grow">
            <Field
              label={t('picture.alt')}
              help={t('picture.altHelp')}
              error={take.isError ? errorWords(take.error) : undefined}
            >
              {(ids) => (
                <TextInput
                  {...ids}
                  className="h-9 text-14"
                  value={alt}
                  onChange={(event) => setAlt(event.target.value)}
                />
              )}
            </Field>
          </div>
          <Button type="submit" look="main" className="mb-6" disabled={!drawn || take.isPending}>
            {t(take.isPending ? 'picture.taking' : 'picture.take')}
          </Button>
        </form>
      </div>
    </Dialog>
  );
}

/** Shows a canvas that was drawn elsewhere, scaled to the room there is. */
function Drawn({ canvas }: { readonly canvas: HTMLCanvasElement }) {
  const place = useRef<HTMLDivElement>(null);
  useEffect(() => {
    canvas.style.cssText = 'display:block;max-width:100%;max-height:52dvh';
    place.current?.replaceChildren(canvas);
  }, [canvas]);
  return <div ref={place} />;
}

const cropLabels = () => {
  const edge = t('picture.edge');
  return {
    cropArea: t('picture.area'),
    ...{ nwDragHandle: edge, nDragHandle: edge, neDragHandle: edge, eDragHandle: edge },
    ...{ seDragHandle: edge, sDragHandle: edge, swDragHandle: edge, wDragHandle: edge },
  };
};

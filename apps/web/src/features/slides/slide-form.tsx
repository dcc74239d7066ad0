import type { MadeSlide } from '@semita/core/deck';
import { useQuery } from '@tanstack/react-query';
import { Field, Select, TextArea, TextInput } from '../../ui/field.tsx';
import { t } from '../../words/words.ts';
import { materialsOptions } from '../materials/queries.ts';
import { PictureField } from '../picture/picture-field.tsx';
import './words.ts';

interface Props {
  readonly slide: MadeSlide;
  readonly onChange: (slide: MadeSlide) => void;
}

const maxPictures = 4;
/** Grounds on which words can be read; any other colour can be mixed. */
const colours = ['#ffffff', '#f7f5ef', '#f1e6ef', '#e2f0eb', '#fbf0dc', '#e6edf3', '#5a2a54', '#1f4b3f', '#20262b'];

/** What is on a slide. */
export function SlideForm({ slide, onChange }: Props) {
  const { pictures } = slide;
  return (
    <section aria-label={t('slides.onSlide')} className="flex min-h-0 flex-col gap-5 overflow-y-auto p-4 *:shrink-0">
      <Field label={t('slides.heading')}>
        {(ids) => (
          <TextInput
            {...ids}
            value={slide.heading}
            onChange={(event) => onChange({ ...slide, heading: event.target.value })}
          />
        )}
      </Field>
      <Field label={t('slides.text')} help={t('slides.textHelp')}>
        {(ids) => (
          <TextArea
            {...ids}
            className="min-h-32"
            value={slide.text}
            onChange={(event) => onChange({ ...slide, text: event.target.value })}
          />
        )}
      </Field>
      <div className="grid gap-3">
        {pictures.map((picture, index) => (
          <PictureField
            key={picture.materialId}
            label={t('slides.picture')}
            picture={picture}
            onChange={(next) =>
              onChange({ ...slide, pictures: next ? pictures.with(index, next) : pictures.toSpliced(index, 1) })
            }
          />
        ))}
        {pictures.length < maxPictures && (
          <PictureField
            key={`new-${pictures.length}`}
            label={t('slides.picture')}
            picture={undefined}
            onChange={(picture) => {
              const isThere = pictures.some((one) => one.materialId === picture?.materialId);
              if (picture && !isThere) onChange({ ...slide, pictures: [...pictures, picture] });
            }}
          />
        )}
      </div>
      <FilmField slide={slide} onChange={onChange} />
      <fieldset className="grid gap-2">
        <legend className="text-14 font-medium">{t('slides.background')}</legend>
        <div className="flex flex-wrap gap-1">
          {colours.map((colour) => (
            <button
              key={colour}
              type="button"
              aria-label={t('slides.colour', { colour })}
              aria-pressed={slide.colour === colour}
              onClick={() => onChange({ ...slide, colour })}
              className="size-8 rounded-control border border-edge aria-pressed:outline-2 aria-pressed:outline-offset-2 aria-pressed:outline-main"
              style={{ backgroundColor: colour }}
            />
          ))}
          <input
            type="color"
            aria-label={t('slides.ownColour')}
            className="h-8 w-10 rounded-control border border-edge"
            value={slide.colour}
            onChange={(event) => onChange({ ...slide, colour: event.target.value })}
          />
        </div>
        <PictureField
          label={t('slides.backgroundPicture')}
          picture={slide.backgroundId === null ? undefined : { materialId: slide.backgroundId, alt: '' }}
          isDecoration
          onChange={(picture) => onChange({ ...slide, backgroundId: picture?.materialId ?? null })}
        />
      </fieldset>
      <Field label={t('slides.notes')} help={t('slides.notesHelp')}>
        {(ids) => (
          <TextArea
            {...ids}
            className="text-14"
            value={slide.notes}
            onChange={(event) => onChange({ ...slide, notes: event.target.value })}
          />
        )}
      </Field>
    </section>
  );
}

function FilmField({ slide, onChange }: Props) {
  const materials = useQuery(materialsOptions());
  const films = (materials.data ?? []).filter(({ kind, status }) => status === 'ready' && kind === 'film');
  if (films.length === 0) return null;
  return (
    <Field label={t('slides.film')}>
      {(ids) => (
        <Select
          {...ids}
          className="w-full"
          value={slide.film?.materialId ?? ''}
          onChange={(event) => {
            const film = films.find((one) => one.id === event.target.value);
            onChange({ ...slide, film: film ? { materialId: film.id, title: film.title } : null });
          }}
        >
          <option value="">{t('slides.noFilm')}</option>
          {films.map(({ id, title }) => (
            <option key={id} value={id}>
              {title}
            </option>
          ))}
        </Select>
      )}
    </Field>
  );
}

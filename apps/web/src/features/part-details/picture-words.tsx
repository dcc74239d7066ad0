import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { call } from '../../api/client.ts';
import { Field, TextArea } from '../../ui/field.tsx';
import { errorWords } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { contentOptions } from '../reading/content.ts';
import './words.ts';

interface Picture {
  readonly name: string;
  readonly src: string;
  readonly words: string;
  /** The number of its block, from 1. */
  readonly number: number;
}

interface Props {
  readonly materialId: string;
  /** Blocks of a text, or slides. */
  readonly pieces: readonly { readonly html: string }[];
  /** What the number of a piece is said with. */
  readonly label: 'desk.pictureWords' | 'desk.slidePictureWords';
}

/** The pictures of a text or of slides with their words; those that have none come first. */
export function PictureWords({ materialId, pieces, label }: Props) {
  const pictures = useMemo(() => picturesAmong(pieces), [pieces]);
  // The order holds while words are written, so that no field moves away from under the hands.
  const [mute] = useState(() => new Set(pictures.filter((one) => one.words === '').map((one) => one.name)));
  if (pictures.length === 0) return null;
  const ordered = [...pictures.filter((one) => mute.has(one.name)), ...pictures.filter((one) => !mute.has(one.name))];
  const missing = pictures.filter((one) => one.words === '').length;
  return (
    <section aria-labelledby="pictures" className="grid gap-3">
      <h2 id="pictures" className="text-16">
        {t('desk.pictures')}
      </h2>
      <p className={missing > 0 ? 'text-14 text-brick' : 'text-14 text-quiet'}>
        {missing > 0 ? t('desk.picturesWithoutAlt', { count: missing }) : t('desk.picturesWorded')}
      </p>
      {ordered.map((picture) => (
        <WordsField
          key={picture.name}
          materialId={materialId}
          picture={picture}
          label={t(label, { number: picture.number })}
        />
      ))}
    </section>
  );
}

interface WordsProps {
  readonly materialId: string;
  readonly picture: Picture;
  readonly label: string;
}

function WordsField({ materialId, picture, label }: WordsProps) {
  const queryClient = useQueryClient();
  const [text, setText] = useState(picture.words);
  const save = useMutation({
    mutationFn: () =>
      call('describePicture', { params: { materialId, pictureName: picture.name }, body: { words: text } }),
    onSuccess: () => queryClient.invalidateQueries(contentOptions(materialId)),
  });
  return (
    <div className="grid grid-cols-[5rem_1fr] gap-3">
      <img src={picture.src} alt="" className="rounded-control border border-line" />
      <Field label={label} error={save.isError ? errorWords(save.error) : undefined}>
        {(ids) => (
          <TextArea
            {...ids}
            className="text-14"
            maxLength={1_000}
            placeholder={t('desk.pictureHint')}
            value={text}
            onChange={(event) => setText(event.target.value)}
            onBlur={() => {
              if (text.trim() !== picture.words) save.mutate();
            }}
          />
        )}
      </Field>
    </div>
  );
}

/** Each picture once, where it stands first. */
function picturesAmong(pieces: Props['pieces']): readonly Picture[] {
  const pictures = new Map<string, Picture>();
  for (const [index, { html }] of pieces.entries()) {
    // Most have none, and to parse thousands takes its time.
    if (!html.includes('<img')) continue;
    for (const image of new DOMParser().parseFromString(html, 'text/html').querySelectorAll('img')) {
      const src = image.getAttribute('src') ?? '';
      const name = src.slice(src.lastIndexOf('/') + 1);
      if (!pictures.has(name)) pictures.set(name, { name, src, words: image.alt, number: index + 1 });
    }
  }
  return [...pictures.values()];
}

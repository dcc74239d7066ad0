import type { ReadingBlock } from '@semita/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { call } from '../../api/client.ts';
import { Field, TextArea } from '../../ui/field.tsx';
import { errorWords } from '../../ui/notice.tsx';
import { t } from '../../words/words.ts';
import { contentOptions } from '../reading/content.ts';

interface Picture {
  readonly name: string;
  readonly src: string;
  readonly words: string;
  /** The number of its block, from 1. */
  readonly number: number;
}

/** The pictures of a text with their words; those that have none come first. */
export function PictureWords({
  materialId,
  blocks,
}: {
  readonly materialId: string;
  readonly blocks: readonly ReadingBlock[];
}) {
  const pictures = blocks.flatMap(picturesOf);
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
        {missing > 0 ? t('desk.picturesMute', { count: missing }) : t('desk.picturesWorded')}
      </p>
      {ordered.map((picture) => (
        <PictureField key={picture.name} materialId={materialId} picture={picture} />
      ))}
    </section>
  );
}

function PictureField({ materialId, picture }: { readonly materialId: string; readonly picture: Picture }) {
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
      <Field
        label={t('desk.pictureWords', { number: picture.number })}
        error={save.isError ? errorWords(save.error) : undefined}
      >
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

function picturesOf({ html }: ReadingBlock, index: number): Picture[] {
  const images = new DOMParser().parseFromString(html, 'text/html').querySelectorAll('img');
  return [...images].map((image) => {
    const src = image.getAttribute('src') ?? '';
    return { name: src.slice(src.lastIndexOf('/') + 1), src, words: image.alt, number: index + 1 };
  });
}

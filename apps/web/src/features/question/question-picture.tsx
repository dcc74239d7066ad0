import type { LessonPicture } from '@semita/core/elements';
import { pathOf } from '../../api/client.ts';

/** The picture a question is about. Opens as large as it is in a tab of its own. */
export function QuestionPicture({ picture }: { readonly picture: LessonPicture }) {
  const src = pathOf('streamMedia', { materialId: picture.materialId });
  return (
    <a href={src} target="_blank" rel="noreferrer" className="mb-1 block">
      <img
        src={src}
        alt={picture.alt}
        className="max-h-72 max-w-full rounded-control border border-line object-contain"
      />
    </a>
  );
}

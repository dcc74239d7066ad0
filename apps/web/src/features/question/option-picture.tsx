import type { LessonPicture } from '@semita/core/elements';
import { pathOf } from '../../api/client.ts';

export function OptionPicture({ picture }: { readonly picture: LessonPicture }) {
  return (
    <img
      src={pathOf('streamMedia', { materialId: picture.materialId })}
      alt={picture.alt}
      className="max-h-40 max-w-full rounded-control border border-line object-contain"
    />
  );
}

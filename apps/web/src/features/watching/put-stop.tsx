import type { MaterialPart } from '@semita/core/lesson';
import { Plus } from 'lucide-react';
import { Link } from 'react-router';
import { buttonStyle } from '../../ui/button.tsx';
import { t } from '../../words/words.ts';
import { withWish } from '../lesson-parts/wished-stop.ts';
import './words.ts';

interface Props {
  readonly lessonId: string;
  readonly part: MaterialPart;
  readonly atMs: number;
}

/** Two stops so near each other, in ms, would be one. */
const nearMs = 2_000;

/** Leads to the desk with a stop begun at that place, where there is none yet. */
export function PutStop({ lessonId, part, atMs }: Props) {
  if (part.stops.some((stop) => Math.abs(stop.atMs - atMs) <= nearMs)) return null;
  return (
    <Link
      className={buttonStyle({ size: 'small' })}
      to={`/lessons/${lessonId}`}
      state={withWish({ partId: part.id, atMs: Math.round(atMs) })}
    >
      <Plus aria-hidden className="size-4" strokeWidth={1.75} />
      {t('watching.putStop')}
    </Link>
  );
}

import type { QuestionOf, Response } from '@semita/core/question';
import { t } from '../../words/words.ts';
import { areaBox, areaClip, PictureBoard } from '../question/picture-board.tsx';
import './words.ts';

interface Props {
  readonly question: QuestionOf<'hotspot' | 'selectPoint'>;
  readonly responses: readonly Response[];
}

/** Where on a picture a class pointed: spots that grow darker where many lie, or areas with how many took them. */
export function PictureHeat({ question, responses }: Props) {
  if (!question.picture) return null;
  const points = responses.flatMap((response) => (response.kind === 'points' ? response.points : []));
  const taken = responses.flatMap((response) => (response.kind === 'choice' ? response.optionIds : []));
  const countOf = (id: string) => taken.filter((one) => one === id).length;
  return (
    <section className="grid gap-2">
      <h3 className="text-16">
        {question.kind === 'hotspot'
          ? t('heat.areas', { count: responses.length })
          : t('heat.points', { count: points.length })}
      </h3>
      <PictureBoard picture={question.picture}>
        {question.areas.map((area, index) => (
          <span
            key={area.id}
            style={areaBox(area)}
            title={t('heat.area', { number: index + 1, count: countOf(area.id) })}
            className="absolute grid place-items-center"
          >
            <span
              aria-hidden
              style={{
                clipPath: areaClip(area),
                opacity:
                  question.kind === 'hotspot' ? 0.15 + 0.55 * (countOf(area.id) / Math.max(1, responses.length)) : 1,
              }}
              className={
                question.kind === 'hotspot' ? 'absolute inset-0 bg-main' : 'absolute inset-0 border-2 border-spruce'
              }
            />
            {question.kind === 'hotspot' && (
              <span className="relative rounded-full bg-card px-2 font-mono text-14 font-semibold text-ink shadow-float">
                {countOf(area.id)}
              </span>
            )}
          </span>
        ))}
        {points.map(([x, y], index) => (
          <span
            // biome-ignore lint/suspicious/noArrayIndexKey: points of many answers have nothing that tells them apart
            key={index}
            aria-hidden
            style={{ left: `${x / 100}%`, top: `${y / 100}%` }}
            className="absolute size-6 -translate-x-1/2 -translate-y-1/2 rounded-full bg-brick/40 mix-blend-multiply"
          />
        ))}
      </PictureBoard>
    </section>
  );
}

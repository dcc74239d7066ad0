import type { RubricLevels } from '@semita/core/marking';
import type { Rubric } from '@semita/core/question';
import { useId } from 'react';
import { joinClasses } from '../../ui/join-classes.ts';
import { formatPoints } from '../../words/format.ts';

interface Props {
  readonly rubric: Rubric;
  readonly met: RubricLevels;
  readonly onChange: (met: RubricLevels) => void;
}

/** Which level of each criterion an answer met. */
export function RubricField({ rubric, met, onChange }: Props) {
  const name = useId();
  return (
    <div className="grid gap-2">
      {rubric.criteria.map(({ id, title, levels }) => (
        <fieldset key={id}>
          <legend className="text-14 font-medium">{title}</legend>
          <div className="flex flex-wrap gap-1.5">
            {levels.map((level) => (
              <label
                key={level.id}
                className={joinClasses(
                  'flex min-h-8 items-center gap-2 rounded-control border px-2.5 py-1 text-14',
                  met[id] === level.id ? 'border-main bg-main-tint' : 'border-edge bg-card',
                )}
              >
                <input
                  type="radio"
                  name={`${name} ${id}`}
                  className="size-4 accent-main"
                  checked={met[id] === level.id}
                  onChange={() => onChange({ ...met, [id]: level.id })}
                />
                {level.words}
                <span className="font-mono text-13 text-quiet">{formatPoints(level.points)}</span>
              </label>
            ))}
          </div>
        </fieldset>
      ))}
    </div>
  );
}

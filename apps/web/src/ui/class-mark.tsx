import type { ClassColour, ClassShape } from '@semita/core/roster';
import { letterOfClass } from '@semita/core/roster';
import { joinClasses } from './join-classes.ts';

const colours: Readonly<Record<ClassColour, string>> = {
  aubergine: 'text-main',
  marigold: 'text-marigold-ink',
  spruce: 'text-spruce',
  slate: 'text-slate',
  brick: 'text-brick',
  ink: 'text-ink',
};

/** On a square of 40. */
const outlines: Readonly<Record<ClassShape, string>> = {
  tile: 'M9 4h22a5 5 0 0 1 5 5v22a5 5 0 0 1-5 5H9a5 5 0 0 1-5-5V9a5 5 0 0 1 5-5z',
  arch: 'M5 36V19a15 15 0 0 1 30 0v17z',
  pennant: 'M5 4h30v32l-15-7-15 7z',
  hexagon: 'M20 2.5 35.5 11.2v17.6L20 37.5 4.5 28.8V11.2z',
  leaf: 'M4 4h18a14 14 0 0 1 14 14v18H18A14 14 0 0 1 4 22z',
  shield: 'M5 5h30v15c0 8-6 13-15 17C11 33 5 28 5 20z',
};

interface Props {
  readonly name: string;
  readonly shape: ClassShape;
  readonly colour: ClassColour;
  readonly className?: string;
}

/** By what a class is told apart at a glance: shape and letter first, colour second. Its name stands beside it. */
export function ClassMark({ name, shape, colour, className }: Props) {
  return (
    <svg viewBox="0 0 40 40" aria-hidden className={joinClasses('size-9 shrink-0', colours[colour], className)}>
      <path d={outlines[shape]} fill="currentColor" fillOpacity={0.14} stroke="currentColor" strokeWidth={2} />
      <text
        x={20}
        y={shape === 'pennant' ? 24 : 26.5}
        textAnchor="middle"
        fontSize={18}
        fontWeight={700}
        fill="currentColor"
        className="font-heading"
      >
        {letterOfClass(name)}
      </text>
    </svg>
  );
}

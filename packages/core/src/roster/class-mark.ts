/** By what a class is told apart at a glance: a shape and a letter, and a colour for who sees colours. */
export const classShapes = ['tile', 'arch', 'pennant', 'hexagon', 'leaf', 'shield'] as const;
export type ClassShape = (typeof classShapes)[number];

export const classColours = ['aubergine', 'marigold', 'spruce', 'slate', 'brick', 'ink'] as const;
export type ClassColour = (typeof classColours)[number];

export interface ClassMark {
  readonly shape: ClassShape;
  readonly colour: ClassColour;
}

/** How students come into a class by its code: not at all, after its teacher has let them in, or at once. */
export const joiningWays = ['off', 'asks', 'open'] as const;
export type Joining = (typeof joiningWays)[number];

/**
 * The letter of a class, as it stands in its mark: the first letter of the first word that does not begin with a digit,
 * for timetables say the year first ("8 Amber" is A); where there is none, the first letter or digit of all.
 * @returns one letter in capitals; a dot for a name without letters and digits
 */
export function letterOfClass(name: string): string {
  const words = name.split(/[^\p{L}\p{M}\p{N}]+/u).filter((word) => word !== '');
  const word = words.find((one) => /^\p{L}/u.test(one)) ?? words[0];
  // An accent that stands by itself belongs to the letter before it.
  return word?.match(/^.\p{M}*/u)?.[0]?.toLocaleUpperCase('en') ?? '·';
}

/**
 * A mark for a new class that none of the others has, as long as there is one; colours go round first, then shapes.
 * @param taken marks of the teacher's other classes
 */
export function nextClassMark(taken: readonly ClassMark[]): ClassMark {
  const all = classShapes.flatMap((_, row) =>
    classColours.map((colour, column) => ({
      colour,
      shape: classShapes[(row + column) % classShapes.length] ?? 'tile',
    })),
  );
  const isTaken = (mark: ClassMark) =>
    taken.some(({ shape, colour }) => shape === mark.shape && colour === mark.colour);
  return all.find((mark) => !isTaken(mark)) ?? { shape: 'tile', colour: 'aubergine' };
}

import { randomInt } from 'node:crypto';

/** Letters and digits that are not mistaken for one another when copied from paper. */
const passwordLetters = 'abcdefghjkmnpqrstuvwxyz23456789';

/** Twelve of 31 letters: 59 bits, in groups that a child can copy. */
export function createFirstPassword(): string {
  const letter = () => passwordLetters[randomInt(passwordLetters.length)];
  const group = () => Array.from({ length: 4 }, letter).join('');
  return [group(), group(), group()].join('-');
}

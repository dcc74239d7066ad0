/**
 * Letters and digits of codes. Nothing that is mistaken for something else when it is read aloud or copied from a board:
 * no O and 0, I, L and 1, S and 5, B and Z (for 8 and 2), G (for 6), Q; and no vowel, so that no word can come about.
 */
const letters = 'CDFHJKMNPRTVWXY';
const digits = '26789';
export const joinCodeAlphabet = letters + digits;
export const joinCodeLength = 8;

/** What a character that is in no code was meant to be. */
const meant: Readonly<Record<string, string>> = { B: '8', Z: '2', G: '6' };

/**
 * Makes a code. Never more than two letters stand beside each other, which leaves no room for short words without vowels.
 * @param random a whole number from 0 to below what is asked, each as likely
 */
export function makeJoinCode(random: (below: number) => number): string {
  for (;;) {
    const code = Array.from({ length: joinCodeLength }, () => joinCodeAlphabet.charAt(random(joinCodeAlphabet.length)));
    const text = code.join('');
    if (!/[A-Z]{3}/.test(text)) return text;
  }
}

/** How many codes there are. */
export function countJoinCodes(): number {
  // By how many letters stand at the end: none, one, two.
  let [none, one, two] = [1, 0, 0];
  for (let length = 0; length < joinCodeLength; length += 1)
    [none, one, two] = [digits.length * (none + one + two), letters.length * none, letters.length * one];
  return none + one + two;
}

/**
 * Reads what somebody typed or pasted as a code: small letters, spaces and hyphens do not matter, nor whether it stands
 * at the end of a link.
 * @returns null where it can be none
 */
export function readJoinCode(text: string): string | null {
  const end = text.trim().split('/').at(-1) ?? '';
  const plain = end
    .normalize('NFKC')
    .toUpperCase()
    .replace(/[^\p{L}\p{N}]/gu, '');
  const code = [...plain].map((sign) => meant[sign] ?? sign).join('');
  const isOne = code.length === joinCodeLength && [...code].every((sign) => joinCodeAlphabet.includes(sign));
  return isOne ? code : null;
}

/** As it is shown and printed: in two halves. */
export function showJoinCode(code: string): string {
  return `${code.slice(0, joinCodeLength / 2)}-${code.slice(joinCodeLength / 2)}`;
}

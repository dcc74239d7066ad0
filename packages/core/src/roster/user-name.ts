/** The longest user name, in characters. */
export const longestUserName = 60;

/**
 * A user name for a person, from their name: `farah.lindholt`, letters and digits parted by dots, without accents where
 * letters are Latin. Scripts that are not Latin stay as they are: their own keyboard is what the child has.
 * @param isTaken whether somebody of the school has it, or somebody earlier on the same list
 * @returns a name that is not taken; a number at its end tells namesakes apart
 */
export function userNameFor(displayName: string, isTaken: (userName: string) => boolean): string {
  const plain = latinWithoutAccents(displayName.normalize('NFKC'))
    .toLowerCase()
    .replace(/[’'`]/g, '')
    .replace(/[^\p{L}\p{M}\p{N}]+/gu, '.')
    .replace(/^[.\p{M}]+/u, '');
  // Room for the number of a namesake.
  const base = startOf(plain, longestUserName - 5).replace(/\.$/, '') || 'student';
  if (!isTaken(base)) return base;
  for (let number = 2; ; number += 1) if (!isTaken(`${base}${number}`)) return `${base}${number}`;
}

function startOf(text: string, length: number): string {
  let start = '';
  for (const sign of text) {
    if (start.length + sign.length > length) break;
    start += sign;
  }
  return start;
}

/** Letters that have no accent to take off. */
const spelled: Readonly<Record<string, string>> = {
  ß: 'ss',
  æ: 'ae',
  Æ: 'Ae',
  ø: 'o',
  Ø: 'O',
  œ: 'oe',
  Œ: 'Oe',
  ł: 'l',
  Ł: 'L',
  đ: 'd',
  Đ: 'D',
  ð: 'd',
  Ð: 'D',
  þ: 'th',
  Þ: 'Th',
  ı: 'i',
};

function latinWithoutAccents(text: string): string {
  return text
    .normalize('NFD')
    .replace(/(\p{Script=Latin})\p{M}+/gu, '$1')
    .replace(/[ßæÆøØœŒłŁđĐðÐþÞı]/g, (letter) => spelled[letter] ?? letter)
    .normalize('NFC');
}

/** What a user name may look like: no e-mail (teachers' sign-ins), nothing that cannot be seen. */
export function isUserName(text: string): boolean {
  return text.length <= longestUserName && /^[\p{L}\p{N}][\p{L}\p{M}\p{N}._-]*$/u.test(text);
}

/** The longest name that is kept, in characters. */
export const longestPersonName = 100;

/** Direction marks that could turn the words beside a name around (Unicode bidirectional controls, UAX #9), and what cannot be seen. */
const unseen = /[\p{Cc}\p{Cf}\p{Co}\p{Cn}]/gu;

/**
 * A name as it is kept: one line, single spaces, composed letters, nothing that cannot be seen but what joins letters of
 * one sign or script. At most one hundred characters, never cut inside one.
 * @returns empty where nothing is left of it
 */
export function tidyPersonName(text: string): string {
  const seen = text
    .replace(/\s+/g, ' ')
    .replace(unseen, (sign) => (sign === '\u200d' || sign === '\u200c' ? sign : ''));
  const plain = seen.replace(/ {2,}/g, ' ').trim().normalize('NFC');
  // Most names are short, and taking signs apart is slow.
  const kept = plain.length <= longestPersonName ? plain : startOf(plain);
  return /[\p{L}\p{N}\p{S}]/u.test(kept) ? kept.trim() : '';
}

function startOf(text: string): string {
  let start = '';
  for (const { segment } of new Intl.Segmenter('en', { granularity: 'grapheme' }).segment(text)) {
    if (start.length + segment.length > longestPersonName) break;
    start += segment;
  }
  return start;
}

/** Whether two names are the same to whoever reads them: capitals, and how letters are made, do not matter. */
export const nameKey = (name: string): string => tidyPersonName(name).toLowerCase();

/** Whether a text looks like an e-mail address, as far as a form can say; whether it is one only a letter tells. */
export function looksLikeEmail(text: string): boolean {
  const [name, domain, ...more] = text.trim().split('@');
  const labels = domain?.split('.') ?? [];
  return (
    !/\s/.test(text.trim()) && more.length === 0 && !!name && labels.length > 1 && labels.every((one) => one !== '')
  );
}

import type { BankItem } from '@semita/core/contract';
import { plainWords } from '@semita/core/text';

export type BankOrder = 'newest' | 'hardest' | 'easiest';

/** What is looked for in the bank; empty words for anything. */
export interface BankFilter {
  readonly text: string;
  readonly tag: string;
  readonly target: string;
  readonly order: BankOrder;
}

export const noFilter: BankFilter = { text: '', tag: '', target: '', order: 'newest' };

/** The items that fit, in the order asked for; what nobody can say the difficulty of comes last. */
export function filterBank(items: readonly BankItem[], { text, tag, target, order }: BankFilter): readonly BankItem[] {
  const wanted = text.trim().toLowerCase();
  const found = items.filter(
    (item) =>
      (wanted === '' || wordsOf(item).includes(wanted)) &&
      (tag === '' || item.tags.includes(tag)) &&
      (target === '' || item.question.target === target),
  );
  if (order === 'newest') return found;
  const sign = order === 'hardest' ? 1 : -1;
  const rank = ({ seen }: BankItem) => (seen.share === null ? Number.POSITIVE_INFINITY : sign * seen.share);
  return found.toSorted((a, b) => rank(a) - rank(b) || 0);
}

function wordsOf({ question, tags }: BankItem): string {
  return [plainWords(question.stem), question.target ?? '', ...tags].join('\n').toLowerCase();
}

/** Every tag, and every learning target, that occurs; by name. */
export function tagsOf(items: readonly BankItem[]): readonly string[] {
  return sorted(items.flatMap(({ tags }) => tags));
}

export function targetsOf(items: readonly BankItem[]): readonly string[] {
  return sorted(items.flatMap(({ question }) => question.target || []));
}

const sorted = (words: readonly string[]) => [...new Set(words)].toSorted((a, b) => a.localeCompare(b));

/** Tags as they are typed in one field, parted by commas. */
export function readTags(text: string): string[] {
  const tags = text.split(',').map((tag) => tag.trim().slice(0, 60));
  return [...new Set(tags)].filter((tag) => tag !== '').slice(0, 20);
}

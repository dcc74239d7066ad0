import type { NewId } from './new-question.ts';
import type { AcceptedText, Item, QuestionOf, TextPiece } from './question.ts';

/** A text with gaps as it is written: words, and what belongs in a gap, the best first. */
export type WrittenPiece = { readonly text: string } | { readonly accepted: readonly AcceptedText[] };

/**
 * Reads a text with gaps: what belongs in a gap stands in square brackets, others that count too behind bars, with
 * what they are worth in percent behind an equals sign: `The push is called [thrust|push=50].` A backslash before a
 * bracket, a bar or an equals sign makes it a plain one; an equals sign before anything but a worth is one anyway.
 * Links and pictures of Markdown, `[words](address)`, are no gaps.
 */
export function readGapText(text: string): readonly WrittenPiece[] {
  const pieces: WrittenPiece[] = [];
  let plain = '';
  let at = 0;
  while (at < text.length) {
    const char = text[at] as string;
    const close = char === '[' ? closingBracket(text, at) : -1;
    if (char === '\\' && at + 1 < text.length && '[]|=\\('.includes(text[at + 1] as string)) {
      plain += text[at + 1];
      at += 2;
    } else if (close > at + 1 && text[close + 1] !== '(') {
      if (plain !== '') pieces.push({ text: plain });
      plain = '';
      pieces.push({ accepted: readAccepted(text.slice(at + 1, close)) });
      at = close + 1;
    } else {
      plain += char;
      at++;
    }
  }
  if (plain !== '') pieces.push({ text: plain });
  return pieces;
}

function closingBracket(text: string, from: number): number {
  for (let i = from + 1; i < text.length; i++) {
    if (text[i] === '\\') i++;
    else if (text[i] === ']') return i;
    else if (text[i] === '[' || text[i] === '\n') return -1;
  }
  return -1;
}

function readAccepted(inside: string): AcceptedText[] {
  return splitPlain(inside, '|').map((one) => {
    const pieces = splitPlain(one, '=');
    const worth = pieces.length > 1 ? worthOf(pieces.at(-1) as string) : null;
    const text = worth === null ? one : pieces.slice(0, -1).join('=');
    return { text: plainOf(text).trim(), percent: worth ?? 100 };
  });
}

/** A worth in percent, 0 to 100; null for what only stands behind an equals sign, as in E=mc2. */
function worthOf(written: string): number | null {
  const found = /^\s{0,9}(\d{1,3}(?:\.\d{1,20})?)\s{0,9}%?\s{0,9}$/u.exec(written);
  return found && Number(found[1]) <= 100 ? Number(found[1]) : null;
}

/** Splits at a sign that has no backslash before it. */
function splitPlain(text: string, sign: '|' | '='): string[] {
  const parts: string[] = [];
  let part = '';
  for (let i = 0; i < text.length; i++) {
    if (text[i] === '\\' && i + 1 < text.length) part += `\\${text[++i]}`;
    else if (text[i] === sign) {
      parts.push(part);
      part = '';
    } else part += text[i];
  }
  return [...parts, part];
}

const plainOf = (text: string) => text.replace(/\\([[\]|=\\(])/gu, '$1');
const escapePlain = (text: string) => text.replace(/[[\]\\]/gu, '\\$&');
/** An equals sign is left as it is where it cannot be taken for a worth. */
function escapeInside(text: string): string {
  const isClear = worthOf(text.split('=').at(-1) as string) === null;
  return text.replace(isClear ? /[[\]|\\]/gu : /[[\]|=\\]/gu, '\\$&');
}

/** Writes what `readGapText` reads. */
export function writeGapText(pieces: readonly WrittenPiece[]): string {
  return pieces
    .map((piece, index) => {
      if ('text' in piece) {
        const before = pieces[index - 1];
        // Behind a gap, a round bracket would make a link of it.
        return escapePlain(piece.text).replace(/^\(/u, before && 'accepted' in before ? '\\(' : '(');
      }
      const texts = piece.accepted.map(
        ({ text, percent }) => escapeInside(text) + (percent === 100 ? '' : `=${percent}`),
      );
      return `[${texts.join('|')}]`;
    })
    .join('');
}

type GapQuestion = QuestionOf<'inlineChoice' | 'gapMatch' | 'textEntry'>;

/** The text of a question with gaps, as its teacher writes it. */
export function gapTextOf(question: GapQuestion): string {
  return writeGapText(
    question.pieces.map((piece) => ('text' in piece ? piece : { accepted: acceptedIn(question, piece.gapId) })),
  );
}

function acceptedIn(question: GapQuestion, gapId: string): readonly AcceptedText[] {
  const whole = (texts: readonly string[]) => texts.map((text) => ({ text, percent: 100 }));
  switch (question.kind) {
    case 'textEntry':
      return question.gaps.find(({ id }) => id === gapId)?.accepted ?? [];
    case 'inlineChoice': {
      const gap = question.gaps.find(({ id }) => id === gapId);
      const { options = [], correctId = '' } = gap ?? {};
      const [correct, others] = [true, false].map((is) => options.filter(({ id }) => (id === correctId) === is));
      return whole([...(correct ?? []), ...(others ?? [])].map(({ text }) => text));
    }
    case 'gapMatch': {
      const { correctIds = [] } = question.gaps.find(({ id }) => id === gapId) ?? {};
      return whole(question.words.filter(({ id }) => correctIds.includes(id)).map(({ text }) => text));
    }
  }
}

/**
 * The question with another text. Gaps keep their ids by their number, and words by what they say, so that a small
 * change of the text changes little else.
 */
export function withGapText<Q extends GapQuestion>(question: Q, text: string, newId: NewId): Q {
  const written = readGapText(text);
  const oldIds = question.pieces.flatMap((piece) => ('gapId' in piece ? [piece.gapId] : []));
  let count = 0;
  const found: { readonly id: string; readonly accepted: readonly AcceptedText[] }[] = [];
  const pieces = written.map((piece): TextPiece => {
    if ('text' in piece) return piece;
    const id = oldIds[count++] ?? newId();
    found.push({ id, accepted: piece.accepted });
    return { gapId: id };
  });
  return { ...question, pieces, ...gapsFrom(question, found, newId) };
}

function gapsFrom(
  question: GapQuestion,
  found: readonly { readonly id: string; readonly accepted: readonly AcceptedText[] }[],
  newId: NewId,
): Partial<GapQuestion> {
  switch (question.kind) {
    case 'textEntry':
      return { gaps: found };
    case 'inlineChoice':
      return {
        gaps: found.map(({ id, accepted }) => {
          const before = question.gaps.find((gap) => gap.id === id)?.options ?? [];
          const options = accepted.map(({ text }) => keepItem(before, text, newId));
          return { id, options, correctId: options[0]?.id ?? '' };
        }),
      };
    case 'gapMatch': {
      const inGaps = new Set(question.gaps.flatMap(({ correctIds }) => correctIds));
      const extras = question.words.filter(({ id }) => !inGaps.has(id));
      const words: Item[] = [];
      const gaps = found.map(({ id, accepted }) => {
        const added = accepted.map(({ text }) => {
          const taken = new Set(words.map((word) => word.id));
          return keepItem(
            question.words.filter((word) => !taken.has(word.id)),
            text,
            newId,
          );
        });
        words.push(...added);
        return { id, correctIds: added.map((word) => word.id) };
      });
      return { gaps, words: [...words, ...extras.filter(({ id }) => !words.some((word) => word.id === id))] };
    }
  }
}

function keepItem(before: readonly Item[], text: string, newId: NewId): Item {
  return before.find((item) => item.text === text) ?? { id: newId(), text };
}

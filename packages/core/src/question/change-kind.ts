import { gapTextOf, withGapText } from './gap-notation.ts';
import { createItem, createOption, fromHead, type NewId, type QuestionForm } from './new-question.ts';
import { type Item, isOpinion, type Pair, type Question, type QuestionHead } from './question.ts';

/**
 * The same question asked in another way. What is asked, and all that every question carries, stays; answers become
 * the answers of the new kind as far as they have a counterpart there.
 * @param newId for what the new kind needs and the old had not
 */
export function changeKind(question: Question, form: QuestionForm, newId: NewId): Question {
  const head = headOf(question);
  const empty = fromHead(form, head, newId);
  const points = isOpinion(empty) ? 0 : isOpinion(question) && head.points === 0 ? 100 : head.points;
  return { ...carryOver(question, empty, newId), points };
}

function headOf(question: Question): QuestionHead {
  const { id, stem, points, teacherNote, picture, sound, directions, feedback, hint } = question;
  const { mayBeBlank, tries, timeLimitMs, modelAnswer, rubric, target, asksConfidence, comparedWith } = question;
  return {
    ...{ id, stem, points, teacherNote, picture, sound, directions, feedback, hint },
    ...{ mayBeBlank, tries, timeLimitMs, modelAnswer, rubric, target, asksConfidence, comparedWith },
  };
}

interface Offered {
  readonly text: string;
  readonly right: boolean;
}

function carryOver(from: Question, to: Question, newId: NewId): Question {
  const offered = offeredBy(from);
  const pairs = pairsOf(from);
  switch (to.kind) {
    case 'choice': {
      if (from.kind === 'choice') return { ...to, options: keepOneRight(from.options, to.several) };
      if (offered.length === 0) return to;
      const options = offered.map(({ text, right }) => createOption(newId, text, right));
      return { ...to, options: keepOneRight(options, to.several) };
    }
    case 'poll':
      return offered.length === 0 ? to : { ...to, options: itemsFrom(offered, newId) };
    case 'order':
      return offered.length === 0 ? to : { ...to, items: itemsFrom(offered, newId) };
    case 'match': {
      if (pairs.length === 0) return to;
      const left = pairs.map(([text]) => createItem(newId, text));
      const right = pairs.map(([, text]) => createItem(newId, text));
      return { ...to, left, right, pairs: left.map(({ id }, i) => [id, right[i]?.id ?? '']) };
    }
    case 'associate': {
      if (pairs.length === 0) return to;
      const both = pairs.map((pair) => pair.map((text) => createItem(newId, text)) as [Item, Item]);
      return { ...to, items: both.flat(), pairs: both.map(([a, b]): Pair => [a.id, b.id]) };
    }
    case 'inlineChoice':
    case 'gapMatch':
    case 'textEntry':
      return withGapText(to, gapTextFrom(from), newId);
    case 'hotspot':
      return 'areas' in from ? { ...to, areas: from.areas.map((area) => ({ ...bare(area), right: false })) } : to;
    case 'selectPoint':
      return 'areas' in from ? { ...to, areas: from.areas.map(bare), mostPoints: Math.max(1, from.areas.length) } : to;
    case 'graphicGapMatch':
      return 'areas' in from ? { ...to, areas: from.areas.map((area) => ({ ...bare(area), rightIds: [] })) } : to;
    default:
      return to;
  }
}

function bare<A extends { id: string; shape: 'rect' | 'ellipse' | 'poly'; coords: readonly number[]; label: string }>({
  id,
  shape,
  coords,
  label,
}: A) {
  return { id, shape, coords, label };
}

/** Where one is picked, only the first right one stays right. */
function keepOneRight<O extends { readonly right: boolean }>(options: readonly O[], several: boolean): O[] {
  if (several) return [...options];
  const first = options.findIndex(({ right }) => right);
  return options.map((option, index) => ({ ...option, right: index === first }));
}

function itemsFrom(offered: readonly Offered[], newId: NewId): Item[] {
  return offered.map(({ text }) => createItem(newId, text));
}

/** What a question gives to choose from, and what of it is right. */
function offeredBy(question: Question): Offered[] {
  const plain = (items: readonly Item[]) => items.map(({ text }) => ({ text, right: false }));
  switch (question.kind) {
    case 'choice':
      return question.options.map(({ text, right }) => ({ text, right }));
    case 'poll':
      return plain(question.options);
    case 'order':
    case 'associate':
      return plain(question.items);
    case 'match':
      return plain([...question.left, ...question.right]);
    case 'gapMatch':
    case 'graphicGapMatch':
      return plain(question.words);
    case 'hottext':
      return question.words
        .filter(({ standing }) => standing !== 'plain')
        .map(({ text, standing }) => ({ text: text.trim(), right: standing === 'right' }));
    case 'textEntry':
      return question.gaps.flatMap(({ accepted }) =>
        accepted.map(({ text, percent }) => ({ text, right: percent === 100 })),
      );
    case 'inlineChoice':
      return question.gaps.flatMap(({ options, rightId }) =>
        options.map(({ id, text }) => ({ text, right: id === rightId })),
      );
    default:
      return [];
  }
}

function pairsOf(question: Question): [string, string][] {
  if (question.kind !== 'match' && question.kind !== 'associate') return [];
  const items = question.kind === 'match' ? [...question.left, ...question.right] : question.items;
  const textOf = (id: string) => items.find((item) => item.id === id)?.text ?? '';
  return question.pairs.map(([a, b]) => [textOf(a), textOf(b)]);
}

/** The text with gaps of one kind, for another; of a pick with one right answer, that answer as a gap. */
function gapTextFrom(question: Question): string {
  if ('pieces' in question) return gapTextOf(question);
  const right = offeredBy(question).find((one) => one.right);
  return right ? `[${right.text}]` : '';
}

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
  readonly correct: boolean;
}

function carryOver(from: Question, to: Question, newId: NewId): Question {
  const offered = offeredBy(from);
  const pairs = pairsOf(from);
  switch (to.kind) {
    case 'choice': {
      if (from.kind === 'choice') return { ...to, options: keepOneCorrect(from.options, to.multiple) };
      if (offered.length === 0) return to;
      const options = offered.map(({ text, correct }) => createOption(newId, text, correct));
      return { ...to, options: keepOneCorrect(options, to.multiple) };
    }
    case 'poll':
      return offered.length === 0 ? to : { ...to, options: itemsFrom(offered, newId) };
    case 'order':
      return offered.length === 0 ? to : { ...to, items: itemsFrom(offered, newId) };
    case 'match': {
      if (pairs.length === 0) return to;
      const sources = pairs.map(([text]) => createItem(newId, text));
      const targets = pairs.map(([, text]) => createItem(newId, text));
      return { ...to, sources, targets, pairs: sources.map(({ id }, i) => [id, targets[i]?.id ?? '']) };
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
      return 'areas' in from ? { ...to, areas: from.areas.map((area) => ({ ...bare(area), correct: false })) } : to;
    case 'selectPoint':
      return 'areas' in from ? { ...to, areas: from.areas.map(bare), maxPoints: Math.max(1, from.areas.length) } : to;
    case 'graphicGapMatch':
      return 'areas' in from ? { ...to, areas: from.areas.map((area) => ({ ...bare(area), correctIds: [] })) } : to;
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

/** Where one is picked, only the first correct one stays correct. */
function keepOneCorrect<O extends { readonly correct: boolean }>(options: readonly O[], multiple: boolean): O[] {
  if (multiple) return [...options];
  const first = options.findIndex(({ correct }) => correct);
  return options.map((option, index) => ({ ...option, correct: index === first }));
}

function itemsFrom(offered: readonly Offered[], newId: NewId): Item[] {
  return offered.map(({ text }) => createItem(newId, text));
}

/** What a question gives to choose from, and what of it is right. */
function offeredBy(question: Question): Offered[] {
  const plain = (items: readonly Item[]) => items.map(({ text }) => ({ text, correct: false }));
  switch (question.kind) {
    case 'choice':
      return question.options.map(({ text, correct }) => ({ text, correct }));
    case 'poll':
      return plain(question.options);
    case 'order':
    case 'associate':
      return plain(question.items);
    case 'match':
      return plain([...question.sources, ...question.targets]);
    case 'gapMatch':
    case 'graphicGapMatch':
      return plain(question.words);
    case 'hottext':
      return question.words
        .filter(({ standing }) => standing !== 'plain')
        .map(({ text, standing }) => ({ text: text.trim(), correct: standing === 'correct' }));
    case 'textEntry':
      return question.gaps.flatMap(({ accepted }) =>
        accepted.map(({ text, percent }) => ({ text, correct: percent === 100 })),
      );
    case 'inlineChoice':
      return question.gaps.flatMap(({ options, correctId }) =>
        options.map(({ id, text }) => ({ text, correct: id === correctId })),
      );
    default:
      return [];
  }
}

function pairsOf(question: Question): [string, string][] {
  if (question.kind !== 'match' && question.kind !== 'associate') return [];
  const items = question.kind === 'match' ? [...question.sources, ...question.targets] : question.items;
  const textOf = (id: string) => items.find((item) => item.id === id)?.text ?? '';
  return question.pairs.map(([a, b]) => [textOf(a), textOf(b)]);
}

/** The text with gaps of one kind, for another; of a pick with one right answer, that answer as a gap. */
function gapTextFrom(question: Question): string {
  if ('pieces' in question) return gapTextOf(question);
  const correct = offeredBy(question).find((one) => one.correct);
  return correct ? `[${correct.text}]` : '';
}

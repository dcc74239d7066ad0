import { type Drawing, drawingPointCount, maxDrawingPoints } from './drawing.ts';
import type { Pair, QuestionKind } from './question.ts';

/** What a student gives to one question, by what is given and not by what was asked: several kinds share a form. */
export type Response = ResponseBody & {
  /** How sure the student says they are, where the question asks for it. */
  readonly confidence?: Confidence | undefined;
};

/** From a guess to certain. */
export const confidences = [1, 2, 3, 4] as const;
export type Confidence = (typeof confidences)[number];

export type ResponseBody =
  | { readonly kind: 'choice'; readonly optionIds: readonly string[] }
  /** By gap: what was typed, or the id of the word that was put there. */
  | { readonly kind: 'gaps'; readonly gaps: Readonly<Record<string, string>> }
  /** As typed, with its unit. */
  | { readonly kind: 'number'; readonly text: string }
  | { readonly kind: 'order'; readonly itemIds: readonly string[] }
  | { readonly kind: 'pairs'; readonly pairs: readonly Pair[] }
  /** x and y in ten-thousandths of the picture's width and height. */
  | { readonly kind: 'points'; readonly points: readonly (readonly [number, number])[] }
  | { readonly kind: 'scale'; readonly value: number }
  | { readonly kind: 'extendedText'; readonly text: string }
  | { readonly kind: 'drawing'; readonly drawing: Drawing }
  | { readonly kind: 'files'; readonly files: readonly HandedFile[] };

export type ResponseKind = ResponseBody['kind'];

/** A file a student gave; what is in it lies with the server under this id. */
export interface HandedFile {
  readonly fileId: string;
  readonly name: string;
  readonly mimeType: string;
  readonly byteLength: number;
}

/** The longest written answer that is taken, in UTF-16 units: about ten printed pages. */
export const longestTextLength = 25_000;

/** The longest answer to a gap or a number. */
export const longestEntryLength = 200;

type Named = { readonly id: string };

/** The part of a question that tells whether a response fits it; a learner's question has it too. */
export type ResponseShape =
  | { readonly kind: 'choice' | 'poll'; readonly multiple: boolean; readonly options: readonly Named[] }
  | { readonly kind: 'hottext'; readonly multiple: boolean; readonly words: readonly Named[] }
  | { readonly kind: 'hotspot'; readonly multiple: boolean; readonly areas: readonly Named[] }
  | { readonly kind: 'inlineChoice'; readonly gaps: readonly (Named & { readonly options: readonly Named[] })[] }
  | { readonly kind: 'gapMatch'; readonly gaps: readonly Named[]; readonly words: readonly Named[] }
  | { readonly kind: 'graphicGapMatch'; readonly areas: readonly Named[]; readonly words: readonly Named[] }
  | { readonly kind: 'textEntry'; readonly gaps: readonly Named[] }
  | { readonly kind: 'numeric' }
  | { readonly kind: 'order'; readonly items: readonly Named[] }
  | { readonly kind: 'match'; readonly sources: readonly Named[]; readonly targets: readonly Named[] }
  | { readonly kind: 'associate'; readonly items: readonly Named[] }
  | { readonly kind: 'selectPoint'; readonly maxPoints: number }
  | { readonly kind: 'slider'; readonly min: number; readonly max: number }
  | { readonly kind: 'extendedText' | 'discussion' }
  | { readonly kind: 'drawing' }
  | { readonly kind: 'upload'; readonly maxFiles: number }
  | { readonly kind: 'record' }
  /** Whose words are not shown yet: nothing fits it. */
  | { readonly kind: 'sealed'; readonly of: QuestionKind };

/** Whether a response has the form the question asks for, names only what exists, and is within bounds. */
export function isFitting(question: ResponseShape, response: Response): boolean {
  switch (question.kind) {
    case 'choice':
    case 'poll':
      return response.kind === 'choice' && arePicks(response.optionIds, question.options, question.multiple);
    case 'hottext':
      return response.kind === 'choice' && arePicks(response.optionIds, question.words, question.multiple);
    case 'hotspot':
      return response.kind === 'choice' && arePicks(response.optionIds, question.areas, question.multiple);
    case 'inlineChoice':
      return (
        response.kind === 'gaps' &&
        Object.entries(response.gaps).every(([gapId, optionId]) =>
          question.gaps.some((gap) => gap.id === gapId && isKnown(gap.options, optionId)),
        )
      );
    case 'gapMatch':
      return response.kind === 'gaps' && arePlaced(response.gaps, question.gaps, question.words);
    case 'graphicGapMatch':
      return response.kind === 'gaps' && arePlaced(response.gaps, question.areas, question.words);
    case 'textEntry':
      return (
        response.kind === 'gaps' &&
        Object.entries(response.gaps).every(
          ([gapId, text]) => isKnown(question.gaps, gapId) && text.length <= longestEntryLength,
        )
      );
    case 'numeric':
      return response.kind === 'number' && response.text.length <= longestEntryLength;
    case 'order':
      return (
        response.kind === 'order' &&
        response.itemIds.length === question.items.length &&
        arePicks(response.itemIds, question.items, true)
      );
    case 'match':
      return response.kind === 'pairs' && areMatched(response.pairs, question.sources, question.targets);
    case 'associate':
      return response.kind === 'pairs' && areAssociated(response.pairs, question.items);
    case 'selectPoint':
      return (
        response.kind === 'points' &&
        response.points.length <= question.maxPoints &&
        response.points.flat().every((at) => at >= 0 && at <= 10_000)
      );
    case 'slider':
      return response.kind === 'scale' && response.value >= question.min && response.value <= question.max;
    case 'extendedText':
    case 'discussion':
      return response.kind === 'extendedText' && response.text.length <= longestTextLength;
    case 'drawing':
      return response.kind === 'drawing' && drawingPointCount(response.drawing) <= maxDrawingPoints;
    case 'upload':
      return response.kind === 'files' && response.files.length <= question.maxFiles;
    case 'record':
      return response.kind === 'files' && response.files.length <= 1;
    case 'sealed':
      return false;
  }
}

function isKnown(among: readonly Named[], id: string): boolean {
  return among.some((one) => one.id === id);
}

function areDifferent(ids: readonly string[]): boolean {
  return new Set(ids).size === ids.length;
}

function arePicks(ids: readonly string[], among: readonly Named[], multiple: boolean): boolean {
  return areDifferent(ids) && ids.every((id) => isKnown(among, id)) && (multiple || ids.length <= 1);
}

/** Each word is there once, so it stands in one place. */
function arePlaced(gaps: Readonly<Record<string, string>>, places: readonly Named[], words: readonly Named[]): boolean {
  const entries = Object.entries(gaps);
  return (
    areDifferent(Object.values(gaps)) &&
    entries.every(([placeId, wordId]) => isKnown(places, placeId) && isKnown(words, wordId))
  );
}

function areMatched(pairs: readonly Pair[], left: readonly Named[], right: readonly Named[]): boolean {
  return (
    areDifferent(pairs.map(([leftId]) => leftId)) &&
    pairs.every(([leftId, rightId]) => isKnown(left, leftId) && isKnown(right, rightId))
  );
}

function areAssociated(pairs: readonly Pair[], items: readonly Named[]): boolean {
  const ids = pairs.flat();
  return areDifferent(ids) && ids.every((id) => isKnown(items, id));
}

/** Whether something was picked, put, drawn or written at all. */
export function isBlank(response: Response): boolean {
  switch (response.kind) {
    case 'choice':
      return response.optionIds.length === 0;
    case 'gaps':
      return Object.values(response.gaps).every((given) => given.trim() === '');
    case 'number':
    case 'extendedText':
      return response.text.trim() === '';
    case 'order':
      return response.itemIds.length === 0;
    case 'pairs':
      return response.pairs.length === 0;
    case 'points':
      return response.points.length === 0;
    case 'scale':
      return false;
    case 'drawing':
      return response.drawing.marks.length === 0;
    case 'files':
      return response.files.length === 0;
  }
}

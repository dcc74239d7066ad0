import { Decimal } from 'decimal.js';
import { correctResponse } from '../marking/correct-response.ts';
import { spreadOf } from '../marking/mark-number.ts';
import type { Question, QuestionOf } from '../question/question.ts';
import type { ResponseBody } from '../question/response.ts';
import { responseWords } from '../question/response-words.ts';
import { plainWords } from '../text/plain-words.ts';
import type { ActivityDefinition, Component, InteractionType } from './statement.ts';
import { activityTypes } from './vocabulary.ts';

type Interaction = Pick<
  ActivityDefinition,
  'interactionType' | 'correctResponsesPattern' | 'choices' | 'source' | 'target'
>;

/** Whose language it is nobody has said (BCP 47). */
export const words = (text: string) => ({ und: plainWords(text) });

const typeOf: Readonly<Record<Question['kind'], InteractionType>> = {
  choice: 'choice',
  poll: 'choice',
  hottext: 'choice',
  hotspot: 'choice',
  inlineChoice: 'fill-in',
  textEntry: 'fill-in',
  gapMatch: 'matching',
  graphicGapMatch: 'matching',
  match: 'matching',
  associate: 'matching',
  order: 'sequencing',
  numeric: 'numeric',
  slider: 'numeric',
  extendedText: 'long-fill-in',
  discussion: 'long-fill-in',
  selectPoint: 'other',
  drawing: 'other',
  upload: 'other',
  record: 'other',
};

/** A question as an activity of `cmi.interaction`, with what is right where a program can tell. */
export function interactionOf(question: Question): ActivityDefinition {
  const correct = question.points > 0 ? correctResponse(question) : null;
  const pattern = correct && (question.kind === 'numeric' ? numericPattern(question) : responseText(question, correct));
  return {
    ...{ type: activityTypes.interaction, name: words(question.stem.slice(0, 200)), description: words(question.stem) },
    ...partsOf(question),
    interactionType: typeOf[question.kind],
    ...(pattern === null ? {} : { correctResponsesPattern: [pattern] }),
  };
}

/** A number alone, or from where to where: xAPI 1.0.3, appendix C, "numeric" (from memory). No class's way of writing. */
function numericPattern(question: QuestionOf<'numeric'>): string {
  const [key, by] = [new Decimal(question.value), spreadOf(question)];
  return by.isZero() ? String(question.value) : `${key.minus(by).toNumber()}[:]${key.plus(by).toNumber()}`;
}

/**
 * A response as `result.response` writes it: ids between `[,]`, pairs as `source[.]target`, and what has no form there
 * in words.
 * @returns null for what is a file or a drawing
 */
export function responseText(question: Question, response: ResponseBody): string | null {
  switch (response.kind) {
    case 'choice':
      return response.optionIds.join('[,]');
    case 'order':
      return response.itemIds.join('[,]');
    case 'pairs':
      return response.pairs.map(([from, to]) => `${from}[.]${to}`).join('[,]');
    case 'gaps': {
      const gaps = Object.entries(response.gaps);
      if (typeOf[question.kind] === 'matching') return gaps.map(([gapId, id]) => `${gapId}[.]${id}`).join('[,]');
      return responseWords(question, response).join('[,]');
    }
    case 'number':
      return response.text;
    case 'scale':
      return String(response.value);
    case 'extendedText':
      return response.text;
    case 'points':
      return response.points.map(([x, y]) => `${x / 100} ${y / 100}`).join('[,]');
    case 'drawing':
    case 'files':
      return null;
  }
}

function partsOf(question: Question): Interaction {
  const named = (items: readonly { readonly id: string; readonly text?: string | undefined }[]): Component[] =>
    items.map(({ id, text }) => ({ id, description: words(text ?? id) }));
  switch (question.kind) {
    case 'choice':
    case 'poll':
      return { choices: named(question.options) };
    case 'hottext':
      return { choices: named(question.words) };
    case 'hotspot':
      return { choices: named(question.areas.map(({ id, label }) => ({ id, text: label }))) };
    case 'order':
      return { choices: named(question.items) };
    case 'match':
      return { source: named(question.sources), target: named(question.targets) };
    case 'associate':
      return { source: named(question.items), target: named(question.items) };
    case 'gapMatch':
      return { source: named(question.gaps.map(({ id }) => ({ id }))), target: named(question.words) };
    case 'graphicGapMatch':
      return {
        source: named(question.areas.map(({ id, label }) => ({ id, text: label }))),
        target: named(question.words),
      };
    default:
      return {};
  }
}

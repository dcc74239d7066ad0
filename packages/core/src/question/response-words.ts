import type { Item, Question } from './question.ts';
import type { Response } from './response.ts';

/**
 * What a student gave, in words for whoever reads it without the program: one line for each thing that was picked, put,
 * typed or handed in. A drawing has none; files go by their names.
 * @param question with the items that the response names; what it does not have (any more) is left out
 */
export function responseWords(question: Question, response: Response): string[] {
  switch (response.kind) {
    case 'choice':
      return named(itemsOf(question), response.optionIds);
    case 'order':
      return named(itemsOf(question), response.itemIds).map((text, index) => `${index + 1}. ${text}`);
    case 'pairs':
      return response.pairs.map((pair) => named(itemsOf(question), pair).join(' – '));
    case 'gaps':
      return gapWords(question, response.gaps);
    case 'number':
    case 'extendedText':
      return response.text === '' ? [] : [response.text];
    case 'points':
      return response.points.map(([x, y]) => `${x / 100} % from the left, ${y / 100} % from the top`);
    case 'scale':
      return [String(response.value)];
    case 'files':
      return response.files.map(({ name }) => name);
    case 'drawing':
      return response.drawing.marks.flatMap((mark) => (mark.tool === 'text' ? [mark.text] : []));
  }
}

function itemsOf(question: Question): readonly Item[] {
  switch (question.kind) {
    case 'choice':
    case 'poll':
      return question.options;
    case 'order':
    case 'associate':
      return question.items;
    case 'match':
      return [...question.sources, ...question.targets];
    case 'hottext':
      return question.words;
    case 'hotspot':
      return question.areas.map(({ id, label }) => ({ id, text: label }));
    default:
      return [];
  }
}

const named = (items: readonly Item[], ids: readonly string[]): string[] =>
  ids.flatMap((id) => items.find((one) => one.id === id)?.text ?? []);

function gapWords(question: Question, given: Readonly<Record<string, string>>): string[] {
  switch (question.kind) {
    case 'textEntry':
      return question.gaps.map(({ id }) => given[id] ?? '').filter((text) => text !== '');
    case 'gapMatch':
      return question.gaps.flatMap(({ id }) => named(question.words, given[id] === undefined ? [] : [given[id]]));
    case 'inlineChoice':
      return question.gaps.flatMap(({ id, options }) => named(options, given[id] === undefined ? [] : [given[id]]));
    case 'graphicGapMatch':
      return question.areas.flatMap(({ id, label }) =>
        named(question.words, given[id] === undefined ? [] : [given[id]]).map((text) => `${label}: ${text}`),
      );
    default:
      return [];
  }
}

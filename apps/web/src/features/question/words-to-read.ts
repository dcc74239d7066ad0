import type { LearnerQuestion } from '@semita/core/learner';
import type { Item } from '@semita/core/question';
import { plainWords } from '@semita/core/text';
import './words.ts';

/** All a student would read of a question, to be read aloud: what is asked, and what there is to choose from. */
export function wordsToRead(question: LearnerQuestion): string {
  return [plainWords(question.stem), ...offered(question)].filter((words) => words !== '').join('. ');
}

const textsOf = (items: readonly Item[]) => items.map(({ text }) => plainWords(text));

function offered(question: LearnerQuestion): string[] {
  switch (question.kind) {
    case 'choice':
    case 'poll':
      return question.options.map(({ text, picture }) => plainWords(text) || (picture?.alt ?? ''));
    case 'inlineChoice':
    case 'gapMatch':
    case 'textEntry': {
      const text = question.pieces.map((piece) => ('text' in piece ? piece.text : ' … ')).join('');
      return question.kind === 'gapMatch' ? [text, ...textsOf(question.words)] : [text];
    }
    case 'hottext':
      return [question.words.map(({ text }) => text).join('')];
    case 'order':
    case 'associate':
      return textsOf(question.items);
    case 'match':
      return [...textsOf(question.sources), ...textsOf(question.targets)];
    case 'graphicGapMatch':
      return textsOf(question.words);
    case 'slider':
      return [question.minLabel, question.maxLabel];
    case 'extendedText':
      return [...question.starters, ...question.wordBox];
    default:
      return [];
  }
}

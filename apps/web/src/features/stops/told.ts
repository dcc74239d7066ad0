import { type Proposal, pickWords, type QuestionFinding } from '@semita/core/analysis';
import type { Question } from '@semita/core/question';
import { plainWords } from '@semita/core/text';
import { formatShare } from '../../words/format.ts';
import { t } from '../../words/words.ts';
import './words.ts';

/** The questions of a lesson by their ids, with the numbers they go by. */
export type Numbered = ReadonlyMap<string, { readonly number: number; readonly question: Question }>;

export const wordsOfPick = (question: Question, pick: string) => plainWords(pickWords(question, pick));

/** A finding as a sentence. */
export function findingWords(question: Question, finding: QuestionFinding): string {
  switch (finding.kind) {
    case 'lookAtKey':
      return t('finding.lookAtKey', { words: wordsOfPick(question, finding.pick) });
    case 'sameWrong':
      return t('finding.sameWrong', { count: finding.count, words: wordsOfPick(question, finding.pick) });
    default:
      return t(`finding.${finding.kind}`);
  }
}

interface Told {
  /** Why they are together. */
  readonly reason: string;
  readonly groupName: string;
}

/** A proposal in words; null where its question is not to be had. */
export function proposalWords(proposal: Proposal, numbered: Numbered): Told | null {
  const count = proposal.studentIds.length;
  switch (proposal.kind) {
    case 'sameMistake': {
      const told = proposal.mistakes.flatMap(({ questionId, pick }) => {
        const one = numbered.get(questionId);
        return one ? [{ number: one.number, words: wordsOfPick(one.question, pick) }] : [];
      });
      const first = told.toSorted((a, b) => a.number - b.number)[0];
      const second = told.find(({ number }) => number !== first?.number);
      if (!first) return null;
      const groupName = t('proposal.groupMistake', { words: first.words }).slice(0, 80);
      if (!second) return { reason: t('proposal.sameMistake', { count, ...first }), groupName };
      const others = { others: second.words, otherNumber: second.number };
      return { reason: t('proposal.twoMistakes', { count, ...first, ...others }), groupName };
    }
    case 'sureAndWrong': {
      const number = numbered.get(proposal.questionId)?.number;
      if (number === undefined) return null;
      return { reason: t('proposal.sureAndWrong', { count, number }), groupName: t('proposal.groupSure', { number }) };
    }
    case 'needsHelp':
      return {
        reason: t('proposal.needsHelp', { count, share: formatShare(proposal.belowShare) }),
        groupName: t('proposal.groupHelp'),
      };
    case 'raced':
      return { reason: t('proposal.raced', { count }), groupName: t('proposal.groupRaced') };
  }
}

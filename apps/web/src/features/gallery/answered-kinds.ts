import { allShown } from '@semita/core/assignment';
import { beginAttempt, defaultTerms, type LearnerEventBody } from '@semita/core/attempt';
import { everyKind, lessonOf } from '@semita/core/examples';
import { type LearnerView, learnerView } from '@semita/core/learner';
import { correctResponse } from '@semita/core/marking';
import { createContext } from '@semita/core/own-lesson';
import type { Question, QuestionKind, Response } from '@semita/core/question';
import { takeInAll } from '@semita/core/reducer';

export type Given = 'right' | 'wrong';

const words = (text: string): Response => ({ kind: 'extendedText', text });

/** What is given to questions that have no key. */
const opinions: Partial<Record<QuestionKind, Response>> = {
  poll: { kind: 'choice', optionIds: ['p1'] },
  extendedText: words('Because the weight bends a long beam more than a short one.'),
  discussion: words('I would cross the rope bridge: it gives way and comes back.'),
  slider: { kind: 'scale', value: 5 },
};

/** The key, or what is as far from it as a student may go. */
function responseTo(question: Question, given: Given): Response | undefined {
  const key = correctResponse(question) as Response | null;
  if (!key) return opinions[question.kind];
  if (given === 'right') return key;
  switch (key.kind) {
    case 'choice':
      return { kind: 'choice', optionIds: otherIds(question, key.optionIds) };
    case 'gaps': {
      const [first, ...rest] = Object.values(key.gaps);
      const turned = [...rest, first ?? ''];
      return { kind: 'gaps', gaps: Object.fromEntries(Object.keys(key.gaps).map((id, i) => [id, turned[i] ?? ''])) };
    }
    case 'number':
      return { kind: 'number', text: '1' };
    case 'order':
      return { kind: 'order', itemIds: key.itemIds.toReversed() };
    case 'pairs':
      return { kind: 'pairs', pairs: key.pairs.slice(1) };
    case 'points':
      return { kind: 'points', points: key.points.map(() => [10, 10]) };
    default:
      return key;
  }
}

function otherIds(question: Question, ids: readonly string[]): string[] {
  const all =
    'options' in question
      ? question.options
      : 'areas' in question
        ? question.areas
        : 'words' in question
          ? question.words
          : [];
  const others = all.map(({ id }) => id).filter((id) => !ids.includes(id));
  return others.length > 0 ? [...others] : [...ids];
}

/** A lesson of one question, as a student sees it who has answered it. */
export function answered(kind: QuestionKind, given: Given): LearnerView | null {
  const question = everyKind[kind];
  const response = responseTo(question, given);
  if (!response) return null;
  const lesson = lessonOf([question]);
  const terms = defaultTerms;
  const bodies: LearnerEventBody[] = [
    { type: 'opened' },
    { type: 'reachedStop', stopId: 'stop' },
    { type: 'answered', stopId: 'stop', responses: { [question.id]: response } },
  ];
  const events = bodies.map((body, n) => ({
    ...{ ...body, id: String(n), sittingId: 'gallery', n, at: n * 60_000, receivedAt: n * 60_000 },
  }));
  const state = takeInAll(createContext(lesson, terms), beginAttempt({ begunAt: 0, secret: 'gallery' }), events);
  return learnerView(lesson, state, terms, allShown);
}

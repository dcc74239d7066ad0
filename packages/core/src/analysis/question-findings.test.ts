import { describe, expect, test } from 'vitest';
import type { Question, QuestionOf } from '../question/question.ts';
import { type ItemResult, itemFigures } from './item-figures.ts';
import { isWrongPick, picksOf, pickWords } from './picks.ts';
import { questionFindings } from './question-findings.ts';

const head = { points: 100, teacherNote: '', stem: '' };
const options = ['a', 'b', 'c'].map((id) => ({ id, text: `Option ${id}`, correct: id === 'a', feedback: '' }));
const choice: QuestionOf<'choice'> = { ...head, id: 'q', kind: 'choice', multiple: false, options };

/** Twenty students, the first the best elsewhere, each with what they picked. */
function seen(pickOf: (rank: number) => string) {
  const results = Array.from({ length: 20 }, (_, rank): ItemResult[] => {
    const pick = pickOf(rank);
    return [
      { studentId: `s${rank}`, questionId: 'q', share: pick === 'a' ? 1 : 0, picked: [pick] },
      { studentId: `s${rank}`, questionId: 'other', share: 1 - rank / 20 },
    ];
  });
  return itemFigures(results.flat()).get('q') as NonNullable<ReturnType<ReturnType<typeof itemFigures>['get']>>;
}

describe('what stands out at a question', () => {
  test('the best took what the key calls wrong: look at the key', () => {
    expect(
      questionFindings(
        choice,
        seen((rank) => (rank < 12 ? 'b' : 'a')),
      ),
    ).toEqual([{ kind: 'lookAtKey', pick: 'b' }]);
  });

  test('a wrong option that many took, mostly the weaker ones, misleads; the key stands', () => {
    expect(
      questionFindings(
        choice,
        seen((rank) => (rank < 11 ? 'a' : rank < 19 ? 'b' : 'c')),
      ),
    ).toEqual([{ kind: 'sameWrong', pick: 'b', count: 8 }]);
  });

  test('hard, easy, and one that tells nothing of who knows more', () => {
    expect(
      questionFindings(
        choice,
        seen((rank) => ['b', 'c', 'd', 'a', 'e'][rank % 5] ?? ''),
      ).map(({ kind }) => kind),
    ).toEqual(['hard', 'tellsNothing']);
    expect(
      questionFindings(
        choice,
        seen(() => 'a'),
      ),
    ).toEqual([{ kind: 'easy' }]);
  });

  test('a right number that is written in several ways is not outnumbered by a wrong one', () => {
    const numeric: Question = {
      ...{ ...head, id: 'q', kind: 'numeric', value: 35, tolerance: { kind: 'exact' }, unit: '', unitNeeded: false },
    };
    const figures = seen((rank) => ['35', '35.0', '43', '43', '35.00'][rank % 5] ?? '');
    expect(questionFindings(numeric, figures).map(({ kind }) => kind)).not.toContain('lookAtKey');
  });

  test('too few answers say nothing', () => {
    const few = itemFigures([{ studentId: 's', questionId: 'q', share: 0, picked: ['b'] }]).get('q');
    expect(few && questionFindings(choice, few)).toEqual([]);
  });
});

describe('what an answer picks', () => {
  test('options, words in gaps, pairs and numbers; nothing of what everybody words for themselves', () => {
    expect(picksOf(choice, { kind: 'choice', optionIds: ['b'] })).toEqual(['b']);
    expect(picksOf({ kind: 'inlineChoice' }, { kind: 'gaps', gaps: { g: 'w' } })).toEqual(['g w']);
    expect(picksOf({ kind: 'textEntry' }, { kind: 'gaps', gaps: { g: 'typed' } })).toEqual([]);
    expect(picksOf({ kind: 'match' }, { kind: 'pairs', pairs: [['s', 't']] })).toEqual(['s t']);
    expect(picksOf({ kind: 'numeric' }, { kind: 'number', text: ' 43 ' })).toEqual(['43']);
    expect(picksOf({ kind: 'extendedText' }, { kind: 'extendedText', text: 'words' })).toEqual([]);
  });

  test.each<[Question, string, boolean, string]>([
    [choice, 'b', true, 'Option b'],
    [choice, 'a', false, 'Option a'],
    [
      { ...head, id: 'n', kind: 'numeric', value: 35, tolerance: { kind: 'exact' }, unit: '', unitNeeded: false },
      '43',
      true,
      '43',
    ],
    [
      { ...head, id: 'n', kind: 'numeric', value: 35, tolerance: { kind: 'exact' }, unit: '', unitNeeded: false },
      '35.0',
      false,
      '35.0',
    ],
    [
      {
        ...{
          ...head,
          id: 'i',
          kind: 'inlineChoice' as const,
          pieces: [{ text: 'When it sags, its upper side is in ' }, { gapId: 'g' }],
        },
        gaps: [{ id: 'g', options: [{ id: 'x', text: 'tension' }], correctId: 'y' }],
      },
      'g x',
      true,
      '… upper side is in tension',
    ],
    [
      {
        ...{ ...head, id: 'm', kind: 'match' as const, sources: [{ id: 's', text: 'Arch' }] },
        ...{ targets: [{ id: 't', text: 'squeezed' }], pairs: [['s', 't'] as const] },
      },
      's t',
      false,
      'Arch – squeezed',
    ],
  ])('%#: by the key, and in words', (question, pick, isWrong, words) => {
    expect(isWrongPick(question, pick)).toBe(isWrong);
    expect(pickWords(question, pick)).toBe(words);
  });
});

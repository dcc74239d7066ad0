// @vitest-environment jsdom
import { lessonFigures } from '@semita/core/analysis';
import type { StopFigures } from '@semita/core/contract';
import type { Lesson } from '@semita/core/lesson';
import { screen, within } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { standIn } from '../../test/stand-in-server.ts';
import { StopsView } from './stops-view.tsx';

// The browser of the tests draws nothing; what a chart shows stands in the table beside it.
vi.mock('../../ui/charts/count-chart.tsx', () => ({ default: () => null }));

const choice = (id: string, stem: string, words: readonly string[]) => ({
  ...{ id, kind: 'choice' as const, stem, points: 100, multiple: false, teacherNote: '' },
  options: words.map((text, index) => ({ id: `${id}${index}`, text, correct: index === 0, feedback: '' })),
});
const top = choice('top', 'What happens at the top?', ['It gets shorter', 'It gets longer']);
const span = choice('span', 'How much harder?', ['Twice', 'Four times']);
/** Those who do well overall. */
const others = ['a', 'b', 'c'].map((id) => choice(id, `Question ${id}`, ['Right', 'Wrong']));
const lesson: Lesson = {
  title: 'Bridges',
  parts: [
    {
      ...{ id: 'task', kind: 'task', title: 'Task', inMs: 0, outMs: 1 },
      stops: [{ id: 'stop', kind: 'checkpoint', atMs: 0, required: true, questions: [top, span, ...others] }],
    },
  ],
};
const names = Object.fromEntries(Array.from({ length: 12 }, (_, i) => [`s${i}`, `Student ${i}`]));

/** Four take the longer side for right; the better ones answer the second question by what is right, and the key is not. */
const results = Object.keys(names).flatMap((studentId, i) =>
  [
    { question: top, picked: i < 4 ? 1 : 0 },
    { question: span, picked: i < 5 ? 0 : 1 },
    ...others.map((question, at) => ({ question, picked: i < 4 && (i + at) % 3 === 0 ? 1 : 0 })),
  ].map(({ question, picked }) => ({
    ...{ studentId, stopId: 'stop', questionId: question.id, possible: 100, hasLeft: false },
    ...{ firstPoints: picked === 0 ? 100 : 0, picked: [`${question.id}${picked}`] },
    ...{ confidence: null, stopSpentMs: 20_000 },
  })),
);
const told = { lesson, names, figures: lessonFigures(lesson, results), classes: [] } as StopFigures;

const answers = results
  .filter(({ questionId }) => questionId === 'top')
  .map(({ studentId, picked, firstPoints }) => ({
    ...{ studentId, displayName: names[studentId] ?? '', before: null },
    answer: {
      response: { kind: 'choice' as const, optionIds: picked },
      ...{ points: firstPoints, markedBy: 'program', comment: null },
    },
  }));

test('what the answers have in common is proposed, and becomes a group in two presses', async () => {
  const sent = vi.fn();
  standIn({
    listRosters: () => [
      {
        ...{ id: 'amber', name: '8 Amber', shape: 'arch' as const, colour: 'marigold' as const, timeZone: 'UTC' },
        ...{ locale: 'en', meetings: [], groups: [] },
        students: Object.entries(names).map(([id, displayName]) => ({ id, displayName, extraTime: 1 })),
      },
    ],
    putIntoGroups: ({ params, body }) => {
      sent(params.classId, body.groups);
      return undefined;
    },
  });
  const { user } = show(<StopsView runs locale="en" assignmentId="a" told={told} />);
  const card = screen.getByText('4 chose “It gets longer” in question 1').closest('li') as HTMLElement;
  expect(within(card).getByText('Student 0, Student 1, Student 2, Student 3')).toBeTruthy();
  await user.click(within(card).getByRole('button', { name: 'Make a group …' }));
  expect((await screen.findByLabelText<HTMLInputElement>('Name of the group')).value).toBe('Once more: It gets longer');
  await user.click(screen.getByRole('button', { name: 'Put 4 students in it' }));
  await vi.waitFor(() =>
    expect(sent).toHaveBeenCalledWith('amber', [
      { name: 'Once more: It gets longer', studentIds: ['s0', 's1', 's2', 's3'] },
    ]),
  );
});

test('a key that the best went against is to be looked at, and is no mistake of theirs', () => {
  show(<StopsView runs locale="en" assignmentId="a" told={told} />);
  expect(screen.getByText('Students who did well overall chose “Four times”: look at the key.')).toBeTruthy();
  expect(screen.queryByText(/chose “Four times” in/)).toBeNull();
});

test('a question is opened with all its answers as a table, from which students are picked', async () => {
  standIn({ readAnswers: () => ({ stopId: 'stop', question: top, answers }) });
  const { user } = show(<StopsView runs locale="en" assignmentId="a" told={told} />, '/?question=top');
  const drawer = within(await screen.findByRole('dialog'));
  const row = (await drawer.findByRole('button', { name: 'Those who gave “It gets longer”' })).closest('tr');
  expect(within(row as HTMLElement).getAllByRole('cell')[0]?.textContent).toBe('4');
  await user.click(drawer.getByRole('button', { name: 'Those who gave “It gets longer”' }));
  expect(drawer.getByText('4 students gave “It gets longer” at first.')).toBeTruthy();
  expect(drawer.getByText('Student 0, Student 1, Student 2, Student 3')).toBeTruthy();
});

test('nobody has answered: what will stand here', () => {
  const none = { ...told, figures: lessonFigures(lesson, []) } as StopFigures;
  show(<StopsView runs locale="en" assignmentId="a" told={none} />);
  expect(screen.getByText('Nobody has answered anything yet')).toBeTruthy();
});

test('who only stands in neither makes groups nor gives anything', () => {
  show(<StopsView runs={false} locale="en" assignmentId="a" told={told} />);
  expect(screen.queryByRole('button', { name: 'Make a group …' })).toBeNull();
  expect(screen.getAllByRole('button', { name: 'Copy for a talk' }).length).toBeGreaterThan(0);
});

test('where something was tried again, what was given in the end can be looked at', async () => {
  const wrongFirst = answers.map((one, index) =>
    index === 0
      ? {
          ...one,
          answer: {
            ...one.answer,
            earlier: [{ response: one.answer.response, points: 0, comment: null, because: 'tried' as const }],
          },
        }
      : one,
  );
  standIn({ readAnswers: () => ({ stopId: 'stop', question: top, answers: wrongFirst }) });
  const { user } = show(<StopsView {...{ assignmentId: 'a', told }} runs locale="en" />, `/?question=${top.id}`);
  const last = await screen.findByRole('checkbox', { name: 'What they gave in the end, not at first' });
  expect(screen.getByRole('columnheader', { name: /best/ })).toBeTruthy();
  await user.click(last);
  expect(screen.queryByRole('columnheader', { name: /best/ })).toBeNull();
});

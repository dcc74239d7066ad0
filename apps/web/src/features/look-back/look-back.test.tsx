// @vitest-environment jsdom
import type { LookBack } from '@semita/core/analysis';
import type { QuestionAnswers, SentSheet, StopFigures } from '@semita/core/contract';
import { act, fireEvent, screen, within } from '@testing-library/react';
import { Route, Routes } from 'react-router';
import { expect, test, vi } from 'vitest';
import { everyKind } from '../../../../../packages/core/src/examples/every-kind.ts';
import { lessonOf } from '../../../../../packages/core/src/examples/kinds-lesson.ts';
import { show } from '../../test/page.tsx';
import { Refusal, standIn } from '../../test/stand-in-server.ts';
import { Component as LookBackRoute } from './look-back-route.tsx';
import { sectionsOf } from './sections.ts';

// The browser of the tests draws nothing; what the chart shows stands in the table beside it.
vi.mock('../../ui/charts/count-chart.tsx', () => ({ default: () => null }));

const choice = { ...everyKind.choice, stem: 'What happens at the top?', target: 'B.1' };
const written = { ...everyKind.extendedText, stem: 'Why does it bend?' };
const figuresOf = (questionId: string, meanShare: number | null, options: string[]) => ({
  ...{
    stopId: 'stop',
    questionId,
    answered: 12,
    waiting: 0,
    count: meanShare === null ? 0 : 12,
    sure: null,
    meanShare,
  },
  ...{ discrimination: null, upperLower: null, medianStopMs: null, findings: [] },
  options: options.map((optionId, i) => ({ optionId, count: 9 - i, upperShare: null, lowerShare: null })),
});
const told: StopFigures = {
  lesson: lessonOf([choice, written]),
  ...{ names: {}, classes: [] },
  figures: {
    questions: [
      figuresOf(
        choice.id,
        0.4,
        choice.options.map(({ id }) => id),
      ),
      figuresOf(written.id, null, []),
    ],
    ...{ reliability: { alpha: null, students: 0, questions: 0 }, proposals: [] },
  },
};
const sheet: SentSheet = {
  assignment: {
    ...{ id: 'a1', title: 'How bridges carry load', classId: 'amber', className: '8 Amber', timeZone: 'UTC' },
    ...{ opensAt: null, dueAt: null, closesAt: null, to: [], series: null, givenAt: 0, takenBackAt: null },
    ...{
      studentCount: 0,
      begunCount: 0,
      handedInCount: 0,
      toMarkCount: 0,
      stuckCount: 0,
      toMarkSince: null,
      overdueCount: 0,
      overdueSince: null,
      cameInCount: 0,
    },
  },
  terms: { skipping: false, rewindAtStops: true, maxRate: 2 },
  ...{ mostAttempts: 1, releasedAt: null, note: '', runs: true, editionNumber: 1, newer: null, lessonId: 'l' },
  ...{ stops: [], students: [], erased: null, now: 0, version: 'v.1' },
};
const answers: QuestionAnswers = {
  ...{ stopId: 'stop', question: written },
  answers: ['Ada', 'Bo'].map((name) => ({
    ...{ studentId: name, displayName: name, before: null },
    answer: {
      response: { kind: 'extendedText' as const, text: `${name} says it sags.` },
      ...{ points: 0, markedBy: null, comment: null },
    },
  })),
};

function open(content: LookBack, isRefused = false) {
  const kept = vi.fn();
  // There is no line to be told by.
  vi.stubGlobal(
    'EventSource',
    class {
      addEventListener() {}
      close() {}
    },
  );
  standIn({
    readSheet: () => sheet,
    readStopFigures: () => told,
    readLookBack: () => content as never,
    setLookBack: ({ body }) => {
      kept(body);
      if (isRefused) throw new Refusal('internal');
      return undefined;
    },
    listTargets: () => [{ id: 'b', code: 'B.1', words: 'Tells forces apart', parentCode: null, isOwn: true }],
    readAnswers: () => answers,
  });
  const shown = show(
    <Routes>
      <Route path="/assignments/:assignmentId/look-back" element={<LookBackRoute />} />
    </Routes>,
    '/assignments/a1/look-back',
  );
  return { ...shown, kept };
}

const empty: LookBack = { again: '', hidden: [], shown: [] };

test('how it went, what was to be learnt, and what is weak stand there by themselves', async () => {
  open(empty);
  expect(await screen.findByText('B.1 Tells forces apart: 40% of the points')).toBeTruthy();
  expect(screen.getByText('Question 1: What happens at the top? (40%)')).toBeTruthy();
  const [, first] = screen.getAllByRole('row');
  expect(first?.textContent).toContain('9');
});

test('answers are chosen, named only where that is ticked, and kept at once; questions are left out', async () => {
  const { user, kept } = open(empty);
  await user.click((await screen.findAllByRole('button', { name: 'Choose answers …' }))[1] as HTMLElement);
  const drawer = within(await screen.findByRole('dialog', { name: 'Answers to show' }));
  await user.click(await drawer.findByRole('checkbox', { name: 'Show the answer of Bo' }));
  const bo = { questionId: written.id, studentId: 'Bo' };
  await vi.waitFor(() => expect(kept).toHaveBeenLastCalledWith({ ...empty, shown: [{ ...bo, isNamed: false }] }));
  await user.click(await drawer.findByRole('checkbox', { name: 'Say that it is of Bo' }));
  await vi.waitFor(() => expect(kept).toHaveBeenLastCalledWith({ ...empty, shown: [{ ...bo, isNamed: true }] }));
  await user.keyboard('{Escape}');
  await user.click(await screen.findByRole('checkbox', { name: 'Show question 1' }));
  await vi.waitFor(() => expect(kept.mock.lastCall?.[0].hidden).toEqual([choice.id]));
});

test('on the wall, page by page, by keys; somebody who is not named is not named, and what is left out is not there', async () => {
  const shown = [{ questionId: written.id, studentId: 'Bo', isNamed: false }];
  const { user } = open({ again: 'Bring a sponge', hidden: [choice.id], shown });
  await user.click(await screen.findByRole('button', { name: 'Show to the class' }));
  const wall = await screen.findByRole('dialog', { name: 'How bridges carry load' });
  expect(within(wall).getByRole('region', { name: 'Page 1 of 4' })).toBeTruthy();
  fireEvent.keyDown(wall, { key: 'PageDown' });
  expect(await within(wall).findByText('Bo says it sags.')).toBeTruthy();
  expect(within(wall).getByText('Somebody in the class')).toBeTruthy();
  expect(wall.textContent).not.toContain('What happens at the top?');
  fireEvent.keyDown(wall, { key: 'ArrowRight' });
  fireEvent.keyDown(wall, { key: ' ' });
  expect(within(wall).getByText('Bring a sponge')).toBeTruthy();
  // The question that is left out is not named among the weak ones either.
  expect(wall.textContent).not.toContain('Question 1');
  await act(async () => fireEvent.keyDown(wall, { key: 'Escape' }));
  expect(screen.queryByRole('dialog')).toBeNull();
});

test('what could not be kept is not shown as if it were', async () => {
  const { user, kept } = open(empty, true);
  const shown = await screen.findByRole<HTMLInputElement>('checkbox', { name: 'Show question 1' });
  await user.click(shown);
  await vi.waitFor(() => expect(kept).toHaveBeenCalled());
  await vi.waitFor(() => expect(shown.checked).toBe(true));
});

test('what nobody has answered is no page', () => {
  const silent = {
    ...told,
    figures: {
      ...told.figures,
      questions: told.figures.questions.map((one) => ({ ...one, answered: 0, meanShare: null })),
    },
  };
  expect(sectionsOf({ students: [] }, silent, empty, new Map()).map(({ kind }) => kind)).toEqual(['opening']);
});

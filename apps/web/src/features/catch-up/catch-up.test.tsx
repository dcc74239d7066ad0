// @vitest-environment jsdom
import type { AttemptDetail, StopFigures } from '@semita/core/contract';
import type { Lesson } from '@semita/core/lesson';
import { screen, within } from '@testing-library/react';
import { Route, Routes } from 'react-router';
import { expect, test, vi } from 'vitest';
import { everyKind } from '../../../../../packages/core/src/examples/every-kind.ts';
import { show } from '../../test/page.tsx';
import { standIn } from '../../test/stand-in-server.ts';
import { placeLink, placeOf } from '../walk/place-link.ts';
import { Component as CatchUpRoute } from './catch-up-route.tsx';

const { picture: _, ...choice } = everyKind.choice;
const options = ['Squeezed', 'Pulled'].map((text, index) => ({ id: text, text, correct: index === 0, feedback: '' }));
const ask = (id: string) => ({ ...choice, id, multiple: false, options, points: 100, stem: `What happens in ${id}?` });
const stop = (id: string, atMs: number) => ({
  ...{ id, kind: 'checkpoint' as const, atMs, required: true },
  questions: [ask(`question ${id}`)],
});
const lesson: Lesson = {
  title: 'How bridges carry load',
  parts: [
    {
      ...{ id: 'clip', kind: 'clip', title: 'Two forces', materialId: 'film', inMs: 0, outMs: 60_000 },
      stops: [stop('a', 20_000), stop('b', 40_000)],
    },
    { id: 'task', kind: 'task', title: 'On paper', inMs: 0, outMs: 1, stops: [stop('c', 0)] },
  ],
};
const settled = (openedAt: number) => ({
  ...{ phase: 'answered', openedAt, openedAtSpentMs: 0, settledAt: openedAt, drafts: {}, answers: {} },
});
const state = {
  parts: { clip: { coverage: [{ fromMs: 0, toMs: 20_000, times: 1 }], furthestMs: 20_000, positionMs: 20_000 } },
  stops: { a: settled(1) },
  discrepancies: { cutMs: 0, hiddenMs: 0, lateAnswers: 0, refusedCount: 0, refusals: [] },
} as unknown as NonNullable<AttemptDetail['state']>;
const student = { studentId: 's1', displayName: 'Ada', excused: false, dueAt: null, row: null };
const detail = (more: Partial<AttemptDetail> = {}): AttemptDetail => ({
  ...{ student, lesson, state, aheadPartIds: ['clip', 'task'] },
  ...more,
});
const figures = (stopId: string): StopFigures['figures']['questions'][number] => ({
  ...{ stopId, questionId: `question ${stopId}`, answered: 12, waiting: 0, count: 12, sure: null, meanShare: 0.5 },
  ...{ discrimination: null, upperLower: null, medianStopMs: null, findings: [] },
  options: [
    { optionId: 'Pulled', count: 7, upperShare: null, lowerShare: null },
    { optionId: 'Squeezed', count: 5, upperShare: null, lowerShare: null },
  ],
});

function open(one: AttemptDetail) {
  standIn({
    readAttempt: () => one,
    readStopFigures: () => ({
      ...{ lesson, names: {}, classes: [] },
      figures: {
        questions: ['a', 'b', 'c'].map(figures),
        reliability: { alpha: null, students: 12, questions: 3 },
        proposals: [],
      },
    }),
    readCaptions: () => [
      { startMs: 10_000, endMs: 15_000, text: 'Met already.' },
      { startMs: 25_000, endMs: 30_000, text: 'A beam is <i>squeezed</i> on top.' },
    ],
  });
  return show(
    <Routes>
      <Route path="/assignments/:assignmentId/students/:studentId/catch-up" element={<CatchUpRoute />} />
    </Routes>,
    '/assignments/a1/students/s1/catch-up',
  );
}

test('names what was missed, with what is said there, its questions, and a way to it', async () => {
  open(detail());
  const clip = within(
    (await screen.findByRole('heading', { name: 'Two forces, 0:20 to 1:00' })).closest('section') as HTMLElement,
  );
  expect(await clip.findByText('A beam is squeezed on top.')).toBeTruthy();
  expect(clip.queryByText(/Met already/)).toBeNull();
  expect(clip.getByText('What happens in question b?')).toBeTruthy();
  expect(screen.queryByText('What happens in question a?')).toBeNull();
  expect(clip.getByRole('link').getAttribute('href')).toBe('/walk/a1?part=clip&at=20000');
  expect(screen.getByRole('heading', { name: 'On paper' })).toBeTruthy();
  expect(screen.getByText(/2 places were missed/)).toBeTruthy();
});

test('tells what the class found only where that is wanted', async () => {
  const { user } = open(detail());
  await screen.findByRole('heading', { name: 'On paper' });
  expect(screen.queryByText(/Right:/)).toBeNull();
  await user.click(screen.getByRole('checkbox', { name: 'With what the class found' }));
  const found = within(screen.getByRole('heading', { name: 'What the class found' }).closest('section') as HTMLElement);
  expect(found.getAllByText('12 have answered, 50% of the points')).toHaveLength(2);
  expect(found.getAllByText('Most often: Pulled (7)')).toHaveLength(2);
  expect(found.getAllByText('Right: Squeezed')).toHaveLength(2);
});

test('who has begun nothing has missed all of it, and who is done nothing', async () => {
  open(detail({ state: null }));
  expect(await screen.findByText(/this is the whole lesson/)).toBeTruthy();
  expect(screen.getByText('What happens in question a?')).toBeTruthy();
});

test('nothing was missed', async () => {
  const parts = { clip: { coverage: [{ fromMs: 0, toMs: 60_000, times: 1 }], furthestMs: 60_000, positionMs: 0 } };
  open(detail({ state: { ...state, parts, stops: { a: settled(1), b: settled(2), c: settled(3) } } as never }));
  expect(await screen.findByText('Ada has missed nothing')).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Print' })).toBeNull();
});

test('the link is copied', async () => {
  const { user } = open(detail());
  const write = vi.spyOn(navigator.clipboard, 'writeText').mockResolvedValue();
  await user.click(await screen.findByRole('button', { name: 'Copy the link' }));
  expect(write).toHaveBeenCalledWith(`${location.origin}/walk/a1?part=clip&at=20000`);
});

test('a link says a place, or none', () => {
  const search = (text: string) => new URLSearchParams(text);
  expect(placeOf(search(placeLink('a1', { partId: 'p 1&', atMs: 12.6 }).split('?')[1] ?? ''))).toEqual({
    ...{ partId: 'p 1&', atMs: 13 },
  });
  for (const bad of ['', 'part=p', 'at=3', 'part=p&at=', 'part=p&at=x', 'part=p&at=-1', 'part=p&at=Infinity'])
    expect([bad, placeOf(search(bad))]).toEqual([bad, bad === 'part=p&at=' ? { partId: 'p', atMs: 0 } : null]);
});

// @vitest-environment jsdom
import { allShown } from '@semita/core/assignment';
import { beginAttempt, defaultTerms } from '@semita/core/attempt';
import type { OpenedPractice, SentEvent } from '@semita/core/contract';
import { learnerView } from '@semita/core/learner';
import { createContext } from '@semita/core/own-lesson';
import { takeIn } from '@semita/core/reducer';
import { screen } from '@testing-library/react';
import { Route, Routes } from 'react-router';
import { afterEach, describe, expect, test, vi } from 'vitest';
import { bridgeLesson, wholeWalk } from '../../../../../packages/core/src/test/bridge-lesson.ts';
import { askForMaterialsBy, pathOf } from '../../api/client.ts';
import { show } from '../../test/page.tsx';
import { Refusal, standIn } from '../../test/stand-in-server.ts';
import { PracticeDialog } from './practice-dialog.tsx';
import { Component as PracticeRoute } from './practice-route.tsx';
import { createPracticeSession } from './practice-session.ts';

afterEach(() => vi.useRealTimers());

const begun = () => beginAttempt({ begunAt: 0, secret: 'of a test' });
const opened: OpenedPractice = {
  ...{
    schoolName: 'Quillhaven',
    teacherName: 'Ms. Lund',
    walkId: 'a-walk-with-a-long-enough-name',
    begunAt: 0,
    now: 0,
  },
  terms: defaultTerms as OpenedPractice['terms'],
  view: learnerView(bridgeLesson, begun(), defaultTerms, allShown),
};

/** As the server does it: from the beginning, each time. */
const computeAnew = (events: readonly SentEvent[]) => {
  const context = createContext(bridgeLesson, defaultTerms);
  let state = begun();
  const outcomes = events.map((event) => {
    const taken = takeIn(context, state, { ...event, receivedAt: event.at });
    state = taken.state;
    return { id: event.id, ...taken.outcome };
  });
  return {
    ...{ outcomes, version: state.version, now: Date.now() },
    view: learnerView(bridgeLesson, state, defaultTerms, allShown),
  };
};

describe('a walk that nobody keeps', () => {
  test('sends all that was done so far with each step, and shows what came of it', async () => {
    vi.useFakeTimers({ now: 1_000_000 });
    const sent: number[][] = [];
    let isCut = false;
    standIn({
      walkPractice: ({ body }) => {
        if (isCut) throw new Refusal('internal');
        sent.push(body.events.map(({ n }) => n));
        return computeAnew(body.events as SentEvent[]);
      },
    });
    const session = createPracticeSession('token', opened);
    const stop = session.start();
    for (const [index, body] of wholeWalk.entries()) {
      isCut = index === 3;
      vi.setSystemTime(Date.now() + 60_000);
      session.record(body);
      await vi.advanceTimersByTimeAsync(2_000);
    }
    await vi.advanceTimersByTimeAsync(60_000);
    stop();
    expect(sent.at(-1)).toEqual(Array.from({ length: wholeWalk.length + 1 }, (_, n) => n));
    const { state, results, link } = session.getSnapshot();
    expect([state.handedInAt !== null, Object.keys(results).length > 0, link]).toEqual([true, true, 'saved']);
  });

  test('sends of what is typed only the last, however long somebody types', async () => {
    vi.useFakeTimers({ now: 1_000_000 });
    const sent: SentEvent[][] = [];
    standIn({
      walkPractice: ({ body }) => {
        sent.push(body.events as SentEvent[]);
        return computeAnew(body.events as SentEvent[]);
      },
    });
    const session = createPracticeSession('token', opened);
    const stop = session.start();
    const before = wholeWalk.findIndex(({ type }) => type === 'answered');
    for (const body of wholeWalk.slice(0, before)) session.record(body);
    const answered = wholeWalk[before] as Extract<(typeof wholeWalk)[number], { type: 'answered' }>;
    const [questionId = '', response] = Object.entries(answered.responses)[0] ?? [];
    if (!response) throw new Error('Nothing is answered.');
    for (let i = 0; i < 5; i++) {
      session.record({ type: 'draftSaved', stopId: answered.stopId, questionId, response });
      await vi.advanceTimersByTimeAsync(2_000);
    }
    session.record(answered);
    await vi.advanceTimersByTimeAsync(2_000);
    stop();
    const types = (sent.at(-1) ?? []).map(({ type }) => type);
    expect([types.filter((type) => type === 'draftSaved').length, types.includes('gap')]).toEqual([1, true]);
    expect(Object.keys(session.getSnapshot().results)).toContain(questionId);
  });

  test('asks for materials by the link, and only as long as it goes on', () => {
    const close = askForMaterialsBy('a/b');
    expect(pathOf('streamMedia', { materialId: 'film' })).toBe('/api/practice/a%2Fb/materials/film/media');
    expect(pathOf('readSheet', { assignmentId: 'a' })).toBe('/api/assignments/a/sheet');
    close();
    expect(pathOf('streamMedia', { materialId: 'film' })).toBe('/api/materials/film/media');
  });
});

const visit = () =>
  show(
    <Routes>
      <Route path="/practice/:practiceToken" element={<PracticeRoute />} />
    </Routes>,
    '/practice/token',
  );

test('says first that nothing is kept, and by whom it is', async () => {
  standIn({ openPractice: () => opened });
  visit();
  expect(await screen.findByRole('heading', { name: bridgeLesson.title })).toBeTruthy();
  expect(screen.getByText('For practice: nothing is kept')).toBeTruthy();
  expect(screen.getByText('By Ms. Lund, Quillhaven')).toBeTruthy();
});

test('a link that is off says so', async () => {
  standIn({
    openPractice: () => {
      throw new Refusal('notFound');
    },
  });
  visit();
  expect(await screen.findByRole('heading', { name: 'This practice link cannot be used' })).toBeTruthy();
});

test('a teacher makes one, names sites, and is told which are none', async () => {
  const sent = vi.fn();
  let link = { token: null as string | null, isOpen: false, frames: [] as string[] };
  standIn({
    readPracticeLink: () => link,
    setPracticeLink: ({ body }) => {
      sent(body);
      if (body.frames.includes('https://no where.example')) throw new Refusal('inputInvalid', { fields: ['frames.0'] });
      link = { token: 'token', isOpen: body.isOpen, frames: body.frames };
      return link;
    },
  });
  const { user } = show(<PracticeDialog lessonId="l" title="Bridges" onClose={() => undefined} />);
  await user.click(await screen.findByRole('button', { name: 'Make a practice link' }));
  expect((await screen.findByLabelText<HTMLInputElement>('Practice link')).value).toMatch(/\/practice\/token$/);
  const sites = screen.getByLabelText('Sites that may show it in a frame');
  await user.type(sites, 'https://class.example');
  await user.click(screen.getByRole('button', { name: 'Save the sites' }));
  expect((await screen.findByLabelText<HTMLTextAreaElement>('For the page that shows it')).value).toContain('<iframe');
  expect(sent).toHaveBeenLastCalledWith({ isOpen: true, isNew: false, frames: ['https://class.example'] });
});

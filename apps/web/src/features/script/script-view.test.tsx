// @vitest-environment jsdom
import type { Fault } from '@semita/core/checks';
import type { MaterialPart } from '@semita/core/lesson';
import { scriptOf } from '@semita/core/script';
import { screen } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, test, vi } from 'vitest';
import { bridgeLesson } from '../../../../../packages/core/src/test/bridge-lesson.ts';
import { show } from '../../test/page.tsx';
import type { ScriptActions } from './script-actions.ts';
import { ScriptView } from './script-view.tsx';

// What a browser has and jsdom has not; the drag-and-drop library asks for it as it is loaded.
vi.hoisted(() => {
  class Observer {
    observe() {}
    unobserve() {}
    disconnect() {}
    takeRecords() {
      return [];
    }
  }
  Object.assign(globalThis, { ResizeObserver: Observer, IntersectionObserver: Observer });
  Element.prototype.scrollIntoView = () => undefined;
});

/** Six lines of ten seconds; stops at 20, 30 and 40 s stand under the lines that end there. */
const lines = scriptOf(
  Array.from({ length: 6 }, (_, i) => ({ startMs: i * 10_000, endMs: (i + 1) * 10_000, text: `Words ${i + 1}` })),
  60_000,
);
const clip = bridgeLesson.parts[0] as MaterialPart;
const stop = (id: string) => clip.stops.find((one) => one.id === id);

function open({ openStopId = null as string | null, faults = [] as Fault[] } = {}) {
  const actions = {
    insert: vi.fn(),
    move: vi.fn(),
    setPhrase: vi.fn(() => true),
    split: vi.fn(),
    insertInset: vi.fn(),
    removeInset: vi.fn(),
    setBreaks: vi.fn(),
    takeBreaks: vi.fn(),
    dropBreak: vi.fn(),
    change: vi.fn(),
    remove: vi.fn(),
    setOpenStop: vi.fn(),
    setCursor: vi.fn(),
  } satisfies ScriptActions;
  function Script() {
    const [cursor, setCursor] = useState(0);
    const live = {
      ...actions,
      setCursor: (line: number) => {
        actions.setCursor(line);
        setCursor(line);
      },
    };
    return <ScriptView {...{ part: clip, lines, faults, openStopId, breaks: null, cursor }} actions={live} />;
  }
  return { ...show(<Script />), actions };
}

const line = (number: number) => screen.getByRole('button', { name: new RegExp(`Words ${number}$`) });
const pause = () => screen.getByRole('button', { name: /^Pause at 0:30/ });

test('lines and stops stand in the order of the film', () => {
  open();
  const items = [...document.querySelectorAll<HTMLElement>('[data-item]')].map((item) => item.dataset.item);
  expect(items).toEqual([
    'line:0',
    'line:1',
    'stop:s-one',
    'line:2',
    'stop:s-pause',
    'line:3',
    'stop:s-two',
    'line:4',
    'line:5',
  ]);
});

describe('by keys alone', () => {
  test('up and down go through lines and stops alike, and the cursor with them', async () => {
    const { user, actions } = open();
    line(1).focus();
    await user.keyboard('{ArrowDown}{ArrowDown}');
    expect(document.activeElement?.getAttribute('data-item')).toBe('stop:s-one');
    expect(actions.setCursor).toHaveBeenLastCalledWith(1);
    await user.keyboard('{ArrowUp}{ArrowUp}{ArrowUp}');
    expect(document.activeElement).toBe(line(1));
  });

  test('C and P put in a stop after the line', async () => {
    const { user, actions } = open();
    line(4).focus();
    await user.keyboard('cp');
    expect(actions.insert.mock.calls).toEqual([
      ['checkpoint', 4],
      ['pause', 4],
    ]);
  });

  test('Alt and an arrow move a stop by one line; Delete takes it out; Enter opens it', async () => {
    const { user, actions } = open();
    pause().focus();
    await user.keyboard('{Alt>}{ArrowDown}{ArrowUp}{/Alt}{Delete}{Enter}');
    expect(actions.move.mock.calls).toEqual([
      [stop('s-pause'), 4],
      [stop('s-pause'), 2],
    ]);
    expect(actions.remove).toHaveBeenCalledWith(stop('s-pause'));
    expect(actions.setOpenStop).toHaveBeenCalledWith('s-pause');
  });

  test('letters typed into a note are letters; Escape closes and leads back to the stop', async () => {
    const { user, actions } = open({ openStopId: 's-pause' });
    await user.type(screen.getByLabelText('Note to read'), 'cp');
    expect(actions.insert).not.toHaveBeenCalled();
    expect(actions.change).toHaveBeenLastCalledWith({ ...stop('s-pause'), note: 'Look at the arch.p' });
    await user.keyboard('{Escape}');
    expect(actions.setOpenStop).toHaveBeenCalledWith(null);
    expect(document.activeElement).toBe(pause());
  });
});

test('the buttons do the same at the place of the cursor', async () => {
  const { user, actions } = open();
  await user.click(line(3));
  expect(screen.getByText('At 0:30, after the marked line')).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Checkpoint here' }));
  expect(actions.insert).toHaveBeenCalledWith('checkpoint', 3);
});

test('a stop outside the window says so', () => {
  const trimmed = { ...clip, inMs: 25_000 };
  show(
    <ScriptView
      part={trimmed}
      lines={lines}
      faults={[]}
      openStopId={null}
      breaks={null}
      cursor={0}
      actions={{} as ScriptActions}
    />,
  );
  expect(screen.getAllByText('Outside the window')).toHaveLength(1);
});

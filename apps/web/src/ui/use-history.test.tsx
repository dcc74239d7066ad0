// @vitest-environment jsdom
import { act, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { useHistory } from './use-history.ts';

beforeEach(() => {
  vi.useFakeTimers({ now: 0 });
});
afterEach(() => {
  vi.useRealTimers();
});

function begin() {
  const { result } = renderHook(() => useHistory('a'));
  const change = (next: string, place?: string, afterMs = 10) =>
    act(() => {
      vi.advanceTimersByTime(afterMs);
      result.current.change(next, place);
    });
  return { result, change, undo: () => act(() => result.current.undo()), redo: () => act(() => result.current.redo()) };
}

test('steps are taken back and done again, and a new one ends what could be done again', () => {
  const { result, change, undo, redo } = begin();
  change('b');
  change('c');
  undo();
  expect([result.current.now, result.current.canUndo, result.current.canRedo]).toEqual(['b', true, true]);
  redo();
  expect([result.current.now, result.current.canRedo]).toEqual(['c', false]);
  undo();
  undo();
  undo();
  expect([result.current.now, result.current.canUndo]).toEqual(['a', false]);
  change('d');
  redo();
  expect([result.current.now, result.current.canRedo]).toEqual(['d', false]);
});

test('a burst of typing in one place is one step; a pause or another place begins the next', () => {
  const { result, change, undo } = begin();
  change('ab', 'heading');
  change('abc', 'heading');
  change('abc.', 'text');
  change('abc..', 'text', 2_000);
  const seen: string[] = [];
  while (result.current.canUndo) {
    undo();
    seen.push(result.current.now);
  }
  expect(seen).toEqual(['abc.', 'abc', 'a']);
});

test('what is typed after a step was taken back is a step of its own', () => {
  const { result, change, undo } = begin();
  change('ab', 'heading');
  undo();
  change('ax', 'heading');
  undo();
  expect(result.current.now).toBe('a');
});

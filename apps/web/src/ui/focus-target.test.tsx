// @vitest-environment jsdom
import { act, render } from '@testing-library/react';
import { useState } from 'react';
import { beforeEach, expect, test, vi } from 'vitest';
import { focusOn, focusTarget, useFocusTarget } from './focus-target.ts';

function Row({ name }: { readonly name: string }) {
  return <input aria-label={name} ref={useFocusTarget(`row:${name}`)} />;
}

let show: (names: readonly string[]) => void;
function Rows() {
  const [names, setNames] = useState<readonly string[]>(['a', 'b']);
  show = setNames;
  return names.map((name) => <Row key={name} name={name} />);
}

const focused = () => document.activeElement?.getAttribute('aria-label') ?? null;
const nextFrame = () => act(() => new Promise((resolve) => requestAnimationFrame(resolve)));

beforeEach(() => {
  document.body.innerHTML = '';
  render(<Rows />);
});

test('what stands there takes the focus once the page is drawn', async () => {
  focusOn('row:b');
  expect(focused()).toBe(null);
  await nextFrame();
  expect(focused()).toBe('b');
});

test('what is still to come takes it when it comes, and the latest wish holds', async () => {
  focusOn('row:c');
  focusOn('row:d');
  await nextFrame();
  act(() => show(['a', 'c', 'd']));
  expect(focused()).toBe('d');
});

test('what comes too late leaves the focus where somebody has gone on', async () => {
  const now = vi.spyOn(performance, 'now').mockReturnValue(0);
  focusOn('row:late');
  now.mockReturnValue(2_001);
  act(() => show(['late']));
  expect(focused()).toBe(null);
  now.mockRestore();
});

test('what is gone is no target any more', () => {
  expect(focusTarget('row:a')).toBeTruthy();
  act(() => show(['b']));
  expect(focusTarget('row:a')).toBe(undefined);
});

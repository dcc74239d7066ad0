// @vitest-environment jsdom
import { fireEvent, screen } from '@testing-library/react';
import { beforeEach, expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { TrimFields } from './trim-fields.tsx';

beforeEach(() => {
  URL.createObjectURL = () => 'blob:recording';
  URL.revokeObjectURL = () => undefined;
});

test('a recording is cut at both ends, and never to less than can be heard', () => {
  const onChange = vi.fn();
  show(<TrimFields blob={new Blob()} lengthMs={10_000} isFilm={false} onChange={onChange} />);
  const set = (name: string, ms: number) =>
    fireEvent.change(screen.getByRole('slider', { name: new RegExp(name) }), { target: { value: ms } });
  set('Start', 2_000);
  expect(onChange).toHaveBeenLastCalledWith({ startMs: 2_000, endMs: 10_000 });
  set('End', 8_000);
  expect(onChange).toHaveBeenLastCalledWith({ startMs: 2_000, endMs: 8_000 });
  set('Start', 9_000);
  expect(onChange).toHaveBeenLastCalledWith({ startMs: 7_700, endMs: 8_000 });
  set('End', 0);
  expect(onChange).toHaveBeenLastCalledWith({ startMs: 7_700, endMs: 8_000 });
});

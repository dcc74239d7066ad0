// @vitest-environment jsdom
import { encodeWatching } from '@semita/core/analysis';
import { coverageOf } from '@semita/core/coverage';
import type { MaterialPart } from '@semita/core/lesson';
import { screen } from '@testing-library/react';
import { beforeEach, expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { standIn } from '../../test/stand-in-server.ts';
import { PartWatching } from './part-watching.tsx';

// The browser of the tests draws nothing, and has no workers: the real one is run beside the page.
vi.mock('../../ui/charts/curve-chart.tsx', () => ({ default: () => null }));
beforeEach(() => {
  class InPage {
    onmessage: ((event: { data: unknown }) => void) | null = null;
    terminate() {}
    async postMessage(order: unknown) {
      const scope = {
        onmessage: (_: { data: unknown }) => {},
        postMessage: (data: unknown) => this.onmessage?.({ data }),
      };
      vi.stubGlobal('self', scope);
      vi.resetModules();
      await import('./watching-worker.ts');
      scope.onmessage({ data: order });
    }
  }
  vi.stubGlobal('Worker', InPage);
});

const part: MaterialPart = {
  ...{ id: 'film', kind: 'clip', title: 'The film', materialId: 'm', inMs: 0, outMs: 120_000 },
  stops: [{ id: 's', kind: 'pause', atMs: 100_000, note: '' }],
};
const lines = Array.from({ length: 8 }, (_, i) => ({
  studentId: `s${i}`,
  line: encodeWatching({
    coverage: coverageOf([{ fromMs: 0, toMs: 120_000 }, ...(i < 3 ? [{ fromMs: 40_000, toMs: 60_000 }] : [])]),
    ...{ furthestMs: 120_000, positionMs: 0 },
  }),
}));
const names = new Map(lines.map(({ studentId }, i) => [studentId, `Student ${i}`]));

test('where many went back is the title, a place that is told in words, and leads to the desk', async () => {
  standIn({ readCaptions: () => [{ startMs: 39_000, endMs: 45_000, text: 'A flat arch pushes harder.' }] });
  const props = { assignmentId: 'a', lessonId: 'l', runs: true, part, names };
  const { user } = show(<PartWatching {...props} lines={lines} />);
  expect(await screen.findAllByText('3 of 8 went back over 0:40–1:00')).toHaveLength(2);
  const slider = screen.getByRole('slider', { name: 'Place in “The film”' });
  expect(slider.getAttribute('aria-valuetext')).toBe('0:40: 8 of 8 met it, 3 more than once');
  expect(await screen.findByText('A flat arch pushes harder.')).toBeTruthy();
  slider.focus();
  await user.keyboard('{PageUp}');
  expect(slider.getAttribute('aria-valuetext')).toBe('1:10: 8 of 8 met it, 0 more than once');
  // At the place that is looked at, and at the end of what many went back over.
  const links = screen.getAllByRole('link', { name: 'Put a stop here' });
  expect(links.map((link) => link.getAttribute('href'))).toEqual(['/lessons/l', '/lessons/l']);
  expect(screen.getByText('Student 0, Student 1, Student 2')).toBeTruthy();
});

test('a part that nobody has begun says so', () => {
  show(<PartWatching runs assignmentId="a" lessonId="l" part={part} names={names} lines={[]} />);
  expect(screen.getByText('Nobody has begun this part yet.')).toBeTruthy();
});

// @vitest-environment jsdom
import type { Lesson, Target } from '@semita/core/lesson';
import { screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { bridgeLesson } from '../../../../../packages/core/src/test/bridge-lesson.ts';
import { show } from '../../test/page.tsx';
import { TargetField } from './target-field.tsx';

/** A film from 0:10 to 0:50. */
const lesson: Lesson = bridgeLesson;

function open(first: Target) {
  const onChange = vi.fn<(target: Target) => void>();
  const field = (target: Target) => (
    <TargetField label="Way 1" lesson={lesson} target={target} others={['onward', 'end']} onChange={onChange} />
  );
  const page = show(field(first));
  return {
    ...page,
    select: () => screen.getByRole('combobox', { name: 'Way 1' }),
    /** What was chosen last, shown as a desk would. */
    take: () => {
      const target = onChange.mock.lastCall?.[0] as Target;
      page.showAgain(field(target));
      return target;
    },
    onChange,
  };
}

test('a way is led to a part, to one of its stops, or to the end', async () => {
  const { user, select, take } = open({ kind: 'onward' });
  await user.selectOptions(select(), 'Film, from its beginning');
  expect(take()).toEqual({ kind: 'part', partId: 'clip' });
  await user.selectOptions(select(), screen.getByRole('option', { name: /^at 0:30/ }));
  expect(take()).toEqual({ kind: 'part', partId: 'clip', stopId: 's-pause' });
  await user.selectOptions(select(), 'end of the lesson');
  expect(take()).toEqual({ kind: 'end' });
});

test('to any other place of a film by its time; one that is not shown is said and not taken', async () => {
  const { user, select, take, onChange } = open({ kind: 'onward' });
  await user.selectOptions(select(), 'Film, from a place of your choice');
  expect(take()).toEqual({ kind: 'part', partId: 'clip', at: { atMs: 10_000 } });
  const time = screen.getByRole('textbox', { name: 'Way 1: the place' });
  await user.clear(time);
  await user.type(time, '0:25{Enter}');
  expect(take()).toEqual({ kind: 'part', partId: 'clip', at: { atMs: 25_000 } });
  const count = onChange.mock.calls.length;
  await user.clear(time);
  await user.type(time, '0:55{Enter}');
  expect(screen.getByRole('alert').textContent).toBe('This part does not show that place.');
  expect(onChange).toHaveBeenCalledTimes(count);
});

test.each<Target>([
  { kind: 'part', partId: 'gone' },
  { kind: 'part', partId: 'clip', stopId: 'gone' },
])('a part or a stop that is gone is said: %j', (target) => {
  const { select } = open(target);
  expect((select() as HTMLSelectElement).selectedOptions[0]?.textContent).toMatch(/gone/);
});

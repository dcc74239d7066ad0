// @vitest-environment jsdom
import type { Answer } from '@semita/core/attempt';
import type { ExtendedTextQuestion } from '@semita/core/question';
import { screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { bridgeLesson, written } from '../../../../../packages/core/src/test/bridge-lesson.ts';
import { show } from '../../test/page.tsx';
import { Refusal, standIn } from '../../test/stand-in-server.ts';
import { MarkForm } from './mark-form.tsx';
import { focusNextUnmarked } from './next-unmarked.ts';

const question: ExtendedTextQuestion = written;
const answer = (points: number | null, comment: string | null = null): Answer => ({
  response: { kind: 'extendedText', text: 'It bends.' },
  points,
  markedBy: points === null ? null : 'adaeze',
  comment,
});

function open(given = answer(null), refuses = false) {
  const marked = vi.fn();
  standIn({
    mark: ({ params, body }) => {
      if (refuses) throw new Refusal('pointsOutOfRange');
      marked(params, body);
      const student = { studentId: 's', displayName: 'Imani', excused: false, dueAt: null, row: null };
      return { student, lesson: bridgeLesson, state: null, aheadPartIds: [] };
    },
  });
  const onMarked = vi.fn();
  const target = { assignmentId: 'a', studentId: 's', stopId: 'stop', questionId: question.id };
  const form = (now: Answer) => <MarkForm question={question} answer={now} target={target} onMarked={onMarked} />;
  const page = show(form(given));
  return { ...page, marked, onMarked, showAnswer: (now: Answer) => page.showAgain(form(now)) };
}

const points = () => screen.getByRole<HTMLInputElement>('spinbutton', { name: 'Points, of 4' });
const comment = () => screen.getByRole<HTMLTextAreaElement>('textbox', { name: 'Comment' });

test('points and a comment go to the server in hundredths, by keys alone', async () => {
  const { user, marked, onMarked } = open();
  points().focus();
  await user.keyboard('2.5{Tab}Say why.{Tab}{Enter}');
  await vi.waitFor(() => expect(onMarked).toHaveBeenCalledTimes(1), { timeout: 20_000 });
  expect(marked).toHaveBeenCalledWith(
    { assignmentId: 'a', studentId: 's' },
    { stopId: 'stop', questionId: question.id, points: 250, comment: 'Say why.' },
  );
});

test('a refusal is said in words, and what was typed stays', async () => {
  const { user, onMarked } = open(answer(null), true);
  await user.type(points(), '3');
  await user.click(screen.getByRole('button', { name: 'Save the mark' }));
  expect((await screen.findByRole('alert')).textContent).toContain('more points than the question is worth');
  expect(points().value).toBe('3');
  expect(onMarked).not.toHaveBeenCalled();
});

test("a colleague's mark does not sweep away what is being typed", async () => {
  const { user, showAnswer } = open();
  await user.type(comment(), 'My words');
  showAnswer(answer(400, 'Their words'));
  expect(comment().value).toBe('My words');
  expect(points().value).toBe('4');
});

test('a kept mark says so, and need not be saved again', () => {
  open(answer(300, 'Fine.'));
  expect(screen.getByText('Saved')).toBeTruthy();
  expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Save the mark' }).disabled).toBe(true);
});

test('the next unmarked answer is the one after where the focus is, round to the first', () => {
  Element.prototype.scrollIntoView = () => undefined;
  document.body.innerHTML = `
    <div id="root">
      <article><form data-unmarked id="a"><input name="a" /></form></article>
      <article><form id="done"><input name="done" /></form></article>
      <article><form data-unmarked id="b"><input name="b" /></form></article>
    </div>`;
  const root = document.getElementById('root') as HTMLElement;
  const focused = () => (document.activeElement as HTMLInputElement).name;
  expect([focusNextUnmarked(root), focused()]).toEqual([true, 'a']);
  expect([focusNextUnmarked(root), focused()]).toEqual([true, 'b']);
  expect([focusNextUnmarked(root), focused()]).toEqual([true, 'a']);
  const [a, b] = [document.getElementById('a'), document.getElementById('b')] as HTMLElement[];
  expect([focusNextUnmarked(root, a), focused()]).toEqual([true, 'b']);
  b?.removeAttribute('data-unmarked');
  expect(focusNextUnmarked(root, a)).toBe(false);
});

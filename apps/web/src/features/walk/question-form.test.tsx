// @vitest-environment jsdom
import { beginAttempt } from '@semita/core/attempt';
import type { LearnerStop } from '@semita/core/learner';
import type { Response } from '@semita/core/question';
import { screen } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { useDraftSaver } from './draft-saver.ts';
import { QuestionForm } from './question-form.tsx';

const option = (id: string) => ({ id, text: `Option ${id}` });
const stop = {
  id: 'stop',
  kind: 'checkpoint',
  atMs: 0,
  required: true,
  questions: [
    { id: 'one', kind: 'choice', stem: 'Pick just one', points: 100, multiple: false, options: ['a', 'b'].map(option) },
    {
      id: 'some',
      kind: 'choice',
      stem: 'Pick some',
      points: 250,
      multiple: true,
      options: ['c', 'd', 'e'].map(option),
    },
    { ...{ id: 'text', kind: 'extendedText', stem: 'Why?', points: 300 }, wordBox: [], starters: [], wordRange: null },
  ],
} as const satisfies LearnerStop;

function open(drafts: Record<string, Response> = {}) {
  const onDraft = vi.fn<(questionId: string, response: Response) => void>();
  const onAnswer = vi.fn<(responses: Record<string, Response>) => void>();
  function Panel() {
    return (
      <QuestionForm
        stop={stop}
        stopState={{ phase: 'open', openedAt: 0, openedAtSpentMs: 0, settledAt: null, drafts, answers: {} }}
        results={{}}
        tellsPoints
        hints={{}}
        attempt={beginAttempt({ begunAt: 0, secret: '' })}
        now={() => 0}
        saver={useDraftSaver(onDraft)}
        onAnswer={onAnswer}
        onHint={() => undefined}
        onBegin={() => undefined}
        onTimeUp={() => undefined}
        onKeep={() => undefined}
      />
    );
  }
  const page = show(<Panel />);
  const answer = () => page.user.click(screen.getByRole('button', { name: 'Answer all 3' }));
  return { ...page, onDraft, onAnswer, answer };
}

test('what is picked and written is kept as a draft, and given together', async () => {
  const { user, onDraft, onAnswer, answer } = open();
  await user.click(screen.getByRole('radio', { name: 'Option a' }));
  await user.click(screen.getByRole('radio', { name: 'Option b' }));
  await user.click(screen.getByRole('checkbox', { name: 'Option c' }));
  await user.click(screen.getByRole('checkbox', { name: 'Option e' }));
  await user.click(screen.getByRole('checkbox', { name: 'Option c' }));
  await user.type(screen.getByRole('textbox', { name: /Why\?/ }), 'It bends.');
  await vi.waitFor(() => expect(onDraft).toHaveBeenLastCalledWith('text', { kind: 'extendedText', text: 'It bends.' }));
  expect(onDraft).toHaveBeenCalledWith('one', { kind: 'choice', optionIds: ['b'] });
  await answer();
  expect(onAnswer).toHaveBeenCalledWith({
    one: { kind: 'choice', optionIds: ['b'] },
    some: { kind: 'choice', optionIds: ['e'] },
    text: { kind: 'extendedText', text: 'It bends.' },
  });
});

test('what is still blank is named, and nothing is given', async () => {
  const { user, onAnswer, answer } = open();
  await user.click(screen.getByRole('radio', { name: 'Option a' }));
  await user.type(screen.getByRole('textbox', { name: /Why\?/ }), '   ');
  await answer();
  expect(screen.getByRole('alert').textContent).toBe('Not answered yet: 2, 3');
  expect(onAnswer).not.toHaveBeenCalled();
  await user.click(screen.getByRole('checkbox', { name: 'Option d' }));
  expect(screen.queryByRole('alert')).toBeNull();
});

test('drafts from before are there, from another device too', () => {
  open({ one: { kind: 'choice', optionIds: ['b'] }, text: { kind: 'extendedText', text: 'Because' } });
  expect(screen.getByRole<HTMLInputElement>('radio', { name: 'Option b' }).checked).toBe(true);
  expect(screen.getByRole<HTMLTextAreaElement>('textbox', { name: /Why\?/ }).value).toBe('Because');
});

test('each question says its place, its kind and its points', () => {
  open();
  expect(screen.getByRole('region', { name: /Question 1 of 3: Pick one, 1 point.*Pick just one/ })).toBeTruthy();
  expect(screen.getByRole('region', { name: /Question 2 of 3: Pick several, 2.5 points/ })).toBeTruthy();
});

test('a page that goes away saves what was just written', async () => {
  const { user, onDraft, showAgain } = open();
  await user.type(screen.getByRole('textbox', { name: /Why\?/ }), 'Half a thou');
  document.dispatchEvent(new Event('visibilitychange'));
  expect(onDraft).toHaveBeenLastCalledWith('text', { kind: 'extendedText', text: 'Half a thou' });
  await user.type(screen.getByRole('textbox', { name: /Why\?/ }), 'ght');
  showAgain(<p>Gone</p>);
  expect(onDraft).toHaveBeenLastCalledWith('text', { kind: 'extendedText', text: 'Half a thought' });
});

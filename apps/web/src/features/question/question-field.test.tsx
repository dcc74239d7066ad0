// @vitest-environment jsdom
import { everyKind } from '@semita/core/examples';
import { asWritten, toLearnerQuestion } from '@semita/core/learner';
import { correctResponse } from '@semita/core/marking';
import type { Question, QuestionKind, Response } from '@semita/core/question';
import { cleanup, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, test, vi } from 'vitest';
import { isFitting } from '../../../../../packages/core/src/question/response.ts';
import { show } from '../../test/page.tsx';
import { QuestionField } from './question-field.tsx';

type Hands = ReturnType<typeof show>['user'];

/** A field with a memory, as a stop gives it one. */
function open(question: Question, first?: Response) {
  let given = first;
  function Page() {
    const [response, setResponse] = useState(first);
    given = response;
    return (
      <section aria-label="The question">
        <p id="asks">{question.stem}</p>
        <QuestionField
          {...{ question: toLearnerQuestion(question, asWritten), response }}
          onChange={setResponse}
          labelledBy="asks"
        />
      </section>
    );
  }
  const { user } = show(<Page />);
  return { user, given: () => given };
}

const button = (name: string | RegExp) => screen.findByRole('button', { name }, { timeout: 20_000 });

/** Fields that few questions need are loaded when one does; on a busy machine that takes its time. */
const untilLoaded = () => vi.waitFor(() => expect(screen.queryByText('Loading…')).toBe(null), { timeout: 20_000 });

/** How each kind is answered by hand; and what then is given. */
const byHand: Partial<Record<QuestionKind, [(user: Hands) => Promise<void>, object]>> = {
  choice: [
    async (user) => {
      await user.click(screen.getByRole('checkbox', { name: 'Cable' }));
      await user.click(screen.getByRole('checkbox', { name: 'Hanger' }));
    },
    { kind: 'choice', optionIds: ['c1', 'c3'] },
  ],
  poll: [
    async (user) => user.click(screen.getByRole('radio', { name: 'The stone arch' })),
    { kind: 'choice', optionIds: ['p2'] },
  ],
  inlineChoice: [
    async (user) => user.selectOptions(screen.getAllByRole('combobox')[0] as HTMLElement, 'compression'),
    { kind: 'gaps', gaps: { i1: 'ib' } },
  ],
  gapMatch: [
    async (user) => {
      await user.click(await button('pulled'));
      await user.click((await screen.findAllByRole('button', { name: /empty/ }))[0] as HTMLElement);
    },
    { kind: 'gaps', gaps: { g1: 'w2' } },
  ],
  textEntry: [
    async (user) => user.type(screen.getByRole('textbox'), 'thrust'),
    { kind: 'gaps', gaps: { t1: 'thrust' } },
  ],
  numeric: [async (user) => user.type(screen.getByRole('textbox'), '3,2'), { kind: 'number', text: '3,2' }],
  slider: [async (user) => user.click(screen.getAllByRole('radio')[1] as HTMLElement), { kind: 'scale' }],
  extendedText: [
    async (user) => user.type(screen.getByRole('textbox'), 'It bends.'),
    { kind: 'extendedText', text: 'It bends.' },
  ],
  discussion: [
    async (user) => user.type(screen.getByRole('textbox'), 'I say.'),
    { kind: 'extendedText', text: 'I say.' },
  ],
};

describe.each(Object.values(everyKind).map((question) => [question.kind, question] as const))('%s', (_, question) => {
  test('can be seen before it is answered, and as it was answered', async () => {
    const key = correctResponse(question) ?? undefined;
    open(question);
    await untilLoaded();
    expect(within(screen.getByRole('region')).getByText(question.stem)).toBeTruthy();
    if (!key) return;
    cleanup();
    open(question, key);
    await untilLoaded();
  });
});

test.each(Object.entries(byHand))('%s is answered by hand, in its form', async (kind, [act, expected]) => {
  const question = everyKind[kind as QuestionKind];
  const { user, given } = open(question);
  await untilLoaded();
  await act(user);
  expect(given()).toMatchObject(expected);
  expect(isFitting(toLearnerQuestion(question, asWritten), given() as Response)).toBe(true);
});

test('an order is changed by its buttons, and the focus goes along', async () => {
  const { user, given } = open(everyKind.order);
  const first = everyKind.order.items[0]?.text ?? '';
  await user.click(await button(new RegExp(`${first}.*down|down.*${first}`, 'i')));
  const ids = everyKind.order.items.map(({ id }) => id);
  expect(given()).toEqual({ kind: 'order', itemIds: [ids[1], ids[0], ...ids.slice(2)] });
  await vi.waitFor(() => expect(document.activeElement?.getAttribute('aria-label')).toMatch(/down/), {
    timeout: 20_000,
  });
});

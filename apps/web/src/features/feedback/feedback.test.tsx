// @vitest-environment jsdom
import type { StudentFeedback } from '@semita/core/contract';
import { screen, within } from '@testing-library/react';
import { expect, test, vi } from 'vitest';
import { show } from '../../test/page.tsx';
import { Refusal, standIn } from '../../test/stand-in-server.ts';
import { TalkOfAnswer } from '../marking/talk-of-answer.tsx';
import { WroteBack } from '../sheet/wrote-back.tsx';
import { Component as FeedbackRoute } from './feedback-route.tsx';

const item = (id: string, more: Partial<StudentFeedback> = {}): StudentFeedback => ({
  ...{ assignmentId: 'a1', title: 'How bridges carry load' },
  question: { id, kind: 'discussion', stem: `Why ${id}?`, points: 300 },
  response: { kind: 'extendedText', text: 'It bends.' },
  result: {
    ...{
      points: 200,
      answerKey: null,
      verdicts: {},
      feedback: [],
      said: null,
      comment: 'Say which side.',
      voice: null,
    },
    ...{ rubric: [], modelAnswer: null, returned: false, mayTryAgain: false, isFull: false, keyAreas: [], drawn: {} },
  },
  ...{ isNew: false, mayTalk: true, talk: [] },
  ...more,
});

test('what is new stands first, is told to have been seen once, and is called new until the page is left', async () => {
  const seen = vi.fn();
  let items = [item('one'), item('two', { isNew: true })];
  standIn({
    listFeedback: () => items,
    seeFeedback: () => {
      seen();
      items = items.map((one) => ({ ...one, isNew: false }));
      return undefined;
    },
    writeBack: () => undefined,
  });
  const { user } = show(<FeedbackRoute />);
  expect(await screen.findByText('1 new')).toBeTruthy();
  const [first] = screen.getAllByRole('listitem');
  expect(first?.textContent).toContain('Why two?');
  expect(first?.textContent).toContain('New');
  await vi.waitFor(() => expect(seen).toHaveBeenCalledTimes(1));
  // Something is written, and all is asked for anew: it is still called new.
  await user.click(screen.getByRole('button', { name: 'Write back: Why one?' }));
  await user.type(screen.getByRole('textbox', { name: 'Write back: Why one?' }), 'The lower one?');
  await user.click(screen.getByRole('button', { name: 'Send' }));
  expect(await screen.findByText('New')).toBeTruthy();
  expect(seen).toHaveBeenCalledTimes(1);
});

test('what cannot be sent stays in its field; where words are held back, none can be written', async () => {
  standIn({
    listFeedback: () => [item('one'), item('two', { mayTalk: false })],
    writeBack: () => {
      throw new Refusal('tooManyRequests');
    },
  });
  const { user } = show(<FeedbackRoute />);
  expect(await screen.findAllByRole('button', { name: /^Write back/ })).toHaveLength(1);
  await user.click(screen.getByRole('button', { name: 'Write back: Why one?' }));
  const field = screen.getByRole<HTMLTextAreaElement>('textbox');
  await user.type(field, 'Once more');
  await user.click(screen.getByRole('button', { name: 'Send' }));
  await vi.waitFor(() => expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Send' }).disabled).toBe(false));
  expect(field.value).toBe('Once more');
});

test('a teacher sees whether it was seen, and answers who wrote back', async () => {
  const said = vi.fn();
  standIn({
    readTalk: () => [
      {
        ...{ questionId: 'one', isSeen: true },
        talk: [{ id: 't', displayName: 'Alma', text: 'Pulled or squeezed?', at: 0, byTeacher: false }],
      },
    ],
    answerBack: ({ body }) => {
      said(body.text);
      return undefined;
    },
    listWroteBack: () => [],
  });
  const { user } = show(<TalkOfAnswer assignmentId="a1" studentId="alma" questionId="one" isSaid stem="Why?" />);
  expect(await screen.findByText('Seen by the student')).toBeTruthy();
  await user.click(screen.getByRole('button', { name: 'Write back: Why?' }));
  await user.type(screen.getByRole('textbox'), 'Pulled.');
  await user.click(screen.getByRole('button', { name: 'Send' }));
  await vi.waitFor(() => expect(said).toHaveBeenCalledWith('Pulled.'));
});

test('on the sheet stands who waits for an answer, by the name that is shown', async () => {
  const opened = vi.fn();
  standIn({
    listWroteBack: () => [
      { studentId: 'alma', displayName: 'Alma', questionId: 'one', stopId: 's1', text: 'Pulled or squeezed?', at: 0 },
    ],
  });
  const { user } = show(<WroteBack assignmentId="a1" nameOf={() => 'Student 1'} onOpen={opened} />);
  const list = await screen.findByRole('list');
  expect(within(list).queryByText(/Alma/)).toBeNull();
  await user.click(screen.getByRole('button', { name: /Student 1/ }));
  expect(opened).toHaveBeenCalledWith('alma', 's1');
});

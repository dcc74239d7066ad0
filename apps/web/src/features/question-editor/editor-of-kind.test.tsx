// @vitest-environment jsdom
import { questionSchema } from '@semita/core/contract';
import { everyKind } from '@semita/core/examples';
import type { Question } from '@semita/core/question';
import { screen } from '@testing-library/react';
import { useState } from 'react';
import * as v from 'valibot';
import { describe, expect, test } from 'vitest';
import { show } from '../../test/page.tsx';
import { standIn } from '../../test/stand-in-server.ts';
import { EditorOfKind } from './editor-of-kind.tsx';

function open(first: Question) {
  let edited = first;
  function Page() {
    const [question, setQuestion] = useState(first);
    edited = question;
    return <EditorOfKind question={question} onChange={setQuestion} />;
  }
  standIn({ listMaterials: () => [] });
  const { user } = show(<Page />);
  return { user, edited: () => edited };
}

describe.each(Object.values(everyKind).map((question) => [question.kind, question] as const))(
  '%s',
  (kind, question) => {
    test('whatever is written into its fields, the question can be saved, and keeps its kind', async () => {
      const { user, edited } = open(question);
      for (const field of screen.queryAllByRole('textbox')) await user.type(field, '+2');
      for (const field of screen.queryAllByRole('spinbutton')) await user.type(field, '2');
      for (const box of screen.queryAllByRole('checkbox')) await user.click(box);
      expect(v.safeParse(questionSchema, edited()).issues ?? []).toEqual([]);
      expect([edited().kind, edited().id]).toEqual([kind, question.id]);
    });
  },
);

test('where one is picked, ticking another answer unticks the first', async () => {
  const { user, edited } = open({ ...everyKind.choice, multiple: false });
  await user.click(screen.getAllByRole('radio', { name: /Right/ })[1] as HTMLElement);
  const { options } = edited() as typeof everyKind.choice;
  expect(options.map(({ correct }) => correct)).toEqual([false, true, false]);
});

test('rows are added by Enter in the last, and the new one is written in at once', async () => {
  const { user, edited } = open(everyKind.poll);
  const rows = screen.getAllByRole('textbox');
  await user.type(rows.at(-1) as HTMLElement, '{Enter}');
  await screen.findByRole('textbox', { name: 'Answer 3' });
  await new Promise((resolve) => requestAnimationFrame(resolve));
  await user.keyboard('The beam');
  expect((edited() as typeof everyKind.poll).options.map(({ text }) => text)).toEqual([
    'The rope bridge',
    'The stone arch',
    'The beam',
  ]);
});

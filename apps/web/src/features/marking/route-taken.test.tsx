// @vitest-environment jsdom
import type { AttemptDetail } from '@semita/core/contract';
import type { Lesson } from '@semita/core/lesson';
import { screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { show } from '../../test/page.tsx';
import { RouteTaken } from './route-taken.tsx';

const part = (id: string, title: string, stops: Lesson['parts'][0]['stops'] = []): Lesson['parts'][0] => ({
  ...{ id, kind: 'task', title, inMs: 0, outMs: 1, stops },
});
const back = { kind: 'back' } as const;
const lesson: Lesson = {
  title: 'Bridges',
  parts: [
    {
      ...part('start', 'The beam', [
        {
          ...{ id: 'fork', kind: 'fork', atMs: 0, prompt: 'Where to?' },
          choices: [{ id: 'c', words: 'The arch', to: { kind: 'part', partId: 'arch' } }],
        },
      ]),
      rules: [{ id: 'r', when: { kind: 'scoreBelow', percent: 60 }, to: { kind: 'part', partId: 'again' } }],
    },
    { ...part('again', 'Once more'), next: back },
    part('arch', 'The arch in stone'),
  ],
};
type State = NonNullable<AttemptDetail['state']>;
const state = (legs: NonNullable<State['route']>['legs'], isAtEnd = true) =>
  ({ route: { legs, isAtEnd } }) as unknown as State;

test('tells the way part by part, and what led there', () => {
  const legs = [
    { partId: 'start', via: { kind: 'start' } },
    { partId: 'again', via: { kind: 'rule', of: 'start', ruleId: 'r' } },
    { partId: 'start', via: { kind: 'next', partId: 'again' } },
    { partId: 'arch', via: { kind: 'choice', stopId: 'fork', choiceId: 'c' } },
  ] as const;
  show(<RouteTaken lesson={lesson} state={state(legs, false)} />);
  expect(screen.getAllByRole('listitem').map(({ textContent }) => textContent)).toEqual([
    '1The beam',
    '2Once more · Below 60 %',
    '3The beam',
    '4The arch in stone · chose “The arch” · is here',
  ]);
});

test('a way that there was no other to is not told', () => {
  show(<RouteTaken lesson={lesson} state={state([{ partId: 'start', via: { kind: 'start' } }])} />);
  expect(screen.queryByRole('heading')).toBeNull();
});

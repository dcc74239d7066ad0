// @vitest-environment jsdom
import type { QuestionOf } from '@semita/core/question';
import { screen } from '@testing-library/react';
import { expect, test } from 'vitest';
import { everyKind } from '../../../../../packages/core/src/examples/every-kind.ts';
import { show } from '../../test/page.tsx';
import { PairMatrix } from './pair-matrix.tsx';
import { PictureHeat } from './picture-heat.tsx';
import { WordPicture } from './word-picture.tsx';

test('the more answers hold a word, the larger it stands; one that is pressed is left out and can be put back', async () => {
  const { user } = show(<WordPicture texts={['The cable pulls', 'A cable', 'Cable and tower']} />);
  const cable = screen.getByRole('button', { name: '“cable”, in 3 answers: leave it out' });
  const tower = screen.getByRole('button', { name: '“tower”, in 1 answer: leave it out' });
  expect(Number.parseFloat(cable.style.fontSize)).toBeGreaterThan(Number.parseFloat(tower.style.fontSize));
  await user.click(cable);
  expect(screen.queryByRole('button', { name: /in 3 answers/ })).toBeNull();
  await user.click(screen.getByRole('button', { name: 'Put “cable” back' }));
  expect(screen.getByRole('button', { name: /in 3 answers/ })).toBeTruthy();
  expect(screen.getByRole('rowheader', { name: 'cable' })).toBeTruthy();
});

test('what was put together, by rows and columns; pairs without direction once', () => {
  const match: QuestionOf<'match'> = {
    ...everyKind.match,
    sources: [{ id: 's1', text: 'Arch' }],
    targets: [
      { id: 't1', text: 'Stone' },
      { id: 't2', text: 'Steel' },
    ],
    pairs: [['s1', 't1']],
  };
  const { showAgain } = show(<PairMatrix question={match} picks={[['s1 t1'], ['s1 t1'], ['s1 t2'], []]} />);
  const cells = () => screen.getAllByRole('cell').map(({ textContent }) => textContent);
  expect(cells()).toEqual(['', '2', '1']);
  const items = ['a', 'b', 'c'].map((id) => ({ id, text: id }));
  const associate: QuestionOf<'associate'> = { ...everyKind.associate, items, pairs: [['a', 'b']] };
  showAgain(<PairMatrix question={associate} picks={[['a b'], ['b a'], ['c a']]} />);
  expect(cells()).toEqual(['', '', '2', '1', '', '', '0', '', '', '']);
});

test('where a class pointed, by how many', () => {
  const { showAgain } = show(
    <PictureHeat
      question={everyKind.hotspot}
      responses={[
        { kind: 'choice', optionIds: [everyKind.hotspot.areas[0]?.id ?? ''] },
        { kind: 'choice', optionIds: [] },
      ]}
    />,
  );
  expect(screen.getByTitle('Area 1: 1 answer').textContent).toBe('1');
  showAgain(
    <PictureHeat
      question={everyKind.selectPoint}
      responses={[
        {
          kind: 'points',
          points: [
            [100, 200],
            [300, 400],
          ],
        },
      ]}
    />,
  );
  expect(screen.getByText('Where 2 points were set')).toBeTruthy();
});

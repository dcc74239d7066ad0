import { expect, test } from 'vitest';
import { boardLesson, bridgeWays, clip, diamonds, lesson } from '../test/path-lessons.ts';
import { walker } from '../test/walker.ts';
import { certainAhead } from './certain-ahead.ts';

test('a straight lesson is certain from its beginning to its end', () => {
  const straight = lesson(clip('a'), clip('b'));
  expect(certainAhead(straight, walker(straight).state)).toEqual({ partIds: ['a', 'b'], isOpen: false });
});

test('neither branch of a fork is told before it is chosen, nor the aside of a rule; where they meet again is', () => {
  const walk = walker(bridgeWays);
  expect(certainAhead(bridgeWays, walk.state)).toEqual({ partIds: ['film', 'end'], isOpen: true });
  walk.play('film', 5_000);
  walk.answer('check', false);
  expect(certainAhead(bridgeWays, walk.state)).toEqual({ partIds: ['film', 'aside', 'end'], isOpen: true });
  walk.play('aside', 10_000);
  walk.play('film', 10_000);
  walk.choose('fork', 1);
  expect(certainAhead(bridgeWays, walk.state)).toEqual({ partIds: ['cable', 'end'], isOpen: false });
});

test('what lies behind a board’s tiles is not certain, and what follows the board is, from inside a tile too', () => {
  const walk = walker(boardLesson);
  expect(certainAhead(boardLesson, walk.state)).toEqual({ partIds: ['film', 'choose', 'end'], isOpen: true });
  walk.play('film', 10_000);
  walk.act({ type: 'reachedStop', stopId: 'choose-board' });
  walk.act({ type: 'openedTile', stopId: 'choose-board', tileId: 't-build' });
  expect(certainAhead(boardLesson, walk.state).partIds).toEqual(['choose', 'build', 'build-more', 'end']);
});

test('with 2 to the power of 60 routes only the places where they meet are certain', () => {
  const many = diamonds(60);
  const { partIds, isOpen } = certainAhead(many, walker(many).state);
  expect(partIds).toEqual(Array.from({ length: 61 }, (_, index) => `top-${index}`));
  expect(isOpen).toBe(true);
});

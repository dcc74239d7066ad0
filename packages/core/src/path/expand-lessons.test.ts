import { describe, expect, test } from 'vitest';
import { checkPath } from '../checks/check-path.ts';
import { tryRoutes } from '../checks/try-routes.ts';
import { type Lesson, type LessonPart, untimedWindow } from '../lesson/lesson.ts';
import {
  back,
  boardPart,
  bridgeWays,
  check,
  clip,
  diamonds,
  fork,
  lesson,
  tile,
  toPart,
} from '../test/path-lessons.ts';
import { walker } from '../test/walker.ts';
import { expandLessons } from './expand-lessons.ts';
import { pathFigures } from './path-figures.ts';

const link = (id: string, more: Partial<LessonPart> = {}): LessonPart => ({
  ...{ id, kind: 'lesson', title: id, ...untimedWindow, stops: [], lessonId: `lesson-${id}`, editionNumber: null },
  ...more,
});
const expand = (of: Lesson, inner: Lesson) => expandLessons(of, () => ({ number: 3, lesson: inner }));
const idsOf = ({ parts }: Lesson) => parts.map(({ id }) => id);

describe('another lesson inside a lesson', () => {
  test('stands in its place with its parts, and says where they come from', () => {
    const whole = expand(lesson(clip('a'), link('inner'), clip('b')), lesson(clip('x', [check('c')]), clip('y')));
    expect(idsOf(whole)).toEqual(['a', 'inner.x', 'inner.y', 'b']);
    expect(whole.parts[1]).toMatchObject({
      stops: [{ id: 'inner.c', questions: [{ id: 'inner.c-q' }] }],
      from: { lessonId: 'lesson-inner', editionNumber: 3, linkId: 'inner', isAside: false },
    });
    expect(checkPath(whole)).toEqual([]);
  });

  test('is asked for by its number, or as the newest, and stays where there is none', () => {
    const asked: unknown[] = [];
    const outer = lesson(link('a', { editionNumber: 2 }), link('b'));
    const whole = expandLessons(outer, (...of) => {
      asked.push(of);
      return null;
    });
    expect(asked).toEqual([
      ['lesson-a', 2],
      ['lesson-b', null],
    ]);
    expect(idsOf(whole)).toEqual(['a', 'b']);
  });

  test('has as many routes as both together', () => {
    const whole = expand(lesson(...diamonds(3).parts, link('inner')), diamonds(4));
    expect(pathFigures(whole)?.routeCount).toBe(2n ** 7n);
    expect(checkPath(whole)).toEqual([]);
  });

  test('can be led to, and its end goes on behind it', () => {
    const ending = lesson(clip('x', [fork('f', [{ kind: 'end' }, toPart('y')])]), clip('y'));
    const whole = expand(
      lesson(clip('a', [fork('g', [toPart('inner'), toPart('b')])]), link('inner'), clip('b')),
      ending,
    );
    const ways = new Set(tryRoutes(whole).routes.map(({ partIds }) => partIds.join(' ')));
    expect(ways).toEqual(new Set(['a inner.x b', 'a inner.x inner.y b', 'a b']));
  });

  test('goes on where the part that shows it is told to', () => {
    const outer = lesson(link('inner', { next: toPart('b') }), clip('a'), clip('b'));
    const whole = expand(outer, lesson(clip('x'), clip('y')));
    expect(tryRoutes(whole).routes.map(({ partIds }) => partIds.join(' '))).toEqual(['inner.x inner.y b']);
  });

  test('behind a tile it is walked whole, its forks and asides too, and leads back to the board', () => {
    const outer = lesson(
      boardPart('board', [tile('t', 'inner')], { kind: 'any', count: 1 }),
      link('inner', back),
      clip('end'),
    );
    const whole = expand(outer, bridgeWays);
    expect(checkPath(whole)).toEqual([]);
    const { routes } = tryRoutes(whole);
    expect(routes.every(({ stuckAt }) => stuckAt === null)).toBe(true);
    const inner = (...ids: string[]) => ids.map((id) => `inner.${id}`).join(' ');
    expect(new Set(routes.map(({ partIds }) => partIds.join(' ')))).toEqual(
      new Set([
        `board ${inner('film', 'arch', 'end')} board end`,
        `board ${inner('film', 'cable', 'end')} board end`,
        `board ${inner('film', 'aside', 'film', 'arch', 'end')} board end`,
        `board ${inner('film', 'aside', 'film', 'cable', 'end')} board end`,
      ]),
    );
  });

  test('its points go on the record of the lesson that shows it', () => {
    const whole = expand(lesson(clip('a'), link('inner')), lesson(clip('x', [check('c')])));
    const walk = walker(whole);
    walk.play('a', 10_000);
    walk.play('inner.x', 5_000);
    expect(walk.answer('inner.c', true)).toBe('taken');
  });

  test('keeps what is said before it, by that lesson or where it is shown', () => {
    const said = (materialId: string) => ({ materialId, words: '' });
    const inner = { ...lesson(clip('x'), clip('y')), directions: said('inner') };
    expect(expand(lesson(link('inner')), inner).parts.map(({ directions }) => directions)).toEqual([
      said('inner'),
      undefined,
    ]);
    const outer = lesson(link('inner', { directions: said('outer') }));
    expect(expand(outer, inner).parts[0]?.directions).toEqual(said('outer'));
  });

  test('is practice, or for some groups, where the part that shows it is', () => {
    const outer = lesson(link('inner', { practice: true, onlyFor: ['a', 'b'] }));
    const whole = expand(outer, lesson(clip('x', [], { onlyFor: ['b', 'c'] }), clip('y')));
    expect(whole.parts).toMatchObject([
      { practice: true, onlyFor: ['b'] },
      { practice: true, onlyFor: ['a', 'b'] },
    ]);
  });
});

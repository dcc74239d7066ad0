import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { masteryOf } from './mastery.ts';
import { readCasePackage, readTargetTable } from './read-targets.ts';
import { knownTargets, targetsNamed } from './target.ts';

describe('how far a target is met, against a table worked by hand', () => {
  const at = (...shares: number[]) => shares.map((share, i) => ({ earned: share * 100, possible: 100, at: i }));

  test('the latest weighs most: 0, 0, 1 is 1 ÷ (1 + 2/3 + 4/9) = 9/19; 1, 0, 0 is 4/19', () => {
    expect(masteryOf(at(0, 0, 1))).toMatchObject({ count: 3, level: 'notMet' });
    expect(masteryOf(at(0, 0, 1)).share).toBeCloseTo(9 / 19, 12);
    expect(masteryOf(at(1, 0, 0)).share).toBeCloseTo(4 / 19, 12);
    // (1 + 2/3 × 1/2 + 4/9 × 1) ÷ 19/9 = (9 + 3 + 4) / 19 = 16/19
    expect(masteryOf(at(1, 0.5, 1))).toMatchObject({ level: 'met' });
    expect(masteryOf(at(1, 0.5, 1)).share).toBeCloseTo(16 / 19, 12);
  });

  test('fewer than three say nothing; what carries no points says nothing; older than the tenth is history', () => {
    expect(masteryOf(at(1, 1))).toEqual({ count: 2, share: null, level: null });
    expect(masteryOf([...at(1, 1), { earned: 0, possible: 0, at: 9 }]).level).toBeNull();
    expect(masteryOf(at(0, ...Array<number>(10).fill(1))).share).toBeCloseTo(1, 12);
  });

  test('what is exactly on a line has reached it', () => {
    expect(masteryOf(at(0.8, 0.8, 0.8, 0.8, 0.8)).level).toBe('met');
    expect(masteryOf(at(0.5, 0.5, 0.5)).level).toBe('nearly');
  });

  test('never outside of what was earned, and never worse for a better answer', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 100 }), { minLength: 3, maxLength: 14 }), (all) => {
        const shares = all.map((share) => share / 100);
        const { share } = masteryOf(at(...shares));
        expect(share).toBeGreaterThanOrEqual(Math.min(...shares) - 1e-9);
        expect(share).toBeLessThanOrEqual(Math.max(...shares) + 1e-9);
        expect(masteryOf(at(...shares.with(-1, 1))).share).toBeGreaterThanOrEqual((share ?? 1) - 1e-9);
      }),
    );
  });
});

describe('what a question names', () => {
  const known = knownTargets([
    { code: 'F.1', words: 'Tells compression from tension' },
    { code: 'F.2', words: 'Relates span to bending, in words' },
  ]);
  const codesOf = (line: string) => targetsNamed(line, known).map(({ code, words }) => code || words);

  test('a code however it is written, several, the words of one, or words of its own', () => {
    expect(codesOf('f.1 ')).toEqual(['F.1']);
    expect(codesOf('F.1, F.2; f.1')).toEqual(['F.1', 'F.2']);
    expect(codesOf('relates span to  bending, in words')).toEqual(['F.2']);
    expect(codesOf('Names forces, and says where')).toEqual(['Names forces, and says where']);
    expect(codesOf('F.1, F.9')).toEqual(['F.1, F.9']);
    expect(codesOf(' ')).toEqual([]);
  });
});

describe('a table of targets', () => {
  test('with headers in any order, or without', () => {
    const expected = [
      { code: 'F.1', words: 'Tells forces apart', parentCode: 'F' },
      { code: '=F', words: 'Forces', parentCode: null },
    ];
    const headed = readTargetTable([
      ['Statement', 'Parent', 'Code'],
      ['Tells  forces apart', 'F', 'F.1'],
      ['', '', ''],
      ['Forces', '', "'=F"],
    ]);
    expect(headed).toEqual({ targets: expected, faults: [] });
    expect(readTargetTable([['F.1', 'Tells forces apart']]).targets).toEqual([{ ...expected[0], parentCode: null }]);
  });

  test('what cannot be taken is told by its row, and the others are taken', () => {
    const rows = [
      ['Code', 'Target'],
      ['', 'No code'],
      ['A', ''],
      ['B', 'Fine'],
      ['b', 'Again'],
      ['C', 'x'.repeat(501)],
    ];
    const { targets, faults } = readTargetTable(rows);
    expect(targets.map(({ code }) => code)).toEqual(['B']);
    expect(faults).toEqual([
      { row: 2, fault: 'codeMissing' },
      { row: 3, fault: 'wordsMissing' },
      { row: 5, fault: 'codeTwice' },
      { row: 6, fault: 'tooLong' },
    ]);
  });
});

describe('a CASE package', () => {
  const item = (identifier: string, fullStatement: string, humanCodingScheme?: string) => ({
    ...{ identifier, uri: `https://school.example/${identifier}`, fullStatement },
    ...(humanCodingScheme ? { humanCodingScheme } : {}),
  });
  const under = (child: string, parent: string, sequenceNumber?: number) => ({
    ...{
      associationType: 'isChildOf',
      originNodeURI: { identifier: child },
      destinationNodeURI: { identifier: parent },
    },
    ...(sequenceNumber === undefined ? {} : { sequenceNumber }),
  });
  const CFDocument = { identifier: 'doc', title: 'Design and engineering, year 8', creator: 'Quillhaven School' };

  test('items under what they belong to, in their order; those without a code are numbered', () => {
    const read = readCasePackage({
      CFDocument,
      CFItems: [item('b', 'Names forces'), item('a', 'Forces', 'F'), item('c', 'Draws forces')],
      CFAssociations: [under('a', 'doc', 1), under('b', 'a', 2), under('c', 'a', 1)],
    });
    expect(read).toEqual({
      title: 'Design and engineering, year 8',
      targets: [
        { code: 'F', words: 'Forces', parentCode: null },
        { code: 'F.1', words: 'Draws forces', parentCode: 'F' },
        { code: 'F.2', words: 'Names forces', parentCode: 'F' },
      ],
      faults: [],
    });
  });

  test('children stand behind their parents, however many and however deep', () => {
    const ids = Array.from({ length: 20_000 }, (_, i) => `i${i}`);
    const deep = readCasePackage({
      CFDocument,
      CFItems: ids.map((id) => item(id, id, id)),
      CFAssociations: ids.slice(1).map((id, i) => under(id, ids[i] ?? '')),
    });
    expect(deep?.targets.map(({ code }) => code)).toEqual(ids);
    const wide = readCasePackage({ CFDocument, CFItems: ids.map((id) => item(id, id)), CFAssociations: [] });
    expect(wide?.targets).toHaveLength(20_000);
    const two = readCasePackage({
      CFDocument,
      CFItems: [item('a', 'A'), item('b', 'B'), item('a1', 'A1'), item('b1', 'B1')],
      CFAssociations: [under('a', 'doc', 1), under('b', 'doc', 2), under('a1', 'a'), under('b1', 'b')],
    });
    expect(two?.targets.map(({ code }) => code)).toEqual(['1', '1.1', '2', '2.1']);
  });

  test('circles, strangers and nonsense end, and lose nobody', () => {
    const read = readCasePackage({
      CFDocument,
      CFItems: [item('a', 'One', 'A'), item('b', 'Two', 'B'), item('c', 'Three', 'C'), 7, null, { identifier: 3 }],
      CFAssociations: [
        under('a', 'b'),
        under('b', 'a'),
        under('c', 'c'),
        under('c', 'gone'),
        'x',
        { originNodeURI: 1 },
      ],
    });
    expect(read?.targets.map(({ code }) => code).toSorted()).toEqual(['A', 'B', 'C']);
    for (const other of [null, 7, 'x', [], {}, { CFDocument }, { CFItems: [item('a', 'One')] }])
      expect(readCasePackage(other)).toBeNull();
  });
});

import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  type Addressee,
  type Adjustment,
  addresseeKinds,
  effectiveTerms,
  type GivenAssignment,
  type Receipt,
  type StudentRecord,
  windowsOverTime,
} from './effective-terms.ts';
import type { AssignmentWindow } from './window.ts';

const due = (dueAt: number | null, closesAt: number | null = null): AssignmentWindow => ({
  ...{ opensAt: null, dueAt, closesAt },
});
const addressee = (id: string, kind: Addressee['kind'], ...windows: [at: number, dueAt: number][]): Addressee => ({
  ...{ id, kind, windows: windows.map(([at, dueAt]) => ({ at, ...due(dueAt) })) },
});
const given = (...addressees: Addressee[]): GivenAssignment => ({
  ...{ editionId: 'first', terms: {}, addressees: new Map(addressees.map((one) => [one.id, one])) },
});
const from = (addresseeId: string, since = 0, until: number | null = null): Receipt => ({ addresseeId, since, until });
const record = (receipts: readonly Receipt[], adjustments: readonly Adjustment[] = []): StudentRecord => ({
  ...{ receipts, adjustments },
});

const amber = addressee('amber', 'class', [0, 100]);
const rope = addressee('rope', 'group', [0, 200]);
const imani = addressee('imani', 'student', [0, 300]);

describe('what holds for a student', () => {
  test('the closest addressee counts, whichever was first', () => {
    const all = given(amber, rope, imani);
    const dueOf = (...ids: string[]) => effectiveTerms(all, record(ids.map((id) => from(id))), 50).window.dueAt;
    expect(dueOf('amber')).toBe(100);
    expect(dueOf('amber', 'rope')).toBe(200);
    expect(dueOf('rope', 'amber')).toBe(200);
    expect(dueOf('imani', 'rope', 'amber')).toBe(300);
  });

  test('of two alike, the one that reached the student first counts', () => {
    const other = addressee('violet', 'class', [0, 900]);
    const terms = effectiveTerms(given(amber, other), record([from('violet', 1), from('amber', 2)]), 5);
    expect(terms.addresseeId).toBe('violet');
  });

  test('own dates come before all, and can be taken back', () => {
    const adjusted = record(
      [from('amber')],
      [
        { at: 10, kind: 'extended', window: due(500) },
        { at: 20, kind: 'extensionEnded' },
      ],
    );
    expect([9, 10, 19, 20].map((at) => effectiveTerms(given(amber), adjusted, at).window.dueAt)).toEqual([
      100, 500, 500, 100,
    ]);
  });

  test('whoever leaves finds it closed from then on, and open again when they are back', () => {
    const all = record([from('amber', 0, 40), from('amber', 60)]);
    const at = (moment: number) => effectiveTerms(given(amber), all, moment);
    expect([at(39).leftAt, at(40).leftAt, at(59).leftAt, at(60).leftAt]).toEqual([null, 40, 40, null]);
    expect(at(50).window).toEqual(due(100, 39));
    expect(at(60).window).toEqual(due(100));
  });

  test('leaving a group leads back to the class', () => {
    const all = record([from('amber'), from('rope', 0, 40)]);
    const dueAt = (at: number) => effectiveTerms(given(amber, rope), all, at).window.dueAt;
    expect([dueAt(39), dueAt(40)]).toEqual([200, 100]);
  });

  test('excused, another attempt and another edition', () => {
    const adjusted = record(
      [from('amber')],
      [
        { at: 1, kind: 'excused' },
        { at: 2, kind: 'anotherAttempt' },
        { at: 3, kind: 'anotherAttempt' },
        { at: 4, kind: 'excusalEnded' },
        { at: 5, kind: 'editionSwapped', editionId: 'second' },
      ],
    );
    const at = (moment: number) => effectiveTerms({ ...given(amber), terms: { attempts: 2 } }, adjusted, moment);
    expect(at(0)).toMatchObject({ excused: false, attempts: 2, editionId: 'first' });
    expect(at(3)).toMatchObject({ excused: true, attempts: 4, editionId: 'first' });
    expect(at(5)).toMatchObject({ excused: false, attempts: 4, editionId: 'second' });
  });

  test('nobody is told terms of what they never received', () => {
    expect(() => effectiveTerms(given(amber), record([]), 1)).toThrow(RangeError);
    expect(() => effectiveTerms(given(amber), record([from('rope')]), 1)).toThrow(RangeError);
  });
});

describe('windows over time', () => {
  const instant = fc.integer({ min: 0, max: 60 });
  const dates = fc.record({
    opensAt: fc.constant(null),
    dueAt: fc.option(instant),
    closesAt: fc.option(instant),
  });
  const sorted = <T extends { at: number }>(list: T[]) => list.toSorted((a, b) => a.at - b.at);
  const addressees = fc.tuple(
    ...addresseeKinds.map((kind) =>
      fc.tuple(dates, fc.array(fc.tuple(instant, dates), { maxLength: 3 })).map(([first, later]) => ({
        ...{ id: kind, kind },
        windows: [{ at: 0, ...first }, ...sorted(later.map(([at, window]) => ({ at, ...window })))],
      })),
    ),
  );
  const receipts = fc
    .array(
      fc.tuple(fc.constantFrom(...addresseeKinds), instant, fc.option(instant)).map(([addresseeId, since, length]) => ({
        ...{ addresseeId, since, until: length === null ? null : since + length },
      })),
      { minLength: 1, maxLength: 5 },
    )
    .map((list) => list.toSorted((a, b) => a.since - b.since));
  const adjustments = fc
    .array(fc.tuple(instant, fc.option(dates)), { maxLength: 3 })
    .map((list) =>
      sorted(
        list.map(
          ([at, window]): Adjustment => (window ? { at, kind: 'extended', window } : { at, kind: 'extensionEnded' }),
        ),
      ),
    );

  test('at every moment they are what holds just before it, said another way', () => {
    fc.assert(
      fc.property(addressees, receipts, adjustments, (all, received, changes) => {
        const assignment = given(...all);
        const student = record(received, changes);
        const windowAt = windowsOverTime(assignment, student);
        for (let at = 0; at < 125; at++) {
          const before = at - 1;
          const current = received.filter(({ since, until }) => since <= before && (until === null || before < until));
          const gone = received.filter(({ since, until }) => since <= before && until !== null && until <= before);
          const leftAt =
            current.length === 0 && gone.length > 0 ? Math.max(...gone.map(({ until }) => until ?? 0)) : null;
          const through =
            (['student', 'group', 'class', 'guests'] as const).find((kind) =>
              current.some((one) => one.addresseeId === kind),
            ) ??
            gone.find(({ until }) => until === leftAt)?.addresseeId ??
            received[0]?.addresseeId;
          const change = changes.findLast((one) => one.at <= before);
          const own = change?.kind === 'extended' ? change.window : null;
          const windows = all.find(({ id }) => id === through)?.windows ?? [];
          const window = own ?? windows.findLast((one) => one.at <= before) ?? windows[0];
          const closesAt = leftAt === null ? window?.closesAt : Math.min(window?.closesAt ?? leftAt, leftAt - 1);
          expect(windowAt(at)).toEqual({ opensAt: window?.opensAt, dueAt: window?.dueAt, closesAt });
        }
      }),
      { numRuns: 300 },
    );
  });
});

test('where no late work is taken, it closes when it is due, also for who has more time', () => {
  const given: GivenAssignment = {
    ...{ editionId: 'e', terms: { late: { kind: 'refused' } } },
    addressees: new Map([['c', addressee('c', 'class', [0, 100])]]),
  };
  const receipts: Receipt[] = [{ addresseeId: 'c', since: 0, until: null }];
  const windowOf = (adjustments: Adjustment[]) => effectiveTerms(given, { receipts, adjustments }, 50).window;
  expect(windowOf([])).toEqual(due(100, 100));
  expect(windowOf([{ kind: 'extended', at: 10, window: due(300) }])).toEqual(due(300, 300));
  expect(windowOf([{ kind: 'extended', at: 10, window: due(300, 200) }])).toEqual(due(300, 200));
  expect(windowOf([{ kind: 'extended', at: 10, window: due(null, 900) }])).toEqual(due(null, 900));
  expect(windowsOverTime(given, { receipts, adjustments: [] })(20)).toEqual(due(100, 100));
});

import type { Terms } from '../attempt/terms.ts';
import { withLateWork } from './late-work.ts';
import type { AssignmentWindow } from './window.ts';

/** To whom an assignment was given: whoever comes by a link, all of a class, a group of it, or one of its students. */
export const addresseeKinds = ['guests', 'class', 'group', 'student'] as const;
export type AddresseeKind = (typeof addresseeKinds)[number];

/** A window, and since when it holds, epoch ms. */
export interface DatedWindow extends AssignmentWindow {
  readonly at: number;
}

export interface Addressee {
  readonly id: string;
  readonly kind: AddresseeKind;
  /** All windows it has had, the oldest first; at least one. */
  readonly windows: readonly DatedWindow[];
}

/** That a student is reached through an addressee; epoch ms, `until` null for as long as nobody ends it. */
export interface Receipt {
  readonly addresseeId: string;
  readonly since: number;
  readonly until: number | null;
}

/** What is different for one student from `at` on, epoch ms. Never altered: what is taken back is another adjustment. */
export type Adjustment = {
  readonly at: number;
} /** The student's own dates, until they end: then those of the others are theirs again. */ & (
  | { readonly kind: 'extended'; readonly window: AssignmentWindow }
  | { readonly kind: 'extensionEnded' }
  | { readonly kind: 'excused' }
  | { readonly kind: 'excusalEnded' }
  /** One more attempt than they had. */
  | { readonly kind: 'anotherAttempt' }
  /** The edition of attempts that are begun from then on. */
  | { readonly kind: 'editionSwapped'; readonly editionId: string }
);

/** What an assignment is for everybody. */
export interface GivenAssignment {
  readonly editionId: string;
  readonly terms: Pick<Terms, 'attempts' | 'late'>;
  readonly addressees: ReadonlyMap<string, Addressee>;
}

/** What is known of one student and one assignment. */
export interface StudentRecord {
  /** In the order of their beginnings; at least one. */
  readonly receipts: readonly Receipt[];
  /** In the order of their instants. */
  readonly adjustments: readonly Adjustment[];
}

/** What holds for one student at a moment. */
export interface EffectiveTerms {
  /** Through whom they receive it, or did last. */
  readonly addresseeId: string;
  readonly window: AssignmentWindow;
  /** Since when it first reached them, epoch ms. */
  readonly since: number;
  /** Since when they no longer receive it, epoch ms; null while they do. */
  readonly leftAt: number | null;
  readonly excused: boolean;
  /** How many attempts they may begin. */
  readonly attempts: number;
  readonly editionId: string;
  /** How often something was made different for them up to then. */
  readonly adjustmentCount: number;
}

/**
 * What of an assignment holds for one student at a moment: gates, lateness, needs and lists all ask here. Where several
 * addressees reach a student, the closest one counts: the student before a group, a group before the class, and of
 * two alike the one that reached them first. Own dates come before all of these. For who has left, it is closed from
 * then on.
 * @param at epoch ms; what was set in that very millisecond holds already
 * @throws RangeError when the student never received it, or through somebody it was not given to
 */
export function effectiveTerms(given: GivenAssignment, record: StudentRecord, at: number): EffectiveTerms {
  const { addressee, leftAt } = reachedThrough(given, record.receipts, at);
  let own: AssignmentWindow | null = null;
  let excused = false;
  let attempts = given.terms.attempts ?? 1;
  let { editionId } = given;
  let adjustmentCount = 0;
  for (const adjustment of record.adjustments) {
    if (adjustment.at > at) break;
    adjustmentCount += 1;
    if (adjustment.kind === 'extended') own = adjustment.window;
    else if (adjustment.kind === 'extensionEnded') own = null;
    else if (adjustment.kind === 'anotherAttempt') attempts += 1;
    else if (adjustment.kind === 'editionSwapped') editionId = adjustment.editionId;
    else excused = adjustment.kind === 'excused';
  }
  const window = withLateWork(own ?? windowOf(addressee, at), given.terms.late);
  return {
    since: record.receipts[0]?.since ?? 0,
    ...{ addresseeId: addressee.id, leftAt, excused, attempts, editionId, adjustmentCount },
    window: leftAt === null ? datesOf(window) : closedFrom(window, leftAt),
  };
}

/**
 * The windows in force for one student, as gates ask for them: what came in together with a change was judged by the
 * window of before.
 */
export function windowsOverTime(
  given: GivenAssignment,
  record: StudentRecord,
): (receivedAt: number) => AssignmentWindow {
  const [receipt] = record.receipts;
  const only = record.receipts.length === 1 ? given.addressees.get(receipt?.addresseeId ?? '') : undefined;
  // As it mostly is; asked for at every event.
  if (only?.windows.length === 1 && receipt?.until === null && record.adjustments.length === 0) {
    const window = withLateWork(datesOf(only.windows[0] as DatedWindow), given.terms.late);
    return () => window;
  }
  return (receivedAt) => effectiveTerms(given, record, receivedAt - 1).window;
}

function reachedThrough({ addressees }: GivenAssignment, receipts: readonly Receipt[], at: number) {
  let closest: Addressee | undefined;
  let last: Receipt | undefined;
  for (const receipt of receipts) {
    if (receipt.since > at) continue;
    if (receipt.until !== null && receipt.until <= at) {
      if (!last || receipt.until > (last.until ?? 0)) last = receipt;
      continue;
    }
    const addressee = found(addressees, receipt);
    if (!closest || rankOf(addressee) > rankOf(closest)) closest = addressee;
  }
  if (closest) return { addressee: closest, leftAt: null };
  if (last) return { addressee: found(addressees, last), leftAt: last.until };
  // Before it reached them at all, it is as it will be at first.
  const [first] = receipts;
  if (!first) throw new RangeError('A student who never received the assignment');
  return { addressee: found(addressees, first), leftAt: null };
}

/** The very moment of closing still counts as open, so it closes just before. */
const closedFrom = (window: AssignmentWindow, leftAt: number): AssignmentWindow => ({
  ...datesOf(window),
  closesAt: Math.min(window.closesAt ?? leftAt, leftAt - 1),
});

const rankOf = ({ kind }: Addressee): number => addresseeKinds.indexOf(kind);

function found(addressees: GivenAssignment['addressees'], { addresseeId }: Receipt): Addressee {
  const addressee = addressees.get(addresseeId);
  if (!addressee) throw new RangeError(`The assignment was not given to ${addresseeId}`);
  return addressee;
}

/** The window of an addressee at a moment; before its first, the first. */
function windowOf({ id, windows }: Addressee, at: number): AssignmentWindow {
  const window = windows.findLast((one) => one.at <= at) ?? windows[0];
  if (!window) throw new RangeError(`No window for ${id}`);
  return window;
}

const datesOf = ({ opensAt, dueAt, closesAt }: AssignmentWindow): AssignmentWindow => ({ opensAt, dueAt, closesAt });

import { Temporal } from 'temporal-polyfill';
import { createEmptyCard, fsrs, type Grade, Rating } from 'ts-fsrs';
import { localDay } from '../calendar/local-day.ts';
import { type Evidence, type Mastery, masteryOf, masteryRule } from '../target/mastery.ts';

/** All that was answered about a target on one day. */
export interface AnsweredDay {
  /** On the class's calendar, `2026-12-03`. */
  readonly day: string;
  /** Earned of what could be earned, 0 to 1. */
  readonly share: number;
}

export interface ReviewPlan {
  /** When it is asked again, `2026-12-03`. */
  readonly dueDay: string;
  /** Days from the last answers to then, at least 1. */
  readonly intervalDays: number;
  readonly lastDay: string;
}

/** Answers by the day they were given on, in order; those that carry no points say nothing. */
export function answeredDays(evidence: readonly Evidence[], timeZone: string): AnsweredDay[] {
  const byDay = new Map<string, { earned: number; possible: number }>();
  for (const { earned, possible, at } of evidence) {
    if (possible <= 0) continue;
    const day = localDay(at, timeZone);
    const sum = byDay.get(day) ?? { earned: 0, possible: 0 };
    byDay.set(day, { earned: sum.earned + earned, possible: sum.possible + possible });
  }
  return [...byDay]
    .map(([day, { earned, possible }]) => ({ day, share: earned / possible }))
    .toSorted((a, b) => (a.day < b.day ? -1 : 1));
}

// Whole days alone, and nothing by chance, so that the same answers always come to the same day.
const scheduler = fsrs({
  enable_fuzz: false,
  enable_short_term: false,
  request_retention: 0.9,
  maximum_interval: 365,
});

/** Students of a class mostly answer on the same days, and come to the same: what is due is looked up, up to so many. */
const plans = new Map<string, ReviewPlan>();
const maxPlans = 20_000;

/**
 * When a target is asked again: the schedule FSRS-6 with its published weights (Ye, Su and Cao 2022, "A Stochastic
 * Shortest Path Algorithm for Optimizing Spaced Repetition Scheduling"; open-spaced-repetition, version 6), for nine in
 * ten still known. What is not met counts as forgotten, what is nearly met as hard, what is met as good.
 * @param days in order, each once
 * @returns null where nothing was answered yet
 */
export function planReview(days: readonly AnsweredDay[]): ReviewPlan | null {
  if (days.length === 0) return null;
  const graded = days.map(({ day, share }) => ({ day, grade: gradeOf(share) }));
  const key = graded.map(({ day, grade }) => `${day}${grade}`).join();
  const known = plans.get(key);
  if (known) return known;
  if (plans.size >= maxPlans) plans.clear();
  const plan = schedule(graded);
  plans.set(key, plan);
  return plan;
}

function schedule(graded: readonly { readonly day: string; readonly grade: Grade }[]): ReviewPlan {
  const lastDay = graded.at(-1)?.day ?? '';
  const first = createEmptyCard(noonOf(graded[0]?.day ?? ''));
  const card = graded.reduce((before, { day, grade }) => scheduler.next(before, noonOf(day), grade).card, first);
  const intervalDays = Math.max(1, card.scheduled_days);
  return { dueDay: daysLater(lastDay, intervalDays), intervalDays, lastDay };
}

/** How one target stands with one student, and when it is asked again. */
export interface TargetReview extends ReviewPlan {
  readonly mastery: Mastery;
}

/**
 * Whether a target comes back to a student: once it was not met, by the rule that mastery goes by, and from then on by
 * its schedule.
 * @param inLessons what was answered in lessons, in any order
 * @param inReviews what was answered when it came back, in any order
 * @returns null for what does not
 */
export function comesBack(
  inLessons: readonly Evidence[],
  inReviews: readonly Evidence[],
  timeZone: string,
): TargetReview | null {
  const all = [...inLessons, ...inReviews];
  const mastery = masteryOf(all);
  const isUnmet = mastery.level === 'nearly' || mastery.level === 'notMet';
  if (!isUnmet && inReviews.length === 0) return null;
  const plan = planReview(answeredDays(all, timeZone));
  return plan && { ...plan, mastery };
}

/** Sums of thirds: what is exactly on the line is on it. */
const gradeOf = (share: number): Grade =>
  share >= masteryRule.met - 1e-9 ? Rating.Good : share >= masteryRule.nearly - 1e-9 ? Rating.Hard : Rating.Again;

/** The library counts days of UTC; at noon none is another's, whatever the zone. */
const noonOf = (day: string): number => Temporal.Instant.from(`${day}T12:00Z`).epochMilliseconds;

export const daysLater = (day: string, days: number): string => Temporal.PlainDate.from(day).add({ days }).toString();

/** Whole days from one day to another; 0 for the same. */
export const daysBetween = (from: string, to: string): number => Temporal.PlainDate.from(from).until(to).days;

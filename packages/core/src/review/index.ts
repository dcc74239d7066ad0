// Questions that come back: when, which, and how much stayed.
export { canComeBack, chooseReview, type DueTarget, type PooledQuestion } from './choose-review.ts';
export { comesBack, daysBetween, daysLater, type ReviewPlan, type TargetReview } from './plan-review.ts';
export { reviewLesson, reviewQuestionId } from './review-lesson.ts';
export { minReviewAnswers, type ReviewAnswer, type StayedBand, stayedAfter } from './stayed.ts';

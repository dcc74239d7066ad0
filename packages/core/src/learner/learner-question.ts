import type { Shown } from '../assignment/shown-now.ts';
import type { Answer } from '../attempt/attempt-state.ts';
import { earnedByResponse, mayStillBeAnswered, mayTryAgain } from '../attempt/tries.ts';
import type { Hundredths } from '../elements/points.ts';
import type { LessonPicture } from '../elements/recording.ts';
import { correctResponse } from '../marking/correct-response.ts';
import { type Verdicts, verdictsOf } from '../marking/verdicts.ts';
import type { Drawing } from '../question/drawing.ts';
import {
  type Area,
  type AssociateQuestion,
  type ChoiceQuestion,
  type DiscussionQuestion,
  type DrawingQuestion,
  type ExtendedTextQuestion,
  type GapMatchQuestion,
  type GraphicGapMatchQuestion,
  type HotspotQuestion,
  type HottextQuestion,
  type InlineChoiceQuestion,
  type Item,
  isTeacherMarked,
  type MatchQuestion,
  type NumericQuestion,
  type OrderQuestion,
  type PollQuestion,
  type Question,
  type QuestionHead,
  type QuestionKind,
  type RecordQuestion,
  type SelectPointQuestion,
  type SliderQuestion,
  type TextEntryQuestion,
  type TextPiece,
  type UploadQuestion,
} from '../question/question.ts';
import type { HandedFile, ResponseBody } from '../question/response.ts';

/** A question as a learner's browser may hold it: no key, no feedback, no hint, no teacher's note. */
export type LearnerQuestion = LearnerQuestionHead & LearnerQuestionBody;
export type LearnerQuestionOf<K extends LearnerQuestion['kind']> = Extract<LearnerQuestion, { readonly kind: K }>;

export interface LearnerQuestionHead
  extends Pick<
    QuestionHead,
    | 'id'
    | 'stem'
    | 'points'
    | 'picture'
    | 'sound'
    | 'directions'
    | 'mayBeBlank'
    | 'tries'
    | 'timeLimitMs'
    | 'asksConfidence'
    | 'comparedWith'
  > {
  /** There is a hint, at this cost. */
  readonly hintCost?: Hundredths | undefined;
}

export interface LearnerOption extends Item {
  readonly picture?: LessonPicture | undefined;
}

export type LearnerQuestionBody =
  | (Pick<ChoiceQuestion | PollQuestion, 'kind' | 'multiple'> & { readonly options: readonly LearnerOption[] })
  | (Pick<InlineChoiceQuestion, 'kind' | 'pieces'> & {
      readonly gaps: readonly Pick<InlineChoiceQuestion['gaps'][number], 'id' | 'options'>[];
    })
  | (Pick<GapMatchQuestion, 'kind' | 'pieces' | 'words'> & { readonly gaps: readonly Named[] })
  | (Pick<TextEntryQuestion, 'kind' | 'pieces'> & { readonly gaps: readonly Named[] })
  /** The unit stands behind the field where the student need not write it. */
  | Pick<NumericQuestion, 'kind' | 'unit'>
  | Pick<OrderQuestion, 'kind' | 'items'>
  | Pick<MatchQuestion, 'kind' | 'sources' | 'targets'>
  | Pick<AssociateQuestion, 'kind' | 'items'>
  | (Pick<HottextQuestion, 'kind' | 'multiple'> & { readonly words: readonly (Item & { isPlain: boolean })[] })
  | (Pick<HotspotQuestion, 'kind' | 'multiple'> & { readonly areas: readonly Area[] })
  | Pick<SelectPointQuestion, 'kind' | 'maxPoints'>
  | (Pick<GraphicGapMatchQuestion, 'kind' | 'words'> & { readonly areas: readonly Area[] })
  | Pick<SliderQuestion, 'kind' | 'min' | 'max' | 'step' | 'minLabel' | 'maxLabel'>
  | (Pick<ExtendedTextQuestion, 'kind'> & {
      readonly wordBox: readonly string[];
      readonly starters: readonly string[];
      readonly wordRange: NonNullable<ExtendedTextQuestion['wordRange']> | null;
    })
  | Pick<DrawingQuestion, 'kind' | 'ground'>
  | Pick<UploadQuestion, 'kind' | 'maxFiles'>
  | Pick<RecordQuestion, 'kind' | 'withPicture' | 'longestMs'>
  | Pick<DiscussionQuestion, 'kind'>
  | SealedBody;

interface Named {
  readonly id: string;
}

/** A question whose words the student may not see yet: its time has not begun, or it has not been reached. */
export interface SealedBody {
  readonly kind: 'sealed';
  readonly of: QuestionKind;
}

/** Puts items in an order that depends on the name of what they are items of. */
export type Mix = <T>(name: string, items: readonly T[]) => readonly T[];

/** For who may know in which order a question was written. */
export const asWritten: Mix = (_, items) => items;

/** What a student may know of a question before they see its words. */
export function toSealedQuestion({ id, points, mayBeBlank, timeLimitMs, kind }: Question): LearnerQuestion {
  return { id, stem: '', points, ...present({ mayBeBlank, timeLimitMs }), kind: 'sealed', of: kind };
}

/**
 * Built by naming what goes through, so that a field added to the model later stays secret until it is named here.
 * @param mix puts items in the order in which they are shown: by the secret of an attempt for its student, as they were
 *   written where nobody must not know
 */
export function toLearnerQuestion(question: Question, mix: Mix): LearnerQuestion {
  const { id, stem, points, picture, sound, directions, mayBeBlank, timeLimitMs, asksConfidence, comparedWith } =
    question;
  const tries = question.tries && { count: question.tries.count, laterPercent: question.tries.laterPercent };
  const head = { picture, sound, directions, mayBeBlank, tries, timeLimitMs, asksConfidence, comparedWith };
  return {
    ...{ id, stem, points },
    ...present({ ...head, hintCost: question.hint?.cost }),
    ...toBody(question, (items, name = '') => mix(`${id} ${name}`, items)),
  };
}

function toBody(question: Question, mix: <T>(items: readonly T[], name?: string) => readonly T[]): LearnerQuestionBody {
  switch (question.kind) {
    case 'choice': {
      const options = question.options.map(({ id, text, picture }) => ({ id, text, ...present({ picture }) }));
      const { kind, multiple } = question;
      return { kind, multiple, options: question.shuffle ? mix(options) : options };
    }
    case 'poll':
      return { kind: question.kind, multiple: question.multiple, options: question.options.map(toItem) };
    case 'inlineChoice':
      return {
        kind: question.kind,
        pieces: question.pieces.map(toPiece),
        gaps: question.gaps.map(({ id, options }) => ({ id, options: mix(options.map(toItem), id) })),
      };
    case 'gapMatch':
      return {
        kind: question.kind,
        pieces: question.pieces.map(toPiece),
        gaps: question.gaps.map(({ id }) => ({ id })),
        words: mix(question.words.map(toItem)),
      };
    case 'textEntry':
      return {
        kind: question.kind,
        pieces: question.pieces.map(toPiece),
        gaps: question.gaps.map(({ id }) => ({ id })),
      };
    case 'numeric':
      return { kind: question.kind, unit: question.unitNeeded ? '' : question.unit };
    case 'order':
      return { kind: question.kind, items: mix(question.items.map(toItem)) };
    case 'match':
      return {
        kind: question.kind,
        sources: question.sources.map(toItem),
        targets: mix(question.targets.map(toItem)),
      };
    case 'associate':
      return { kind: question.kind, items: mix(question.items.map(toItem)) };
    case 'hottext':
      return {
        kind: question.kind,
        multiple: question.multiple,
        words: question.words.map(({ id, text, standing }) => ({ id, text, isPlain: standing === 'plain' })),
      };
    case 'hotspot':
      return { kind: question.kind, multiple: question.multiple, areas: question.areas.map(toArea) };
    case 'selectPoint':
      return { kind: question.kind, maxPoints: question.maxPoints };
    case 'graphicGapMatch':
      return {
        kind: question.kind,
        words: mix(question.words.map(toItem)),
        areas: question.areas.map(toArea),
      };
    case 'slider': {
      const { kind, min, max, step, minLabel, maxLabel } = question;
      return { kind, min, max, step, minLabel, maxLabel };
    }
    case 'extendedText': {
      const { kind, wordBox = [], starters = [], wordRange = null } = question;
      return { kind, wordBox, starters, wordRange };
    }
    case 'drawing':
      return { kind: question.kind, ground: question.ground };
    case 'upload':
      return { kind: question.kind, maxFiles: question.maxFiles };
    case 'record':
      return { kind: question.kind, withPicture: question.withPicture, longestMs: question.longestMs };
    case 'discussion':
      return { kind: question.kind };
  }
}

function toItem({ id, text }: Item): Item {
  return { id, text };
}

function toPiece(piece: TextPiece): TextPiece {
  return 'text' in piece ? { text: piece.text } : { gapId: piece.gapId };
}

function toArea({ id, shape, coords, label }: Area): Area {
  return { id, shape, coords, label };
}

/** Only what is there: a key without a value would travel for nothing. */
export function present<T extends object>(fields: T): Partial<T> {
  return Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as Partial<T>;
}

/** What a learner has earned by answering a question. */
export interface QuestionResult {
  readonly points: Hundredths | null;
  readonly comment: string | null;
  /** The key, said as a response, once there is nothing more to try; null where there is none. */
  readonly answerKey: ResponseBody | null;
  /** What is right of the answer, piece by piece, once there is nothing more to try. */
  readonly verdicts: Verdicts;
  /** Where points had to be set on a picture: the places that count. */
  readonly keyAreas: readonly Area[];
  /** Feedback of the options that were picked. */
  readonly feedback: readonly { readonly optionId: string; readonly text: string }[];
  /** What the teacher says to an answer that came out like this one. */
  readonly said: string | null;
  readonly modelAnswer: string | null;
  readonly voice: HandedFile | null;
  readonly drawn: Readonly<Record<string, Drawing>>;
  /** Criteria of the rubric with the level that was met, once a teacher marked by it. */
  readonly rubric: readonly { readonly title: string; readonly words: string; readonly points: Hundredths }[];
  /** The response itself earned all there is, whatever a hint or a later try took off. */
  readonly isFull: boolean;
  /** Given back, to be worked on again. */
  readonly returned: boolean;
  /** The answer may be given again while the stop is open. */
  readonly mayTryAgain: boolean;
}

interface ToSee {
  /** The stop still stands open: more may be tried, so nothing gives the key away. */
  readonly isOpen: boolean;
  readonly shown: Shown;
  /** BCP 47 tag of the class. */
  readonly locale: string | undefined;
}

/** What an answer has earned its student to see. */
export function toResult(question: Question, answer: Answer, { isOpen, shown, locale }: ToSee): QuestionResult {
  // Nothing gives the key away of what may be answered again, whatever it is that lets it be; nor while its stop stands
  // open, where other answers of the same stop may be tried again.
  const isOver = !isOpen && !mayStillBeAnswered(question, answer, isOpen);
  const { points, feedback } = shown;
  const keys = isOver && shown.keys;
  return {
    points: points ? answer.points : null,
    comment: feedback ? answer.comment : null,
    answerKey: keys ? correctResponse(question, locale) : null,
    verdicts: keys ? verdictsOf(question, answer.response) : {},
    keyAreas: keys && question.kind === 'selectPoint' ? question.areas.map(toArea) : [],
    feedback: feedback ? optionFeedback(question, answer) : [],
    // It tells how much was right.
    said: feedback && points ? outcomeFeedback(question, answer) : null,
    modelAnswer: (keys && answer.points !== null && isTeacherMarked(question.kind) && question.modelAnswer) || null,
    voice: (feedback && answer.voice) || null,
    drawn: (feedback && answer.drawn) || {},
    rubric: feedback && points ? rubricResult(question, answer) : [],
    isFull: (points || keys) && isFull(question, answer),
    returned: answer.returned ?? false,
    mayTryAgain: isOpen && mayTryAgain(question, answer),
  };
}

/** Whether a response earned all its question can. */
export function isFull({ points }: Pick<Question, 'points'>, answer: Answer): boolean {
  return points > 0 && (earnedByResponse(answer) ?? 0) >= points;
}

function rubricResult({ rubric }: Question, answer: Answer): QuestionResult['rubric'] {
  return (rubric?.criteria ?? []).flatMap(({ id, title, levels }) => {
    const level = levels.find((one) => one.id === answer.rubric?.[id]);
    return level ? [{ title, words: level.words, points: level.points }] : [];
  });
}

function optionFeedback(question: Question, { response }: Answer): QuestionResult['feedback'] {
  if (question.kind !== 'choice' || response.kind !== 'choice') return [];
  return question.options
    .filter((option) => response.optionIds.includes(option.id) && option.feedback !== '')
    .map((option) => ({ optionId: option.id, text: option.feedback }));
}

function outcomeFeedback({ feedback, points }: Question, answer: Answer): string | null {
  const earned = earnedByResponse(answer);
  if (!feedback || earned === null || points === 0) return null;
  if (earned >= points) return feedback.correct || null;
  return (earned > 0 ? feedback.partly || feedback.wrong : feedback.wrong) || null;
}

import * as v from 'valibot';
import type { Refusal } from '../attempt/refusal.ts';
import type { LearnerQuestion, QuestionResult } from '../learner/learner-question.ts';
import type { LearnerAnswer, LearnerPart, LearnerState, LearnerStop, LearnerView } from '../learner/learner-view.ts';
import { tileColours, tileKinds } from '../lesson/board.ts';
import { materialPartKinds, untimedPartKinds } from '../lesson/lesson.ts';
import { penColours } from '../question/drawing.ts';
import { drawingGrounds, questionKinds } from '../question/question.ts';
import { confidences, type Response, type ResponseBody } from '../question/response.ts';
import { describes } from './describes.ts';

/*
 * What leaves by a student's door. Strict throughout: an object with a field that is not named here is refused, and the
 * answer fails, before anything that was not meant for students goes out.
 */
const text = v.string();
const number = v.number();
const flag = v.boolean();
const maybe = <S extends v.GenericSchema>(schema: S) => v.optional(schema);
const byId = <S extends v.GenericSchema>(schema: S) => v.record(text, schema);
const is = <const T extends string>(kind: T) => v.literal(kind);

const picture = v.strictObject({ materialId: text, alt: text });
const recording = v.strictObject({ materialId: text, words: text });
const anchor = v.strictObject({ blockId: v.nullable(text), number, phrase: maybe(text) });
const target = v.variant('kind', [
  v.strictObject({ kind: is('onward') }),
  v.strictObject({
    kind: is('part'),
    partId: text,
    stopId: maybe(text),
    at: maybe(v.strictObject({ atMs: number, anchor: maybe(anchor) })),
  }),
  v.strictObject({ kind: is('back') }),
  v.strictObject({ kind: is('end') }),
]);
const hiddenRules = maybe(v.array(v.strictObject({ hidden: v.literal(true) })));

const item = v.strictObject({ id: text, text });
const items = v.array(item);
const named = v.array(v.strictObject({ id: text }));
const option = v.strictObject({ id: text, text, picture: maybe(picture) });
const pieces = v.array(v.union([v.strictObject({ text }), v.strictObject({ gapId: text })]));
const area = v.strictObject({
  id: text,
  shape: v.picklist(['rect', 'ellipse', 'poly']),
  coords: v.array(number),
  label: text,
});

const ofQuestion = {
  id: text,
  stem: text,
  points: number,
  picture: maybe(picture),
  sound: maybe(recording),
  directions: maybe(recording),
  hintCost: maybe(number),
  mayBeBlank: maybe(flag),
  tries: maybe(v.strictObject({ count: number, laterPercent: number })),
  timeLimitMs: maybe(number),
  asksConfidence: maybe(flag),
  comparedWith: maybe(text),
};

export const learnerQuestionSchema = describes<LearnerQuestion>()(
  v.variant('kind', [
    v.strictObject({ ...ofQuestion, kind: is('choice'), multiple: flag, options: v.array(option) }),
    v.strictObject({ ...ofQuestion, kind: is('poll'), multiple: flag, options: v.array(option) }),
    v.strictObject({
      ...ofQuestion,
      kind: is('inlineChoice'),
      pieces,
      gaps: v.array(v.strictObject({ id: text, options: items })),
    }),
    v.strictObject({ ...ofQuestion, kind: is('gapMatch'), pieces, gaps: named, words: items }),
    v.strictObject({ ...ofQuestion, kind: is('textEntry'), pieces, gaps: named }),
    v.strictObject({ ...ofQuestion, kind: is('numeric'), unit: text }),
    v.strictObject({ ...ofQuestion, kind: is('order'), items }),
    v.strictObject({ ...ofQuestion, kind: is('match'), sources: items, targets: items }),
    v.strictObject({ ...ofQuestion, kind: is('associate'), items }),
    v.strictObject({
      ...ofQuestion,
      kind: is('hottext'),
      multiple: flag,
      words: v.array(v.strictObject({ id: text, text, isPlain: flag })),
    }),
    v.strictObject({ ...ofQuestion, kind: is('hotspot'), multiple: flag, areas: v.array(area) }),
    v.strictObject({ ...ofQuestion, kind: is('selectPoint'), maxPoints: number }),
    v.strictObject({ ...ofQuestion, kind: is('graphicGapMatch'), words: items, areas: v.array(area) }),
    v.strictObject({
      ...ofQuestion,
      ...{ kind: is('slider'), min: number, max: number, step: number, minLabel: text, maxLabel: text },
    }),
    v.strictObject({
      ...ofQuestion,
      kind: is('extendedText'),
      wordBox: v.array(text),
      starters: v.array(text),
      wordRange: v.nullable(v.strictObject({ min: v.nullable(number), max: v.nullable(number) })),
    }),
    v.strictObject({ ...ofQuestion, kind: is('drawing'), ground: v.picklist(drawingGrounds) }),
    v.strictObject({ ...ofQuestion, kind: is('upload'), maxFiles: number }),
    v.strictObject({ ...ofQuestion, kind: is('record'), withPicture: flag, longestMs: number }),
    v.strictObject({ ...ofQuestion, kind: is('discussion') }),
    v.strictObject({ ...ofQuestion, kind: is('sealed'), of: v.picklist(questionKinds) }),
  ]),
);

const place = { id: text, atMs: number, anchor: maybe(anchor) };
const stop = describes<LearnerStop>()(
  v.variant('kind', [
    v.strictObject({
      ...place,
      kind: is('checkpoint'),
      required: flag,
      questions: v.array(learnerQuestionSchema),
      rules: hiddenRules,
    }),
    v.strictObject({
      ...place,
      kind: is('fork'),
      prompt: text,
      choices: v.array(
        v.strictObject({ id: text, words: text, to: target, picture: maybe(picture), after: maybe(text) }),
      ),
    }),
    v.strictObject({ ...place, kind: is('pause'), note: text, voice: maybe(recording) }),
    v.strictObject({
      ...place,
      kind: is('board'),
      prompt: text,
      voice: maybe(recording),
      arrangement: v.picklist(['grid', 'free']),
      columns: number,
      tiles: v.array(
        v.strictObject({
          id: text,
          title: text,
          picture: maybe(picture),
          colour: v.picklist(tileColours),
          does: v.picklist(tileKinds),
          minutes: number,
          worth: number,
          to: v.variant('kind', [
            v.strictObject({ kind: is('part'), partId: text }),
            v.strictObject({ kind: is('address'), url: text }),
          ]),
          at: maybe(v.strictObject({ x: number, y: number })),
          row: maybe(number),
        }),
      ),
      need: v.variant('kind', [
        v.strictObject({ kind: is('any'), count: number }),
        v.strictObject({ kind: is('eachRow') }),
        v.strictObject({ kind: is('firstAnd'), more: number }),
        v.strictObject({ kind: is('worth'), worth: number }),
      ]),
    }),
  ]),
);

const ofPart = {
  id: text,
  title: text,
  inMs: number,
  outMs: number,
  stops: v.array(stop),
  directions: maybe(recording),
  practice: maybe(flag),
  rules: hiddenRules,
  next: maybe(target),
  from: maybe(v.strictObject({ linkId: text, isAside: flag })),
  anyOrder: maybe(text),
};
const narration = v.strictObject({
  ...{ id: text, materialId: text, words: text, atMs: number, lengthMs: number },
  filmSound: v.picklist(['silent', 'quiet']),
});
const part = describes<LearnerPart>()(
  v.variant('kind', [
    v.strictObject({
      ...ofPart,
      kind: v.picklist(materialPartKinds),
      materialId: text,
      narrations: maybe(v.array(narration)),
      insets: maybe(v.array(v.strictObject({ id: text, atMs: number, anchor, materialId: text, title: text }))),
      nextLessonId: maybe(text),
    }),
    v.strictObject({ ...ofPart, kind: v.picklist(untimedPartKinds) }),
  ]),
);

const handedFile = v.strictObject({ fileId: text, name: text, mimeType: text, byteLength: number });
const spot = v.strictTuple([number, number]);
const ofMark = { colour: v.picklist(penColours), size: number };
const drawing = v.strictObject({
  marks: v.array(
    v.variant('tool', [
      v.strictObject({ ...ofMark, tool: is('pen'), points: v.array(number) }),
      v.strictObject({ ...ofMark, tool: v.picklist(['line', 'arrow', 'rect', 'ellipse']), from: spot, to: spot }),
      v.strictObject({ ...ofMark, tool: is('text'), at: spot, text }),
    ]),
  ),
});
const confidence = maybe(v.picklist(confidences));
const responseKinds = <const E extends v.ObjectEntries>(more: E) =>
  v.variant('kind', [
    v.strictObject({ kind: is('choice'), optionIds: v.array(text), ...more }),
    v.strictObject({ kind: is('gaps'), gaps: byId(text), ...more }),
    v.strictObject({ kind: is('number'), text, ...more }),
    v.strictObject({ kind: is('order'), itemIds: v.array(text), ...more }),
    v.strictObject({ kind: is('pairs'), pairs: v.array(v.strictTuple([text, text])), ...more }),
    v.strictObject({ kind: is('points'), points: v.array(spot), ...more }),
    v.strictObject({ kind: is('scale'), value: number, ...more }),
    v.strictObject({ kind: is('extendedText'), text, ...more }),
    v.strictObject({ kind: is('drawing'), drawing, ...more }),
    v.strictObject({ kind: is('files'), files: v.array(handedFile), ...more }),
  ]);
export const learnerResponseSchema = describes<Response>()(responseKinds({ confidence }));
const keySchema = describes<ResponseBody>()(responseKinds({}));

export const questionResultSchema = describes<QuestionResult>()(
  v.strictObject({
    points: v.nullable(number),
    comment: v.nullable(text),
    answerKey: v.nullable(keySchema),
    verdicts: byId(flag),
    keyAreas: v.array(area),
    feedback: v.array(v.strictObject({ optionId: text, text })),
    said: v.nullable(text),
    modelAnswer: v.nullable(text),
    voice: v.nullable(handedFile),
    drawn: byId(drawing),
    rubric: v.array(v.strictObject({ title: text, words: text, points: number })),
    isFull: flag,
    returned: flag,
    mayTryAgain: flag,
  }),
);

const answer = describes<LearnerAnswer>()(
  v.strictObject({
    response: learnerResponseSchema,
    points: v.nullable(number),
    /** By the program, or by a teacher, whoever it was. */
    markedBy: v.nullable(v.picklist(['program', 'teacher'])),
    comment: v.nullable(text),
    earned: maybe(number),
    earlier: maybe(
      v.array(
        v.strictObject({
          response: learnerResponseSchema,
          points: v.nullable(number),
          comment: v.nullable(text),
          because: v.picklist(['tried', 'returned']),
          hintCost: maybe(number),
        }),
      ),
    ),
    voice: maybe(handedFile),
    drawn: maybe(byId(drawing)),
    returned: maybe(flag),
    hintCost: maybe(number),
  }),
);

const via = [
  v.strictObject({ kind: is('choice'), stopId: text, choiceId: text }),
  v.strictObject({ kind: is('tile'), stopId: text, tileId: text }),
  v.strictObject({ kind: is('rule'), of: text, ruleId: text }),
  v.strictObject({ kind: is('next'), partId: text }),
  v.strictObject({ kind: is('order') }),
] as const;
const viaSchema = v.variant('kind', via);
const legVia = v.variant('kind', [v.strictObject({ kind: is('start') }), ...via]);

const learnerStateSchema = describes<LearnerState>()(
  v.strictObject({
    version: number,
    begunAt: number,
    lastSeenAt: number,
    handedInAt: v.nullable(number),
    currentPartId: v.nullable(text),
    parts: byId(
      v.strictObject({
        coverage: v.array(v.strictObject({ fromMs: number, toMs: number, times: number })),
        furthestMs: number,
        positionMs: number,
      }),
    ),
    stops: byId(
      v.strictObject({
        phase: v.picklist(['open', 'answered', 'acknowledged', 'chosen', 'passed']),
        openedAt: number,
        openedAtSpentMs: number,
        settledAt: v.nullable(number),
        arrivedAt: maybe(number),
        began: maybe(byId(number)),
        ended: maybe(v.array(text)),
        drafts: byId(learnerResponseSchema),
        answers: byId(answer),
        hints: maybe(v.array(text)),
        choiceId: maybe(text),
        tiles: maybe(byId(v.picklist(['opened', 'done']))),
      }),
    ),
    timeSpentMs: number,
    bestProgress: maybe(number),
    extraTime: maybe(number),
    afterClosing: maybe(
      v.strictObject({
        events: number,
        answers: number,
        fromAt: number,
        untilAt: number,
        arrivedAt: number,
        length: number,
      }),
    ),
    route: maybe(
      v.strictObject({
        legs: v.array(
          v.strictObject({
            ...{ partId: text, via: legVia, fromStop: number, fromMs: number, atStop: number, atMs: number },
            untilMs: v.nullable(number),
            returns: v.array(v.strictObject({ partId: text, stopIndex: number, fromMs: number })),
          }),
        ),
        ruled: v.array(text),
        isAtEnd: flag,
        endVia: maybe(viaSchema),
        turnedBack: maybe(v.array(text)),
        progress: number,
      }),
    ),
    discrepancies: v.strictObject({
      ...{ cutMs: number, hiddenMs: number, lateAnswers: number, refusedCount: number },
      refusals: v.strictTuple([]),
    }),
    intake: v.strictObject({
      sittings: byId(
        v.strictObject({
          next: number,
          missing: maybe(v.array(v.strictTuple([number, number]))),
          ...{ at: number, heardAt: number, shiftMs: number, deviceAt: number, deviceMs: number },
          ...{ away: flag, creditMs: number, metAtMs: number },
          waitsUntil: maybe(number),
        }),
      ),
      /** What waits stays with the server. */
      held: v.strictTuple([]),
      newlyMetMs: number,
    }),
  }),
);

export const learnerViewSchema = describes<LearnerView>()(
  v.strictObject({
    lesson: v.strictObject({
      title: text,
      directions: maybe(recording),
      freeFrom: maybe(number),
      parts: v.array(part),
    }),
    state: learnerStateSchema,
    results: byId(questionResultSchema),
    hints: byId(text),
    ahead: v.strictObject({ partIds: v.array(text), isOpen: flag }),
    shown: v.strictObject({ points: flag, feedback: flag, keys: flag }),
  }),
);

/** What became of an event a browser sent. */
export const outcomeSchema = v.strictObject({
  id: text,
  kind: v.picklist(['taken', 'repeated', 'held', 'afterClosing', 'tooEarly', 'refused']),
  reason: maybe(v.string() as unknown as v.GenericSchema<unknown, Refusal>),
});

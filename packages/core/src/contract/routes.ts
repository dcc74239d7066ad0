import * as v from 'valibot';
import { mostEventsPerBatch, sentEventSchema } from './event-schemas.ts';
import { lessonChangeSchema, madeDeckSchema } from './lesson-schemas.ts';
import { handedFileSchema } from './response-schemas.ts';
import { route } from './route.ts';
import * as s from './schemas.ts';

const id = v.pipe(v.string(), v.minLength(1), v.maxLength(64));

/** Every door of the server. A door that is not here does not exist: `app.ts` refuses to start with a gap. */
export const routes = {
  // accounts
  readSession: route('GET', '/api/session', 'anyone', { output: s.sessionSchema }),
  signIn: route('POST', '/api/session', 'anyone', { body: s.signInSchema, output: s.meSchema }),
  signOut: route('DELETE', '/api/session', 'signedIn'),
  signOutEverywhere: route('DELETE', '/api/sessions', 'signedIn'),
  listDemoPeople: route('GET', '/api/demo/people', 'demoVisitor', { output: v.array(s.demoPersonSchema) }),
  enterDemo: route('POST', '/api/demo/enter', 'demoVisitor', { body: v.object({ personId: id }), output: s.meSchema }),

  // classes
  listClasses: route('GET', '/api/classes', 'teacher', {
    output: v.array(v.object({ id: v.string(), name: v.string(), timeZone: v.string(), studentCount: v.number() })),
  }),
  readClass: route('GET', '/api/classes/:classId', 'teacher', {
    output: v.object({
      id: v.string(),
      name: v.string(),
      timeZone: v.string(),
      locale: v.string(),
      students: v.array(
        v.object({ id: v.string(), displayName: v.string(), userName: v.string(), extraTime: v.number() }),
      ),
      assignments: v.array(s.assignmentSummarySchema),
    }),
  }),

  /** How numbers are written in the class, in every attempt from now on. */
  changeClass: route('PATCH', '/api/classes/:classId', 'teacher', { body: s.classSettingsSchema }),
  changeStudent: route('PATCH', '/api/classes/:classId/students/:studentId', 'teacher', {
    body: s.studentSettingsSchema,
  }),

  // materials
  listMaterials: route('GET', '/api/materials', 'teacher', { output: v.array(s.materialSchema) }),
  fetchMaterial: route('POST', '/api/materials/from-address', 'teacher', {
    body: v.object({ address: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(2_000)) }),
    output: v.object({ id: v.string() }),
  }),
  readMaterial: route('GET', '/api/materials/:materialId', 'teacher', { output: s.materialSchema }),
  deleteMaterial: route('DELETE', '/api/materials/:materialId', 'teacher'),
  uploadFile: route('POST', '/api/files', 'teacher'),
  streamMedia: route('GET', '/api/materials/:materialId/media', 'signedIn'),
  readContent: route('GET', '/api/materials/:materialId/content', 'signedIn', { output: s.contentSchema }),
  readMadeSlides: route('GET', '/api/materials/:materialId/made-slides', 'teacher', {
    output: v.object({ title: v.string(), deck: madeDeckSchema }),
  }),
  /** Slides as they would look, without keeping them. */
  drawMadeSlides: route('POST', '/api/made-slides/drawing', 'teacher', {
    body: v.object({ deck: madeDeckSchema }),
    output: v.array(s.slideSchema),
  }),
  /** Answers with the id of the deck that is shown from now on: another one where an edition shows the older. */
  saveMadeSlides: route('POST', '/api/made-slides', 'teacher', {
    body: v.object({
      materialId: v.nullable(id),
      title: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(200)),
      deck: madeDeckSchema,
    }),
    output: v.object({ id: v.string() }),
  }),
  describePicture: route('PUT', '/api/materials/:materialId/pictures/:pictureName/words', 'teacher', {
    body: v.object({ words: v.pipe(v.string(), v.trim(), v.maxLength(1_000)) }),
  }),
  showPicture: route('GET', '/api/materials/:materialId/pictures/:pictureName', 'signedIn'),
  bringInCaptions: route('PUT', '/api/materials/:materialId/captions', 'teacher', {
    output: v.object({ cueCount: v.number(), faults: v.array(s.captionFaultSchema) }),
    rawBodyLimit: 5_000_000,
  }),
  readCaptions: route('GET', '/api/materials/:materialId/captions', 'signedIn', { output: v.array(s.cueSchema) }),
  correctCaptions: route('POST', '/api/materials/:materialId/captions', 'teacher', {
    body: v.object({
      /** Fingerprint of the captions that were corrected. */
      before: v.pipe(v.string(), v.maxLength(40)),
      cues: v.pipe(v.array(s.cueSchema), v.maxLength(20_000)),
    }),
    output: v.object({ cueCount: v.number() }),
  }),
  writeCaptions: route('GET', '/api/materials/:materialId/captions.vtt', 'teacher'),
  writeSrt: route('GET', '/api/materials/:materialId/captions.srt', 'teacher'),

  // the media catalogue
  searchCatalogue: route('POST', '/api/catalogue/search', 'teacher', {
    body: v.object({
      words: v.pipe(v.string(), v.trim(), v.maxLength(200)),
      mostSeconds: v.nullable(v.pipe(v.number(), v.minValue(1))),
      licence: v.pipe(v.string(), v.maxLength(60)),
    }),
    output: v.object({ isThere: v.boolean(), items: v.array(s.catalogueItemSchema) }),
  }),
  takeFromCatalogue: route('POST', '/api/catalogue/materials', 'teacher', {
    body: v.object({ itemId: id }),
    output: v.object({ id: v.string() }),
  }),

  // lessons
  listLessons: route('GET', '/api/lessons', 'teacher', { output: v.array(s.lessonSummarySchema) }),
  createLesson: route('POST', '/api/lessons', 'teacher', {
    body: v.object({ materialId: v.nullable(id) }),
    output: v.object({ id: v.string() }),
  }),
  putIntoDrafts: route('POST', '/api/materials/:materialId/drafts', 'teacher', {
    output: v.object({ lessons: v.array(v.object({ title: v.string(), astrayCount: v.number() })) }),
  }),
  splitIntoLessons: route('POST', '/api/materials/:materialId/lessons', 'teacher', {
    body: v.object({ startIds: v.pipe(v.array(id), v.minLength(1), v.maxLength(60)) }),
    output: v.object({ lessonIds: v.array(v.string()) }),
  }),
  readDraft: route('GET', '/api/lessons/:lessonId', 'teacher', { output: s.draftSchema }),
  changeDraft: route('POST', '/api/lessons/:lessonId/changes', 'teacher', {
    body: v.object({
      baseVersion: v.pipe(v.number(), v.integer(), v.minValue(0)),
      changes: v.pipe(v.array(lessonChangeSchema), v.minLength(1), v.maxLength(200)),
    }),
    output: v.object({ version: v.number(), updatedAt: v.number() }),
  }),
  makeEdition: route('POST', '/api/lessons/:lessonId/editions', 'teacher', {
    body: v.object({
      draftVersion: v.number(),
      /** The teacher has seen that some pictures have no words. */
      acceptsMutePictures: v.optional(v.boolean(), false),
    }),
    output: v.object({ number: v.number() }),
  }),

  // assignments
  listAssignments: route('GET', '/api/assignments', 'teacher', { output: v.array(s.assignmentSummarySchema) }),
  assign: route('POST', '/api/assignments', 'teacher', {
    body: v.object({ lessonId: id, classId: id, terms: s.termsSchema, ...s.windowFields }),
    output: v.object({ id: v.string() }),
  }),
  changeWindow: route('PATCH', '/api/assignments/:assignmentId/window', 'teacher', {
    body: v.object(s.windowFields),
    output: s.assignmentSummarySchema,
  }),
  readSheet: route('GET', '/api/assignments/:assignmentId/sheet', 'teacher', { output: s.sheetSchema }),
  exportSheet: route('GET', '/api/assignments/:assignmentId/sheet.csv', 'teacher'),
  watchSheet: route('GET', '/api/assignments/:assignmentId/live', 'teacher'),
  excuse: route('PUT', '/api/assignments/:assignmentId/students/:studentId/excusal', 'teacher', {
    body: v.object({ excused: v.boolean() }),
    output: s.sheetStudentSchema,
  }),
  readAttempt: route('GET', '/api/assignments/:assignmentId/students/:studentId', 'teacher', {
    output: s.attemptDetailSchema,
  }),
  mark: route('POST', '/api/assignments/:assignmentId/students/:studentId/marks', 'teacher', {
    body: s.markSchema,
    output: s.attemptDetailSchema,
  }),
  /** One mark for many answers that are alike. */
  markMany: route('POST', '/api/assignments/:assignmentId/marks', 'teacher', {
    body: v.object({
      studentIds: v.pipe(v.array(id), v.minLength(1), v.maxLength(500)),
      mark: s.markSchema,
    }),
  }),
  /** The questions of an assignment, with how many answers there are and how many wait. */
  listMarking: route('GET', '/api/assignments/:assignmentId/marking', 'teacher', {
    output: v.array(s.markingQuestionSchema),
  }),
  readAnswers: route('GET', '/api/assignments/:assignmentId/questions/:questionId/answers', 'teacher', {
    output: s.questionAnswersSchema,
  }),
  /** Every change of a mark, the latest first. */
  readMarkHistory: route('GET', '/api/assignments/:assignmentId/students/:studentId/marks', 'teacher', {
    output: v.array(s.markChangeSchema),
  }),
  /** The body is a voice that was recorded as a comment. */
  sendMarkVoice: route('POST', '/api/assignments/:assignmentId/students/:studentId/voices/:fileName', 'teacher', {
    output: handedFileSchema,
  }),
  listPhrases: route('GET', '/api/phrases', 'teacher', { output: v.array(s.phraseSchema) }),
  addPhrase: route('POST', '/api/phrases', 'teacher', {
    body: v.object({ text: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(1_000)) }),
    output: s.phraseSchema,
  }),
  removePhrase: route('DELETE', '/api/phrases/:phraseId', 'teacher'),

  // the student's side
  listTodo: route('GET', '/api/todo', 'student', {
    output: v.object({ items: v.array(s.todoItemSchema), now: v.number() }),
  }),
  listFeedback: route('GET', '/api/feedback', 'student', { output: v.array(s.feedbackItemSchema) }),
  beginWalk: route('PUT', '/api/assignments/:assignmentId/walk', 'student', { output: s.walkSchema }),
  takeInEvents: route('POST', '/api/attempts/:attemptId/events', 'student', {
    body: v.object({ events: v.pipe(v.array(sentEventSchema), v.minLength(1), v.maxLength(mostEventsPerBatch)) }),
    output: s.intakeSchema,
  }),
  /** The body is the file itself. */
  sendAnswerFile: route('POST', '/api/attempts/:attemptId/files/:fileName', 'student', { output: handedFileSchema }),
  readAnswerFile: route('GET', '/api/answer-files/:fileId', 'signedIn'),
} as const;

export type RouteName = keyof typeof routes;

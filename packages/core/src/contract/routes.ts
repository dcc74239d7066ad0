import * as v from 'valibot';
import { mostEventsPerBatch, sentEventSchema } from './event-schemas.ts';
import { lessonChangeSchema, lessonSchema, madeDeckSchema } from './lesson-schemas.ts';
import { questionSchema, rubricSchema } from './question-schemas.ts';
import { handedFileSchema } from './response-schemas.ts';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';
import * as s from './schemas.ts';

const id = v.pipe(v.string(), v.minLength(1), v.maxLength(64));

/** Every door of the server. A door that is not here does not exist: `app.ts` refuses to start with a gap. */
export const routes = {
  // accounts
  readSession: route(...routePaths.readSession, 'anyone', { output: s.sessionSchema }),
  signIn: route(...routePaths.signIn, 'anyone', {
    bodyLimit: 10_000,
    body: s.signInSchema,
    output: s.meSchema,
  }),
  signOut: route(...routePaths.signOut, 'signedIn'),
  signOutEverywhere: route(...routePaths.signOutEverywhere, 'signedIn'),
  listDemoPeople: route(...routePaths.listDemoPeople, 'demoVisitor', { output: v.array(s.demoPersonSchema) }),
  enterDemo: route(...routePaths.enterDemo, 'demoVisitor', { body: v.object({ personId: id }), output: s.meSchema }),

  // classes
  listClasses: route(...routePaths.listClasses, 'teacher', {
    output: v.array(v.object({ id: v.string(), name: v.string(), timeZone: v.string(), studentCount: v.number() })),
  }),
  /** Names of the groups of all classes of a teacher. */
  listGroups: route(...routePaths.listGroups, 'teacher', { output: v.array(v.string()) }),
  readClass: route(...routePaths.readClass, 'teacher', {
    output: v.object({
      id: v.string(),
      name: v.string(),
      timeZone: v.string(),
      locale: v.string(),
      students: v.array(
        v.object({
          ...{ id: v.string(), displayName: v.string(), userName: v.string() },
          ...{ extraTime: v.number(), groups: v.array(v.string()) },
        }),
      ),
      assignments: v.array(s.assignmentSummarySchema),
    }),
  }),

  /** How numbers are written in the class, in every attempt from now on. */
  changeClass: route(...routePaths.changeClass, 'teacher', { body: s.classSettingsSchema }),
  changeStudent: route(...routePaths.changeStudent, 'teacher', {
    body: s.studentSettingsSchema,
  }),

  // materials
  listMaterials: route(...routePaths.listMaterials, 'teacher', { output: v.array(s.materialSchema) }),
  fetchMaterial: route(...routePaths.fetchMaterial, 'teacher', {
    body: v.object({ address: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(2_000)) }),
    output: v.object({ id: v.string() }),
  }),
  readMaterial: route(...routePaths.readMaterial, 'teacher', { output: s.materialSchema }),
  deleteMaterial: route(...routePaths.deleteMaterial, 'teacher'),
  bringBackMaterial: route(...routePaths.bringBackMaterial, 'teacher'),
  uploadFile: route(...routePaths.uploadFile, 'teacher'),
  streamMedia: route(...routePaths.streamMedia, 'signedIn'),
  readContent: route(...routePaths.readContent, 'signedIn', { output: s.contentSchema }),
  readMadeSlides: route(...routePaths.readMadeSlides, 'teacher', {
    output: v.object({ title: v.string(), deck: madeDeckSchema, print: v.string() }),
  }),
  /** Slides as they would look, without keeping them. */
  drawMadeSlides: route(...routePaths.drawMadeSlides, 'teacher', {
    body: v.object({ deck: madeDeckSchema }),
    output: v.array(s.slideSchema),
  }),
  /** Answers with the id of the deck that is shown from now on: another one where an edition shows the older. */
  saveMadeSlides: route(...routePaths.saveMadeSlides, 'teacher', {
    body: v.object({
      materialId: v.nullable(id),
      title: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(200)),
      deck: madeDeckSchema,
      /** Print of the slides that were changed; null for new ones. */
      before: v.nullable(v.pipe(v.string(), v.maxLength(40))),
      /** Of this save: one that is sent again because its answer was lost makes no second deck. */
      saveId: v.pipe(v.string(), v.uuid()),
    }),
    output: v.object({ id: v.string(), print: v.string() }),
  }),
  describePicture: route(...routePaths.describePicture, 'teacher', {
    body: v.object({ words: v.pipe(v.string(), v.trim(), v.maxLength(1_000)) }),
  }),
  showPicture: route(...routePaths.showPicture, 'signedIn'),
  bringInCaptions: route(...routePaths.bringInCaptions, 'teacher', {
    output: v.object({ cueCount: v.number(), faults: v.array(s.captionFaultSchema) }),
    rawBodyLimit: 5_000_000,
  }),
  readCaptions: route(...routePaths.readCaptions, 'signedIn', { output: v.array(s.cueSchema) }),
  correctCaptions: route(...routePaths.correctCaptions, 'teacher', {
    body: v.object({
      /** Fingerprint of the captions that were corrected. */
      before: v.pipe(v.string(), v.maxLength(40)),
      cues: v.pipe(v.array(s.cueSchema), v.maxLength(20_000)),
    }),
    output: v.object({ cueCount: v.number() }),
  }),
  writeCaptions: route(...routePaths.writeCaptions, 'teacher'),
  writeSrt: route(...routePaths.writeSrt, 'teacher'),

  // the media catalogue
  searchCatalogue: route(...routePaths.searchCatalogue, 'teacher', {
    body: v.object({
      words: v.pipe(v.string(), v.trim(), v.maxLength(200)),
      mostSeconds: v.nullable(v.pipe(v.number(), v.minValue(1))),
      licence: v.pipe(v.string(), v.maxLength(60)),
    }),
    output: v.object({ isThere: v.boolean(), items: v.array(s.catalogueItemSchema) }),
  }),
  takeFromCatalogue: route(...routePaths.takeFromCatalogue, 'teacher', {
    body: v.object({ itemId: id }),
    output: v.object({ id: v.string() }),
  }),

  // lessons
  listLessons: route(...routePaths.listLessons, 'teacher', { output: v.array(s.lessonSummarySchema) }),
  createLesson: route(...routePaths.createLesson, 'teacher', {
    body: v.object({ materialId: v.nullable(id) }),
    output: v.object({ id: v.string() }),
  }),
  putIntoDrafts: route(...routePaths.putIntoDrafts, 'teacher', {
    output: v.object({ lessons: v.array(v.object({ title: v.string(), astrayCount: v.number() })) }),
  }),
  splitIntoLessons: route(...routePaths.splitIntoLessons, 'teacher', {
    body: v.object({ startIds: v.pipe(v.array(id), v.minLength(1), v.maxLength(60)) }),
    output: v.object({ lessonIds: v.array(v.string()) }),
  }),
  readDraft: route(...routePaths.readDraft, 'teacher', { output: s.draftSchema }),
  changeDraft: route(...routePaths.changeDraft, 'teacher', {
    body: v.object({
      baseVersion: v.pipe(v.number(), v.integer(), v.minValue(0)),
      /** Of this save: one that is sent again because its answer was lost is not taken again. */
      saveId: v.optional(id),
      changes: v.pipe(v.array(lessonChangeSchema), v.minLength(1), v.maxLength(200)),
    }),
    output: v.object({ version: v.number(), updatedAt: v.number() }),
  }),
  /** An edition by its number, or `newest`. */
  readEdition: route(...routePaths.readEdition, 'teacher', {
    output: v.object({ number: v.number(), lesson: lessonSchema }),
  }),
  makeEdition: route(...routePaths.makeEdition, 'teacher', {
    body: v.object({
      draftVersion: v.number(),
      /** The teacher has seen that some pictures have no words. */
      acceptsMutePictures: v.optional(v.boolean(), false),
    }),
    output: v.object({ number: v.number() }),
  }),

  // assignments
  listAssignments: route(...routePaths.listAssignments, 'teacher', { output: v.array(s.assignmentSummarySchema) }),
  assign: route(...routePaths.assign, 'teacher', {
    body: v.object({
      lessonId: id,
      to: v.pipe(v.array(s.addresseeSchema), v.minLength(1), v.maxLength(300)),
      terms: s.termsSchema,
      ...s.windowFields,
    }),
    output: v.object({ id: v.string() }),
  }),
  changeWindow: route(...routePaths.changeWindow, 'teacher', {
    body: v.object({
      ...s.windowFields,
      /** For one of those it was given to; else for all whom the teacher follows. */
      addresseeId: v.optional(id),
    }),
    output: s.assignmentSummarySchema,
  }),
  readSheet: route(...routePaths.readSheet, 'teacher', { output: s.sheetSchema }),
  exportSheet: route(...routePaths.exportSheet, 'teacher'),
  /** A stream of server-sent events about the topics in `on`, from behind the version in `since` on. */
  watch: route(...routePaths.watch, 'signedIn'),
  /** Makes something different for some students; answers with their lines of the sheet. */
  adjust: route(...routePaths.adjust, 'teacher', {
    body: v.object({
      studentIds: v.pipe(v.array(id), v.minLength(1), v.maxLength(500)),
      change: s.adjustmentSchema,
      reason: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(500))),
    }),
    output: v.array(s.sheetLineSchema),
  }),
  /** All that was made different for one student, the latest first. */
  listAdjustments: route(...routePaths.listAdjustments, 'teacher', { output: v.array(s.madeAdjustmentSchema) }),
  /** Where students went: ways taken, turned back at, and routes walked. */
  readWalkedPath: route(...routePaths.readWalkedPath, 'teacher', { output: s.walkedPathSchema }),
  readAttempt: route(...routePaths.readAttempt, 'teacher', {
    output: s.attemptDetailSchema,
  }),
  mark: route(...routePaths.mark, 'teacher', {
    body: s.markSchema,
    output: s.attemptDetailSchema,
  }),
  /** What came in after closing counts all the same. */
  admitLate: route(...routePaths.admitLate, 'teacher', { output: s.attemptDetailSchema }),
  /** One mark for many answers that are alike. */
  markMany: route(...routePaths.markMany, 'teacher', {
    body: v.object({
      studentIds: v.pipe(v.array(id), v.minLength(1), v.maxLength(500)),
      mark: s.markSchema,
    }),
  }),
  /** The questions of an assignment, with how many answers there are and how many wait. */
  listMarking: route(...routePaths.listMarking, 'teacher', {
    output: v.array(s.markingQuestionSchema),
  }),
  readAnswers: route(...routePaths.readAnswers, 'teacher', {
    output: s.questionAnswersSchema,
  }),
  /** Puts a key right after answers came in; tells first, where it is only looked at, whose marks would move. */
  changeKey: route(...routePaths.changeKey, 'teacher', {
    body: v.object({ question: questionSchema, confirms: v.boolean() }),
    output: v.array(s.markMoveSchema),
  }),
  /** Every change of a mark, the latest first. */
  readMarkHistory: route(...routePaths.readMarkHistory, 'teacher', {
    output: v.array(s.markChangeSchema),
  }),
  /** The body is a voice that was recorded as a comment. */
  sendMarkVoice: route(...routePaths.sendMarkVoice, 'teacher', {
    output: handedFileSchema,
  }),
  listPhrases: route(...routePaths.listPhrases, 'teacher', { output: v.array(s.phraseSchema) }),
  addPhrase: route(...routePaths.addPhrase, 'teacher', {
    body: v.object({ text: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(1_000)) }),
    output: s.phraseSchema,
  }),
  removePhrase: route(...routePaths.removePhrase, 'teacher'),
  listRubrics: route(...routePaths.listRubrics, 'teacher', {
    output: v.array(v.object({ id: v.string(), title: v.string(), content: rubricSchema })),
  }),
  keepRubric: route(...routePaths.keepRubric, 'teacher', {
    body: v.object({ title: v.pipe(v.string(), v.minLength(1), v.maxLength(200)), content: rubricSchema }),
  }),

  // the question bank
  listBank: route(...routePaths.listBank, 'teacher', { output: v.array(s.bankItemSchema) }),
  putIntoBank: route(...routePaths.putIntoBank, 'teacher', {
    body: v.object({ entries: v.pipe(v.array(s.bankEntrySchema), v.minLength(1), v.maxLength(200)) }),
    output: v.object({ ids: v.array(v.string()) }),
  }),
  changeBankItem: route(...routePaths.changeBankItem, 'teacher', { body: s.bankEntrySchema }),
  removeBankItem: route(...routePaths.removeBankItem, 'teacher'),
  /** The body is a package of QTI, or one of its items. */
  takeInPackage: route(...routePaths.takeInPackage, 'teacher', {
    output: v.object({ count: v.number(), leftOut: v.array(s.qtiLeftOutSchema) }),
    rawBodyLimit: 60_000_000,
  }),
  /** What other programs would not find in the items named, with commas between their ids. */
  describePackage: route(...routePaths.describePackage, 'teacher', {
    output: v.array(v.object({ stem: v.string(), fields: v.array(v.string()) })),
  }),
  writePackage: route(...routePaths.writePackage, 'teacher'),

  // class threads: for those who have posted, and for teachers
  readThread: route(...routePaths.readThread, 'signedIn', {
    output: v.array(s.threadPostSchema),
  }),
  replyInThread: route(...routePaths.replyInThread, 'signedIn', {
    body: v.object({ text: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(5_000)) }),
    output: v.array(s.threadPostSchema),
  }),
  /** Takes a post, or a reply to it, out of the class's sight, or brings it back. */
  hideInThread: route(...routePaths.hideInThread, 'teacher', {
    body: v.object({ replyId: v.nullable(id), hidden: v.boolean() }),
    output: v.array(s.threadPostSchema),
  }),

  // the student's side
  listTodo: route(...routePaths.listTodo, 'student', {
    output: v.object({ items: v.array(s.todoItemSchema), now: v.number(), version: v.string() }),
  }),
  listFeedback: route(...routePaths.listFeedback, 'student', { output: v.array(s.feedbackItemSchema) }),
  beginWalk: route(...routePaths.beginWalk, 'student', { output: s.walkSchema }),
  /** Another attempt, once the one before is handed in. */
  beginAgain: route(...routePaths.beginAgain, 'student', { output: s.walkSchema }),
  takeInEvents: route(...routePaths.takeInEvents, 'student', {
    body: v.object({ events: v.pipe(v.array(sentEventSchema), v.minLength(1), v.maxLength(mostEventsPerBatch)) }),
    output: s.intakeSchema,
    bodyLimit: 1_000_000,
  }),
  /** The body is the file itself. */
  sendAnswerFile: route(...routePaths.sendAnswerFile, 'student', { output: handedFileSchema }),
  readAnswerFile: route(...routePaths.readAnswerFile, 'signedIn'),
} as const;

export type RouteName = keyof typeof routes;

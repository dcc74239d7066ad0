import type { RouteName, routes } from './routes.ts';

/** How a person can stand to a thing. */
export type Relation =
  /** Made it, or brought it in. */
  | 'owns'
  /** Teaches at the school of whoever owns it. */
  | 'colleague'
  /** Teaches the class, or one through which students receive it. */
  | 'teaches'
  /** Stands in for a teacher of such a class, on these days. */
  | 'substitutes'
  /** It was given to them; or it is shown by what was given to them and is open. */
  | 'receives'
  /** Is a student of the class. */
  | 'attends'
  /** It was given to them, and they have left the class since. */
  | 'left'
  /** It is their own work. */
  | 'worksOn'
  /** It is of the school they look after. */
  | 'looksAfter'
  /** They have the link to it, whoever they are. */
  | 'holdsLink';

export type Thing =
  | 'class'
  | 'lesson'
  | 'material'
  | 'assignment'
  | 'attempt'
  | 'answerFile'
  | 'bankItem'
  | 'bankItems'
  | 'phrase'
  | 'learningTarget'
  | 'invitation'
  | 'person'
  | 'series'
  | 'termPreset'
  | 'calendarFeed'
  | 'mailStop'
  | 'practiceLink'
  | 'reviewRound';

export interface Permission {
  readonly thing: Thing;
  /** Where the thing's id stands in the address. */
  readonly param: string;
  /** One of these is enough. */
  readonly by: readonly Relation[];
}

const may = (thing: Thing, param: string, ...by: Relation[]): Permission => ({ thing, param, by });

/** What can be done with a thing, and who may. */
export const permissions = {
  followClass: may('class', 'classId', 'teaches', 'substitutes'),
  runClass: may('class', 'classId', 'teaches'),
  attendClass: may('class', 'classId', 'attends'),
  editLesson: may('lesson', 'lessonId', 'owns'),
  editMaterial: may('material', 'materialId', 'owns'),
  openMaterial: may('material', 'materialId', 'owns', 'colleague', 'receives'),
  followAssignment: may('assignment', 'assignmentId', 'teaches', 'substitutes'),
  runAssignment: may('assignment', 'assignmentId', 'teaches'),
  followSeries: may('series', 'seriesId', 'teaches', 'substitutes'),
  runSeries: may('series', 'seriesId', 'teaches'),
  walk: may('assignment', 'assignmentId', 'receives', 'left'),
  beginAgain: may('assignment', 'assignmentId', 'receives'),
  readThread: may('assignment', 'assignmentId', 'teaches', 'substitutes', 'receives', 'left'),
  writeInThread: may('assignment', 'assignmentId', 'teaches', 'substitutes', 'receives'),
  workOnReview: may('reviewRound', 'roundId', 'worksOn'),
  workOnAttempt: may('attempt', 'attemptId', 'worksOn'),
  openAnswerFile: may('answerFile', 'fileId', 'worksOn', 'teaches', 'substitutes'),
  changeBankItem: may('bankItem', 'itemId', 'owns'),
  exportBankItems: may('bankItems', 'itemIds', 'owns'),
  stopMails: may('mailStop', 'stopToken', 'holdsLink'),
  practise: may('practiceLink', 'practiceToken', 'holdsLink'),
  readFeed: may('calendarFeed', 'feedToken', 'holdsLink'),
  runPerson: may('person', 'userId', 'looksAfter'),
  removeClass: may('class', 'classId', 'teaches', 'looksAfter'),
  runInvitation: may('invitation', 'invitationId', 'looksAfter'),
  removeTermPreset: may('termPreset', 'presetId', 'owns'),
  removePhrase: may('phrase', 'phraseId', 'owns'),
  removeTarget: may('learningTarget', 'targetId', 'owns'),
} as const satisfies Record<string, Permission>;

export type PermissionName = keyof typeof permissions;

/** Routes that speak of a thing in their address. */
type RouteAboutThing = {
  [Name in RouteName]: (typeof routes)[Name]['path'] extends `${string}/:${string}` ? Name : never;
}[RouteName];

/** What each route about a thing asks for. The compiler refuses a route without a line. */
export const permissionOfRoute = {
  readClass: 'followClass',
  exportStatements: 'followAssignment',
  sendStatements: 'runAssignment',
  openReview: 'attendClass',
  takeInReview: 'workOnReview',
  readReviews: 'followClass',
  setReviews: 'runClass',
  leaveOutOfReviews: 'runClass',
  previewReview: 'followClass',
  changeClass: 'runClass',
  removeClass: 'removeClass',
  bringBackClass: 'removeClass',
  changeStudent: 'runClass',
  removeStudent: 'runClass',
  moveStudent: 'runClass',
  planRoster: 'runClass',
  changeRoster: 'runClass',
  putIntoGroups: 'runClass',
  givePasswords: 'runClass',
  makeCards: 'runClass',
  revokeCard: 'runClass',
  addTeacher: 'runClass',
  removeTeacher: 'runClass',
  addSubstitute: 'runClass',
  removeSubstitute: 'runClass',
  renewJoinCode: 'runClass',
  answerRequest: 'runClass',
  revokeInvitation: 'runInvitation',
  changePerson: 'runPerson',
  givePersonPassword: 'runPerson',
  exportStudent: 'runPerson',
  eraseStudent: 'runPerson',
  readPracticeLink: 'editLesson',
  setPracticeLink: 'editLesson',
  openPractice: 'practise',
  walkPractice: 'practise',
  practiceMedia: 'practise',
  practiceContent: 'practise',
  practicePicture: 'practise',
  practiceCaptions: 'practise',
  readFeed: 'readFeed',
  stopMails: 'stopMails',
  nudge: 'followAssignment',
  readGuestLink: 'runAssignment',
  setGuestLink: 'runAssignment',
  matchGuest: 'runAssignment',
  removeGuest: 'runAssignment',
  saveDates: 'readThread',
  readMaterial: 'editMaterial',
  deleteMaterial: 'editMaterial',
  bringBackMaterial: 'editMaterial',
  streamMedia: 'openMaterial',
  readContent: 'openMaterial',
  readMadeSlides: 'editMaterial',
  describePicture: 'editMaterial',
  showPicture: 'openMaterial',
  bringInCaptions: 'editMaterial',
  readCaptions: 'openMaterial',
  correctCaptions: 'editMaterial',
  writeCaptions: 'editMaterial',
  writeSrt: 'editMaterial',
  putIntoDrafts: 'editMaterial',
  splitIntoLessons: 'editMaterial',
  copyLesson: 'editLesson',
  removeLesson: 'editLesson',
  bringBackLesson: 'editLesson',
  readDraft: 'editLesson',
  changeDraft: 'editLesson',
  readEdition: 'editLesson',
  makeEdition: 'editLesson',
  readSeries: 'followSeries',
  changeSeries: 'runSeries',
  changeWindow: 'followAssignment',
  extendAll: 'followAssignment',
  changeNote: 'runAssignment',
  changeTerms: 'runAssignment',
  releaseResults: 'runAssignment',
  takeBack: 'runAssignment',
  removeTermPreset: 'removeTermPreset',
  readWalkedPath: 'followAssignment',
  readGradebook: 'followClass',
  changeGradebookRules: 'runClass',
  overrideGrade: 'runClass',
  listGradeOverrides: 'followClass',
  keepGradebook: 'runClass',
  readKeptGradebook: 'followClass',
  removeKeptGradebook: 'runClass',
  exportGradebook: 'followClass',
  exportGradebookWorkbook: 'followClass',
  exportResults: 'followClass',
  readStudentLines: 'followClass',
  readStopFigures: 'followAssignment',
  readWatching: 'followAssignment',
  readSheet: 'followAssignment',
  exportSheet: 'followAssignment',
  exportSheetWorkbook: 'followAssignment',
  exportAnswers: 'followAssignment',
  exportAnswersWorkbook: 'followAssignment',
  adjust: 'followAssignment',
  planSwap: 'runAssignment',
  swapEdition: 'runAssignment',
  listAdjustments: 'followAssignment',
  readAttempt: 'followAssignment',
  mark: 'runAssignment',
  markMany: 'runAssignment',
  admitLate: 'runAssignment',
  listMarking: 'followAssignment',
  readAnswers: 'followAssignment',
  changeKey: 'runAssignment',
  readMarkHistory: 'followAssignment',
  sendMarkVoice: 'runAssignment',
  readThread: 'readThread',
  replyInThread: 'writeInThread',
  hideInThread: 'followAssignment',
  removePhrase: 'removePhrase',
  removeTarget: 'removeTarget',
  readMastery: 'followClass',
  readStudentMastery: 'followClass',
  readLookBack: 'followAssignment',
  writeBack: 'walk',
  readTalk: 'followAssignment',
  answerBack: 'runAssignment',
  listWroteBack: 'followAssignment',
  setLookBack: 'runAssignment',
  changeBankItem: 'changeBankItem',
  removeBankItem: 'changeBankItem',
  describePackage: 'exportBankItems',
  writePackage: 'exportBankItems',
  beginWalk: 'walk',
  beginAgain: 'beginAgain',
  takeInEvents: 'workOnAttempt',
  sendAnswerFile: 'workOnAttempt',
  readAnswerFile: 'openAnswerFile',
} as const satisfies Record<RouteAboutThing, PermissionName>;

/** What a route asks for; null for one that speaks of no thing. */
export function permissionOf(name: RouteName): Permission | null {
  return name in permissionOfRoute ? permissions[permissionOfRoute[name as RouteAboutThing]] : null;
}

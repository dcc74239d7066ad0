/** Every code an answer can carry, with its HTTP status. Wording for people is in the web app's catalogue. */
export const statusOfError = {
  inputInvalid: 422,
  signInFailed: 401,
  schoolNeeded: 409,
  accountOff: 403,
  nameNotSame: 422,
  signInThrottled: 429,
  alreadySetUp: 409,
  setUpSecretWrong: 403,
  invitationUnusable: 410,
  codeUnknown: 404,
  codeOff: 409,
  otherSchool: 409,
  cardUnknown: 401,
  userNameTaken: 409,
  emailTaken: 409,
  rosterMoved: 409,
  rosterFaulty: 422,
  lastTeacher: 409,
  lastAdmin: 409,
  tooManyRequests: 429,
  notSignedIn: 401,
  originForeign: 403,
  notFound: 404,
  bodyTooLarge: 413,
  draftMoved: 409,
  gradebookMoved: 409,
  keptFull: 422,
  gradeTooHigh: 422,
  changeImpossible: 422,
  lessonIncomplete: 422,
  picturesWithoutAlt: 422,
  windowOutOfOrder: 422,
  alreadyGiven: 409,
  givenToOthers: 409,
  termsFixed: 409,
  windowNotOpen: 409,
  windowClosed: 409,
  stepNotOpen: 409,
  noAttemptLeft: 409,
  newerAttempt: 409,
  captionsUnreadable: 422,
  catalogueSilent: 502,
  packageUnreadable: 422,
  fileEmpty: 422,
  fileUnusable: 422,
  fileTooLarge: 413,
  filesFull: 422,
  diskFull: 507,
  answerMissing: 409,
  answerFirst: 409,
  pointsOutOfRange: 422,
  internal: 500,
} as const satisfies Record<string, number>;

export type ErrorCode = keyof typeof statusOfError;

/** The body of every answer that is an error. */
export interface ErrorBody {
  readonly code: ErrorCode;
  /** What a program needs to lead a person to the cause: faults, line numbers, a version. */
  readonly detail?: unknown;
}

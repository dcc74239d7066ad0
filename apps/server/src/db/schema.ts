import { addresseeKinds } from '@semita/core/assignment';
import type { AttemptState } from '@semita/core/attempt';
import { schoolDayKinds } from '@semita/core/calendar';
import { logKinds, roles } from '@semita/core/contract';
import { materialKinds } from '@semita/core/lesson';
import { mailWishes, noticeKinds } from '@semita/core/notice';
import { classColours, classShapes, joiningWays } from '@semita/core/roster';
import { sql } from 'drizzle-orm';
import { index, integer, primaryKey, real, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import { stored } from './stored.ts';

const id = () => text().primaryKey();
/** Epoch milliseconds. */
const instant = () => integer({ mode: 'number' });

export const schools = sqliteTable(
  'schools',
  {
    id: id(),
    name: text().notNull(),
    /** IANA name; the clock that new classes begin with. */
    timeZone: text().notNull().default('UTC'),
    /** BCP 47 tag; how new classes write numbers. */
    locale: text().notNull().default('en'),
    /** Lets teachers in; null where they come by invitation only. */
    teacherCode: text(),
    /** Made up once: words of cards are hashed with it. */
    cardSalt: text(),
    /** Classes that were put away so many months ago are deleted by themselves; null for never. */
    keptMonths: integer(),
    /** When no mail goes out, as times of day on the school's clock. */
    quietFrom: text().notNull().default('20:00'),
    quietUntil: text().notNull().default('07:00'),
  },
  (table) => [uniqueIndex('schools_by_teacher_code').on(table.teacherCode)],
);

const schoolId = () =>
  text()
    .notNull()
    .references(() => schools.id, { onDelete: 'cascade' });

/** What a school's calendar says: terms, and days without school. */
export const schoolDays = sqliteTable(
  'school_days',
  {
    id: id(),
    schoolId: schoolId(),
    kind: text({ enum: schoolDayKinds }).notNull(),
    title: text().notNull(),
    /** Civil days, the last one included. */
    firstDay: text().notNull(),
    lastDay: text().notNull(),
  },
  (table) => [index('school_days_by_school').on(table.schoolId, table.firstDay)],
);

export const users = sqliteTable(
  'users',
  {
    id: id(),
    schoolId: schoolId(),
    displayName: text().notNull(),
    /** Teachers sign in by e-mail, students by a user name; both stored in lower case, and unique within the school. */
    email: text(),
    userName: text(),
    passwordHash: text(),
    createdAt: instant().notNull(),
    /** Came by a link that is open to anyone; signs in by nothing but the device they came on. */
    isGuest: integer({ mode: 'boolean' }).notNull().default(false),
    /** Switched off then: nobody comes in by it, and all that was done with it is kept. */
    deactivatedAt: instant(),
    /** A new teacher is shown the first steps until they put them away. */
    firstStepsPutAwayAt: instant(),
  },
  (table) => [
    uniqueIndex('users_by_email').on(table.schoolId, table.email),
    uniqueIndex('users_by_user_name').on(table.schoolId, table.userName),
    index('users_by_any_email').on(table.email),
    index('users_by_any_user_name').on(table.userName),
  ],
);

const userId = () =>
  text()
    .notNull()
    .references(() => users.id, { onDelete: 'cascade' });

/** What somebody is at their school; a teacher may look after it as well. */
export const userRoles = sqliteTable(
  'user_roles',
  { userId: userId(), role: text({ enum: roles }).notNull() },
  (table) => [primaryKey({ columns: [table.userId, table.role] })],
);

export const sessions = sqliteTable(
  'sessions',
  {
    /** SHA-256 of the token in the cookie: a stolen database opens no session. */
    tokenHash: text().primaryKey(),
    userId: userId(),
    createdAt: instant().notNull(),
    /** The absolute end, whatever is done. */
    expiresAt: instant().notNull(),
    /** When it was last used, to within a few minutes; left idle it ends earlier. */
    usedAt: instant().notNull().default(0),
  },
  (table) => [index('sessions_by_user').on(table.userId)],
);

/** What an invited teacher holds: a link that works once, for a week. */
export const invitations = sqliteTable(
  'invitations',
  {
    id: id(),
    schoolId: schoolId(),
    /** SHA-256 of what stands in the link. */
    tokenHash: text().notNull(),
    /** As the admin wrote them; the invited may write them otherwise. */
    displayName: text().notNull(),
    email: text().notNull(),
    isAdmin: integer({ mode: 'boolean' }).notNull().default(false),
    createdBy: userId(),
    createdAt: instant().notNull(),
    expiresAt: instant().notNull(),
    /** Who came by it. */
    usedBy: text().references(() => users.id, { onDelete: 'set null' }),
    usedAt: instant(),
  },
  (table) => [uniqueIndex('invitations_by_token').on(table.tokenHash)],
);

/** Printed cards for who cannot type a password: one for each person at a time. */
export const signInCards = sqliteTable(
  'sign_in_cards',
  {
    userId: text()
      .primaryKey()
      .references(() => users.id, { onDelete: 'cascade' }),
    /** SHA-256 of what its square holds. */
    tokenHash: text().notNull(),
    /** argon2id of its words with the school's own salt: they are few enough to be guessed from a plain hash. */
    wordsHash: text().notNull(),
    createdAt: instant().notNull(),
  },
  (table) => [
    uniqueIndex('sign_in_cards_by_token').on(table.tokenHash),
    index('sign_in_cards_by_words').on(table.wordsHash),
  ],
);

/** Secret addresses under which calendar programs read the dates of a person: one for each at a time. */
export const calendarFeeds = sqliteTable(
  'calendar_feeds',
  {
    userId: text()
      .primaryKey()
      .references(() => users.id, { onDelete: 'cascade' }),
    /** SHA-256 of what stands in the address. */
    tokenHash: text().notNull(),
    /** How long before a date a calendar reminds of it, in minutes; null for not at all. */
    alarmMinutes: integer(),
    createdAt: instant().notNull(),
  },
  (table) => [uniqueIndex('calendar_feeds_by_token').on(table.tokenHash)],
);

/** Browsers in which somebody has signed in before: wrong tries of others do not lock them out. */
export const knownDevices = sqliteTable(
  'known_devices',
  {
    /** SHA-256 of the token in the device's cookie. */
    tokenHash: text().notNull(),
    userId: userId(),
    usedAt: instant().notNull(),
  },
  (table) => [primaryKey({ columns: [table.tokenHash, table.userId] })],
);

/** What happened to accounts and rights; without names, so that it can be kept and shown. */
export const securityEvents = sqliteTable(
  'security_events',
  {
    id: id(),
    at: instant().notNull(),
    kind: text({ enum: logKinds }).notNull(),
    /** About whom; null where nobody is known, or many are meant. */
    userId: text().references(() => users.id, { onDelete: 'cascade' }),
    /** Who did it, where that was somebody else. */
    byId: text().references(() => users.id, { onDelete: 'set null' }),
    /** A code of the program: a route, an error, the id of a thing. Never what somebody typed. */
    detail: text(),
  },
  (table) => [index('security_events_by_time').on(table.at)],
);

export const classes = sqliteTable(
  'classes',
  {
    id: id(),
    schoolId: schoolId(),
    name: text().notNull(),
    /** IANA name; every date of the class is read on this clock. */
    timeZone: text().notNull(),
    /** BCP 47 tag; how numbers are written in this class. */
    locale: text().notNull().default('en'),
    /** What it is told apart by, with a letter from its name. */
    shape: text({ enum: classShapes }).notNull().default('tile'),
    colour: text({ enum: classColours }).notNull().default('aubergine'),
    /** When it meets each week, on its clock; null where nobody has said. */
    meetings: stored('meetings'),
    /** Students let themselves in with it; null before it was first wanted. */
    joinCode: text(),
    joining: text({ enum: joiningWays }).notNull().default('off'),
    /** Grows with every change to who is in it. */
    rosterVersion: integer().notNull().default(1),
    /** Put away then: it is in no list of the day, and can be brought back. */
    archivedAt: instant(),
    /** Deleted then, and put away with it; it can be brought back until it is cleared away. */
    removedAt: instant(),
  },
  (table) => [uniqueIndex('classes_by_join_code').on(table.joinCode)],
);

const classId = () =>
  text()
    .notNull()
    .references(() => classes.id, { onDelete: 'cascade' });

export const classTeachers = sqliteTable('class_teachers', { classId: classId(), teacherId: userId() }, (table) => [
  primaryKey({ columns: [table.classId, table.teacherId] }),
]);

/** Who stands in for the teachers of a class, and from when until when. */
export const substitutions = sqliteTable(
  'substitutions',
  { id: id(), classId: classId(), teacherId: userId(), since: instant().notNull(), until: instant().notNull() },
  (table) => [index('substitutions_by_teacher').on(table.teacherId), index('substitutions_by_class').on(table.classId)],
);

export const classStudents = sqliteTable(
  'class_students',
  {
    classId: classId(),
    studentId: userId(),
    /** How much longer than others this student has for what is timed, as a factor. */
    extraTime: real().notNull().default(1),
  },
  (table) => [
    primaryKey({ columns: [table.classId, table.studentId] }),
    index('class_students_by_student').on(table.studentId),
  ],
);

/** What another system of the school calls its people and classes: what comes from there again is known by it. */
export const externalIds = sqliteTable(
  'external_ids',
  {
    schoolId: schoolId(),
    /** The `sourcedId` of OneRoster. */
    externalId: text().notNull(),
    kind: text({ enum: ['user', 'class'] }).notNull(),
    userId: text().references(() => users.id, { onDelete: 'cascade' }),
    classId: text().references(() => classes.id, { onDelete: 'cascade' }),
  },
  (table) => [primaryKey({ columns: [table.schoolId, table.kind, table.externalId] })],
);

/** Who asked to be let into a class, and waits. */
export const joinRequests = sqliteTable(
  'join_requests',
  { classId: classId(), studentId: userId(), at: instant().notNull() },
  (table) => [
    primaryKey({ columns: [table.classId, table.studentId] }),
    index('join_requests_by_student').on(table.studentId),
  ],
);

/** Groups of a class; lessons speak of them by their names. */
export const groups = sqliteTable('groups', { id: id(), classId: classId(), name: text().notNull() }, (table) => [
  uniqueIndex('groups_by_name').on(table.classId, table.name),
]);

export const groupMembers = sqliteTable(
  'group_members',
  {
    groupId: text()
      .notNull()
      .references(() => groups.id, { onDelete: 'cascade' }),
    studentId: userId(),
  },
  (table) => [
    primaryKey({ columns: [table.groupId, table.studentId] }),
    index('group_members_by_student').on(table.studentId),
  ],
);

export const materials = sqliteTable('materials', {
  id: id(),
  schoolId: schoolId(),
  ownerId: userId(),
  title: text().notNull(),
  fileName: text().notNull(),
  byteLength: integer().notNull(),
  status: text({ enum: ['checking', 'ready', 'refused'] }).notNull(),
  refusal: text(),
  /** Names the file in the media folder once it is ready. */
  sha256: text(),
  lengthMs: integer(),
  mimeType: text(),
  width: integer(),
  height: integer(),
  /** The received file, while it is being brought in. */
  uploadId: text(),
  /** The address it is fetched from; null for what was uploaded. */
  sourceUrl: text(),
  /** Where the captions of such a film are. */
  captionsUrl: text(),
  /** Known once the file was looked into. */
  kind: text({ enum: materialKinds }),
  /** How far bringing in has come, 0 to 1. */
  progress: real(),
  /** What could not be brought over. */
  leftOut: stored('leftOut'),
  /** How hard a document is to read; null where that cannot be said. */
  level: stored('level'),
  /** The older version of the same document, whose blocks this one continues. */
  replacesId: text(),
  createdAt: instant().notNull(),
  /** Taken off the shelf then; it can be brought back until it is cleared away. */
  removedAt: instant(),
});

export const captions = sqliteTable('captions', {
  materialId: text()
    .primaryKey()
    .references(() => materials.id, { onDelete: 'cascade' }),
  cues: stored('captions').notNull(),
  /** Of the cues: known without reading them. */
  cueCount: integer().notNull().default(0),
  updatedAt: instant().notNull(),
});

/** What a document holds, once it was brought in. */
export const readings = sqliteTable('readings', {
  materialId: text()
    .primaryKey()
    .references(() => materials.id, { onDelete: 'cascade' }),
  blocks: stored('reading').notNull(),
});

/** The slides of a deck, once it was brought in. */
export const decks = sqliteTable('decks', {
  materialId: text()
    .primaryKey()
    .references(() => materials.id, { onDelete: 'cascade' }),
  slides: stored('deck').notNull(),
  /** What slides that were made here are drawn from; null for a deck of another program. */
  made: stored('madeDeck'),
});

/** Pictures inside materials; the files stand in the media folder. */
export const pictures = sqliteTable(
  'pictures',
  {
    materialId: text()
      .notNull()
      .references(() => materials.id, { onDelete: 'cascade' }),
    name: text().notNull(),
    sha256: text().notNull(),
    mimeType: text().notNull(),
    width: integer().notNull(),
    height: integer().notNull(),
    /** Words a teacher wrote for it, where the document had none. */
    alt: text(),
  },
  (table) => [primaryKey({ columns: [table.materialId, table.name] }), index('pictures_by_file').on(table.sha256)],
);

/** Work that goes on behind the pages. A row is taken by one worker, and taken up again after a stop of the server. */
export const jobs = sqliteTable(
  'jobs',
  {
    id: id(),
    kind: text({ enum: ['import', 'fetch'] }).notNull(),
    /** What the job works on: the material that is brought in. */
    subjectId: text()
      .notNull()
      .references(() => materials.id, { onDelete: 'cascade' }),
    status: text({ enum: ['waiting', 'running', 'done', 'failed'] }).notNull(),
    /** How often it was begun. */
    tries: integer().notNull(),
    createdAt: instant().notNull(),
    finishedAt: instant(),
  },
  (table) => [index('jobs_by_status').on(table.status, table.createdAt)],
);

export const lessons = sqliteTable('lessons', {
  id: id(),
  schoolId: schoolId(),
  ownerId: userId(),
  draft: stored('lesson').notNull(),
  version: integer().notNull(),
  createdAt: instant().notNull(),
  updatedAt: instant().notNull(),
  /** Put into the bin then; what was given of it stays, and it can be brought back. */
  removedAt: instant(),
});

/** The latest saves of a draft, by the ids their browsers gave them: one that is sent again is not taken again. */
export const lessonSaves = sqliteTable(
  'lesson_saves',
  {
    lessonId: text()
      .notNull()
      .references(() => lessons.id, { onDelete: 'cascade' }),
    saveId: text().notNull(),
    version: integer().notNull(),
  },
  (table) => [primaryKey({ columns: [table.lessonId, table.saveId] })],
);

export const editions = sqliteTable(
  'editions',
  {
    id: id(),
    lessonId: text()
      .notNull()
      .references(() => lessons.id, { onDelete: 'cascade' }),
    number: integer().notNull(),
    draftVersion: integer().notNull(),
    content: stored('lesson').notNull(),
    /** The draft it was made of, where that shows other lessons; what it shows of them stands in the content. */
    source: stored('lesson'),
    createdAt: instant().notNull(),
    createdBy: userId(),
  },
  (table) => [uniqueIndex('editions_by_number').on(table.lessonId, table.number)],
);

/** What the shelf says of a draft, with the lessons it shows. A cache: a row that is missing is computed when it is asked for. */
export const lessonSummaries = sqliteTable('lesson_summaries', {
  lessonId: text()
    .primaryKey()
    .references(() => lessons.id, { onDelete: 'cascade' }),
  title: text().notNull(),
  stopCount: integer().notNull(),
  filmMs: integer().notNull(),
  readingMs: integer().notNull(),
  answeringMs: integer().notNull(),
});

/** What lists say of an edition; computed when it is first asked for. */
export const editionSummaries = sqliteTable('edition_summaries', {
  editionId: text()
    .primaryKey()
    .references(() => editions.id, { onDelete: 'cascade' }),
  title: text().notNull(),
  stopCount: integer().notNull(),
  filmMs: integer().notNull(),
  readingMs: integer().notNull(),
  answeringMs: integer().notNull(),
  /** The most points to be earned, on the way that carries most. */
  possible: integer().notNull(),
});

/** Several lessons given as a row. */
export const series = sqliteTable('series', {
  id: id(),
  schoolId: schoolId(),
  createdBy: userId(),
  title: text().notNull(),
  createdAt: instant().notNull(),
});

export const assignments = sqliteTable(
  'assignments',
  {
    id: id(),
    schoolId: schoolId(),
    /** The series of which it is a step. */
    seriesId: text().references(() => series.id, { onDelete: 'set null' }),
    /** Where it stands there. */
    seriesPlace: integer(),
    /** It opens once the step before is handed in, with at least so many percent of its points; null for its dates alone. */
    afterPercent: integer(),
    editionId: text()
      .notNull()
      .references(() => editions.id),
    createdBy: userId(),
    /** IANA name; every date of the assignment is read on this clock. */
    timeZone: text().notNull(),
    terms: stored('terms').notNull(),
    createdAt: instant().notNull(),
    /** What the teacher says to all who receive it. */
    note: text().notNull().default(''),
    /** Taken back then: no student has it any more, until it is given again; what they did is kept. */
    takenBackAt: instant(),
    /** What waits to be shown to students was released for all of them then. */
    releasedAt: instant(),
  },
  (table) => [index('assignments_by_edition').on(table.editionId), index('assignments_by_series').on(table.seriesId)],
);

/** Terms that a teacher keeps to give with again. */
export const termPresets = sqliteTable(
  'term_presets',
  {
    id: id(),
    ownerId: userId(),
    name: text().notNull(),
    terms: stored('terms').notNull(),
    createdAt: instant().notNull(),
  },
  (table) => [index('term_presets_by_owner').on(table.ownerId)],
);

const assignmentId = () =>
  text()
    .notNull()
    .references(() => assignments.id, { onDelete: 'cascade' });

/** To whom an assignment was given: a class, one of its groups, or one of its students. */
export const addressees = sqliteTable(
  'addressees',
  {
    id: id(),
    assignmentId: assignmentId(),
    kind: text({ enum: addresseeKinds }).notNull(),
    /** The class, or the one the group or the student is in; its teachers follow them. */
    classId: classId(),
    groupId: text().references(() => groups.id),
    studentId: text().references(() => users.id, { onDelete: 'cascade' }),
    createdAt: instant().notNull(),
  },
  (table) => [index('addressees_by_assignment').on(table.assignmentId), index('addressees_by_class').on(table.classId)],
);

const addresseeId = () =>
  text()
    .notNull()
    .references(() => addressees.id, { onDelete: 'cascade' });

/** A link by which anyone may walk through a lesson, and nothing of it is kept. */
export const practiceLinks = sqliteTable(
  'practice_links',
  {
    lessonId: text()
      .primaryKey()
      .references(() => lessons.id, { onDelete: 'cascade' }),
    token: text().notNull(),
    isOpen: integer({ mode: 'boolean' }).notNull(),
    /** Sites on whose pages it may stand in a frame, one a line: `https://class.example`. */
    frames: text().notNull(),
    /** From it and what a browser calls its walk comes what is drawn and shuffled for it. */
    secret: text().notNull(),
  },
  (table) => [uniqueIndex('practice_links_by_token').on(table.token)],
);

/** Links by which anyone comes to an assignment, with no more than a name. */
export const guestLinks = sqliteTable(
  'guest_links',
  {
    assignmentId: text()
      .primaryKey()
      .references(() => assignments.id, { onDelete: 'cascade' }),
    addresseeId: addresseeId(),
    /** Stands in the link; teachers show it again and again, and renew it. */
    token: text().notNull(),
    isOpen: integer({ mode: 'boolean' }).notNull(),
  },
  (table) => [uniqueIndex('guest_links_by_token').on(table.token)],
);

/** Windows of addressees, each from when it was set: what came in is judged by the window of its time. */
export const addresseeWindows = sqliteTable(
  'addressee_windows',
  { addresseeId: addresseeId(), at: instant().notNull(), opensAt: instant(), dueAt: instant(), closesAt: instant() },
  (table) => [index('addressee_windows_by_addressee').on(table.addresseeId, table.at)],
);

/** Of students who were erased: how many there were and what they earned together, without their names. */
export const erasedWork = sqliteTable('erased_work', {
  assignmentId: text()
    .primaryKey()
    .references(() => assignments.id, { onDelete: 'cascade' }),
  begun: integer().notNull(),
  handedIn: integer().notNull(),
  /** Of who had handed in. */
  earned: integer().notNull(),
  possible: integer().notNull(),
});

/** Who receives an assignment through whom, and from when until when. Nobody is taken out: whoever leaves keeps their work. */
export const recipients = sqliteTable(
  'recipients',
  {
    assignmentId: assignmentId(),
    addresseeId: addresseeId(),
    studentId: userId(),
    since: instant().notNull(),
    /** Null for as long as they receive it. */
    until: instant(),
  },
  (table) => [
    primaryKey({ columns: [table.addresseeId, table.studentId, table.since] }),
    index('recipients_by_assignment').on(table.assignmentId, table.studentId),
    index('recipients_by_student').on(table.studentId),
    index('recipients_by_time').on(table.since),
  ],
);

/** What is different for one recipient. Append-only: what is taken back is another row. */
export const adjustments = sqliteTable(
  'adjustments',
  {
    id: id(),
    assignmentId: assignmentId(),
    studentId: userId(),
    kind: text({
      enum: ['extended', 'extensionEnded', 'excused', 'excusalEnded', 'anotherAttempt', 'editionSwapped'],
    }).notNull(),
    at: instant().notNull(),
    by: userId(),
    reason: text(),
    /** Of `extended`. */
    opensAt: instant(),
    dueAt: instant(),
    closesAt: instant(),
    /** Of `editionSwapped`. */
    editionId: text().references(() => editions.id),
  },
  (table) => [index('adjustments_by_assignment').on(table.assignmentId, table.studentId, table.at)],
);

/**
 * `state` and `sheetRow` are caches of the log below; `npm run rebuild` makes them anew. The row is as new as the log; the
 * state is written every so often, and the events since are taken in when it is read.
 */
export const attempts = sqliteTable(
  'attempts',
  {
    id: id(),
    assignmentId: assignmentId(),
    studentId: userId(),
    /** From 1, for each student. */
    number: integer().notNull(),
    /** The edition it was begun with, and keeps. */
    editionId: text()
      .notNull()
      .references(() => editions.id),
    begunAt: instant().notNull(),
    /** What is drawn and shuffled for the student comes from this; it never leaves the server. */
    secret: text().notNull().default(''),
    /** Begun before there were secrets: questions drawn by the time of beginning stay the student's. */
    drawnByTime: integer({ mode: 'boolean' }).notNull().default(false),
    /** By which reducer the state and `sheetRow` were computed. Those of an older one are computed anew when they are read. */
    reducer: integer().notNull().default(0),
    sheetRow: text().notNull(),
    /** The outline of the row, for lists: null throughout where an older program wrote the row. */
    progress: real(),
    earned: integer(),
    possible: integer(),
    handedInAt: instant(),
    toMark: integer(),
    waitingSteps: integer(),
    returned: integer(),
    stuckFrom: instant(),
  },
  (table) => [
    uniqueIndex('attempts_by_number').on(table.assignmentId, table.studentId, table.number),
    index('attempts_by_student').on(table.studentId),
    index('attempts_by_hand_in').on(table.handedInAt),
  ],
);

/** States lie apart: they are long and seldom written, and a row is written whole with each event. */
export const attemptStates = sqliteTable('attempt_states', {
  attemptId: text()
    .primaryKey()
    .references(() => attempts.id, { onDelete: 'cascade' }),
  /** Of no shape of its own: one that another reducer made is computed anew. */
  state: text({ mode: 'json' }).notNull().$type<AttemptState>(),
});

/** An event as a log holds it; `seq` is its place there. */
const eventColumns = () => ({
  seq: integer().notNull(),
  id: text().notNull(),
  sittingId: text().notNull(),
  n: integer().notNull(),
  at: instant().notNull(),
  receivedAt: instant().notNull(),
  body: stored('event').notNull(),
});

/** Append-only. `seq` is the server's order, and the only one between devices. */
export const attemptEvents = sqliteTable(
  'attempt_events',
  {
    attemptId: text()
      .notNull()
      .references(() => attempts.id, { onDelete: 'cascade' }),
    ...eventColumns(),
    /** Of the latest draft of a question: the question. Earlier ones are kept without what they said, or not at all. */
    draftOf: text(),
    /** Drafts just before it whose place it took. */
    merged: stored('mergedDrafts'),
  },
  (table) => [
    primaryKey({ columns: [table.attemptId, table.seq] }),
    uniqueIndex('attempt_events_draft').on(table.attemptId, table.draftOf).where(sql`draft_of is not null`),
    uniqueIndex('attempt_events_once').on(table.attemptId, table.sittingId, table.n),
  ],
);

/** Files that students gave as answers; what is in them stands in the media folder. */
export const answerFiles = sqliteTable(
  'answer_files',
  {
    id: id(),
    attemptId: text()
      .notNull()
      .references(() => attempts.id, { onDelete: 'cascade' }),
    name: text().notNull(),
    mimeType: text().notNull(),
    byteLength: integer().notNull(),
    sha256: text().notNull(),
    createdAt: instant().notNull(),
  },
  (table) => [index('answer_files_by_attempt').on(table.attemptId), index('answer_files_by_file').on(table.sha256)],
);

/** What somebody is told. The key makes sure that they are told once. */
export const notices = sqliteTable(
  'notices',
  {
    id: id(),
    userId: userId(),
    kind: text({ enum: noticeKinds }).notNull(),
    /** The same for the same thing, whoever finds it and whenever. */
    key: text().notNull(),
    assignmentId: assignmentId(),
    /** A date it is about. */
    about: instant(),
    createdAt: instant().notNull(),
    readAt: instant(),
    /** Put into a mail then, whether that went out or not: it is never put into two. */
    mailedAt: instant(),
  },
  (table) => [
    uniqueIndex('notices_once').on(table.userId, table.key),
    index('notices_by_user').on(table.userId, table.createdAt),
    index('notices_to_mail').on(table.createdAt).where(sql`mailed_at is null`),
  ],
);

/** How somebody gets notices by mail. */
export const noticeSettings = sqliteTable(
  'notice_settings',
  {
    userId: text()
      .primaryKey()
      .references(() => users.id, { onDelete: 'cascade' }),
    mail: text({ enum: mailWishes }).notNull().default('none'),
    address: text(),
    /** Nothing is sent to an address before its owner has said that it is theirs. */
    confirmedAt: instant(),
    /** SHA-256 of what stands in the link by which they say it. */
    confirmHash: text(),
    /** Stands in each mail, and can only do one thing: turn them off. */
    stopToken: text().notNull(),
    lastMailAt: instant(),
  },
  (table) => [
    uniqueIndex('notice_settings_by_stop').on(table.stopToken),
    index('notice_settings_by_confirm').on(table.confirmHash),
  ],
);

/** Mails, kept for a week. What a sender has taken is never sent again, also when it stopped in the middle. */
export const mails = sqliteTable(
  'mails',
  {
    id: id(),
    userId: userId(),
    address: text().notNull(),
    subject: text().notNull(),
    text: text().notNull(),
    stopUrl: text(),
    createdAt: instant().notNull(),
    takenAt: instant(),
    sentAt: instant(),
    /** A code of the mail server; null where nothing went wrong. */
    error: text(),
  },
  (table) => [index('mails_waiting').on(table.createdAt).where(sql`taken_at is null`)],
);

/** What a teacher says often while marking. */
export const phrases = sqliteTable(
  'phrases',
  { id: id(), ownerId: userId(), text: text().notNull(), createdAt: instant().notNull() },
  (table) => [index('phrases_by_owner').on(table.ownerId)],
);

export const rubrics = sqliteTable(
  'rubrics',
  {
    id: id(),
    ownerId: userId(),
    title: text().notNull(),
    content: stored('rubric').notNull(),
    createdAt: instant().notNull(),
  },
  (table) => [index('rubrics_by_owner').on(table.ownerId)],
);

/** Questions a teacher keeps to be asked again. */
export const bankItems = sqliteTable(
  'bank_items',
  {
    id: id(),
    schoolId: schoolId(),
    ownerId: userId(),
    question: stored('question').notNull(),
    tags: stored('tags').notNull(),
    createdAt: instant().notNull(),
    updatedAt: instant().notNull(),
  },
  (table) => [index('bank_items_by_owner').on(table.ownerId, table.createdAt)],
);

/**
 * Which material is shown where, each use in one of the four. Written in the transaction that saves what shows it, so
 * that nobody searches documents for ids.
 */
export const materialUses = sqliteTable(
  'material_uses',
  {
    materialId: text()
      .notNull()
      .references(() => materials.id, { onDelete: 'cascade' }),
    draftOf: text().references(() => lessons.id, { onDelete: 'cascade' }),
    editionId: text().references(() => editions.id, { onDelete: 'cascade' }),
    /** The deck made here on whose slides it stands. */
    slidesOf: text().references(() => materials.id, { onDelete: 'cascade' }),
    bankItemId: text().references(() => bankItems.id, { onDelete: 'cascade' }),
  },
  (table) => [
    index('material_uses_by_material').on(table.materialId),
    index('material_uses_by_draft').on(table.draftOf),
    index('material_uses_by_edition').on(table.editionId),
    index('material_uses_by_slides').on(table.slidesOf),
    index('material_uses_by_bank_item').on(table.bankItemId),
  ],
);

/** Which lesson is shown by another: by its draft, or by the draft that an edition was made of. */
export const lessonUses = sqliteTable(
  'lesson_uses',
  {
    lessonId: text()
      .notNull()
      .references(() => lessons.id, { onDelete: 'cascade' }),
    draftOf: text().references(() => lessons.id, { onDelete: 'cascade' }),
    editionId: text().references(() => editions.id, { onDelete: 'cascade' }),
  },
  (table) => [
    index('lesson_uses_by_lesson').on(table.lessonId),
    index('lesson_uses_by_draft').on(table.draftOf),
    index('lesson_uses_by_edition').on(table.editionId),
  ],
);

/** What students earned with questions of the bank. A cache of the log; `npm run rebuild` makes it anew. */
export const bankResults = sqliteTable(
  'bank_results',
  {
    itemId: text().notNull(),
    attemptId: text()
      .notNull()
      .references(() => attempts.id, { onDelete: 'cascade' }),
    questionId: text().notNull(),
    earned: integer().notNull(),
    possible: integer().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.attemptId, table.questionId] }),
    index('bank_results_by_item').on(table.itemId),
  ],
);

/** What students did with each question, as far as figures go. A cache of the log; `npm run rebuild` makes it anew. */
export const questionResults = sqliteTable(
  'question_results',
  {
    attemptId: text()
      .notNull()
      .references(() => attempts.id, { onDelete: 'cascade' }),
    stopId: text().notNull(),
    questionId: text().notNull(),
    /** In hundredths; null while it waits for a teacher. */
    points: integer(),
    possible: integer().notNull(),
    tries: integer().notNull(),
    hinted: integer({ mode: 'boolean' }).notNull(),
    /** Time on task at the stop, all its questions together; null until it is settled. */
    stopSpentMs: integer(),
    /** 1 (a guess) to 4 (certain); null where the question did not ask. */
    confidence: integer(),
    /** What the first of the tries came to, in hundredths; null while it waits. */
    firstPoints: integer(),
    /** What was picked at the first of the tries, as a list in JSON; null where every answer is its own. */
    picked: text(),
  },
  (table) => [primaryKey({ columns: [table.attemptId, table.stopId, table.questionId] })],
);

/** How each part was gone through. A cache of the log; `npm run rebuild` makes it anew. */
export const partWatching = sqliteTable(
  'part_watching',
  {
    attemptId: text()
      .notNull()
      .references(() => attempts.id, { onDelete: 'cascade' }),
    partId: text().notNull(),
    /** As `encodeWatching` wrote it. */
    line: text().notNull(),
  },
  (table) => [primaryKey({ columns: [table.attemptId, table.partId] })],
);

/** What is said to a post of a class thread. The posts themselves are answers, and stand in the log of attempts. */
export const threadReplies = sqliteTable(
  'thread_replies',
  {
    id: id(),
    assignmentId: assignmentId(),
    questionId: text().notNull(),
    /** Whose post it answers. */
    toStudentId: userId(),
    authorId: userId(),
    text: text().notNull(),
    createdAt: instant().notNull(),
    /** Set by a teacher who takes it out of sight. */
    hiddenAt: instant(),
  },
  (table) => [index('thread_replies_by_question').on(table.assignmentId, table.questionId)],
);

/** Posts that a teacher took out of the class's sight. */
export const hiddenPosts = sqliteTable(
  'hidden_posts',
  {
    assignmentId: assignmentId(),
    questionId: text().notNull(),
    studentId: userId(),
  },
  (table) => [primaryKey({ columns: [table.assignmentId, table.questionId, table.studentId] })],
);

/** Keys that were put right after students had answered; of one assignment, in the order of their instants. */
export const keyChanges = sqliteTable(
  'key_changes',
  {
    id: id(),
    assignmentId: assignmentId(),
    question: stored('question').notNull(),
    at: instant().notNull(),
    by: userId(),
  },
  (table) => [index('key_changes_by_assignment').on(table.assignmentId, table.at)],
);

/** How a class's results become one; the first rules there are where a class has none. */
export const gradebookRules = sqliteTable('gradebook_rules', {
  classId: text()
    .primaryKey()
    .references(() => classes.id, { onDelete: 'cascade' }),
  rules: stored('gradebookRules').notNull(),
  version: integer().notNull(),
});

/** Numbers that teachers gave by hand. The latest counts; none is changed or removed. */
export const gradeOverrides = sqliteTable(
  'grade_overrides',
  {
    id: id(),
    assignmentId: assignmentId(),
    studentId: userId(),
    /** Hundredths, as the assignment counts; null where it was taken back. */
    earned: integer(),
    reason: text().notNull(),
    by: userId(),
    at: instant().notNull(),
  },
  (table) => [
    index('grade_overrides_by_assignment').on(table.assignmentId, table.studentId, table.at),
    index('grade_overrides_by_student').on(table.studentId),
  ],
);

/** Gradebooks as they were at a moment. */
export const keptGradebooks = sqliteTable(
  'kept_gradebooks',
  {
    id: id(),
    classId: classId(),
    note: text().notNull(),
    frame: stored('gradebookFrame').notNull(),
    by: userId(),
    at: instant().notNull(),
  },
  (table) => [index('kept_gradebooks_by_class').on(table.classId, table.at)],
);

/** One student's line in one of them: it goes with the student. */
export const keptGradebookLines = sqliteTable(
  'kept_gradebook_lines',
  {
    keptId: text()
      .notNull()
      .references(() => keptGradebooks.id, { onDelete: 'cascade' }),
    studentId: userId(),
    hasLeft: integer({ mode: 'boolean' }).notNull(),
    cells: stored('gradebookCells').notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.keptId, table.studentId] }),
    index('kept_gradebook_lines_by_student').on(table.studentId),
  ],
);

/** What students of a school learn: one list, to which all its teachers bring. */
export const learningTargets = sqliteTable(
  'learning_targets',
  {
    id: id(),
    schoolId: schoolId(),
    /** Who brought it in. */
    ownerId: userId(),
    code: text().notNull(),
    /** The code as it is compared. */
    codeKey: text().notNull(),
    words: text().notNull(),
    /** The code of what it belongs under. */
    parentCode: text(),
    place: integer().notNull(),
  },
  (table) => [
    uniqueIndex('learning_targets_by_code').on(table.schoolId, table.codeKey),
    index('learning_targets_by_owner').on(table.ownerId),
  ],
);

/** What a teacher shows a class of what it did. */
export const lookBacks = sqliteTable('look_backs', {
  assignmentId: text()
    .primaryKey()
    .references(() => assignments.id, { onDelete: 'cascade' }),
  content: stored('lookBack').notNull(),
});

/** What is said about one answer, back and forth. */
export const answerTalk = sqliteTable(
  'answer_talk',
  {
    id: id(),
    assignmentId: assignmentId(),
    /** Whose answer it is about. */
    studentId: userId(),
    questionId: text().notNull(),
    authorId: userId(),
    text: text().notNull(),
    at: instant().notNull(),
  },
  (table) => [
    index('answer_talk_by_answer').on(table.assignmentId, table.studentId, table.questionId, table.at),
    index('answer_talk_by_student').on(table.studentId),
    index('answer_talk_by_author').on(table.authorId),
  ],
);

/** As what a student has seen what was said to an answer. */
export const feedbackSeen = sqliteTable(
  'feedback_seen',
  {
    assignmentId: assignmentId(),
    studentId: userId(),
    questionId: text().notNull(),
    /** Another one as soon as something new is said. */
    mark: text().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.assignmentId, table.studentId, table.questionId] }),
    index('feedback_seen_by_student').on(table.studentId),
  ],
);

/** Classes in which targets that are not met come back, and how. */
export const classReviews = sqliteTable('class_reviews', {
  classId: text()
    .primaryKey()
    .references(() => classes.id, { onDelete: 'cascade' }),
  isOn: integer({ mode: 'boolean' }).notNull(),
  /** How many questions a student is asked on a day at most. */
  maxQuestions: integer().notNull(),
  /** Questions of the banks of its teachers are asked as well. */
  usesBank: integer({ mode: 'boolean' }).notNull(),
  /** What is answered tells of the targets as lessons do. */
  counts: integer({ mode: 'boolean' }).notNull(),
});

/** Questions that a teacher keeps from coming back, by what core calls their source. */
export const reviewsLeftOut = sqliteTable(
  'reviews_left_out',
  { classId: classId(), source: text().notNull() },
  (table) => [primaryKey({ columns: [table.classId, table.source] })],
);

/** What a student was asked again on one day, as a lesson of its own that is walked like any other. */
export const reviewRounds = sqliteTable(
  'review_rounds',
  {
    id: id(),
    classId: classId(),
    studentId: userId(),
    /** On the class's calendar, `2026-12-03`. */
    day: text().notNull(),
    /** What is shuffled for the student comes from this; it never leaves the server. */
    secret: text().notNull(),
    lesson: stored('lesson').notNull(),
    begunAt: instant().notNull(),
  },
  (table) => [
    uniqueIndex('review_rounds_by_day').on(table.classId, table.studentId, table.day),
    index('review_rounds_by_student').on(table.studentId),
  ],
);

/** What was done in one, append-only, in the server's order. */
export const reviewEvents = sqliteTable(
  'review_events',
  {
    roundId: text()
      .notNull()
      .references(() => reviewRounds.id, { onDelete: 'cascade' }),
    ...eventColumns(),
  },
  (table) => [
    primaryKey({ columns: [table.roundId, table.seq] }),
    uniqueIndex('review_events_once').on(table.roundId, table.sittingId, table.n),
  ],
);

/** Its questions, once for each target they ask for. */
export const reviewAnswers = sqliteTable(
  'review_answers',
  {
    roundId: text()
      .notNull()
      .references(() => reviewRounds.id, { onDelete: 'cascade' }),
    questionId: text().notNull(),
    targetKey: text().notNull(),
    /** By which it is known that it is the same question. */
    source: text().notNull(),
    /** Its first words. */
    words: text().notNull(),
    /** Days since the student had answered for the target before. */
    afterDays: integer().notNull(),
    possible: integer().notNull(),
    /** Hundredths; null until it is answered. */
    earned: integer(),
    answeredAt: instant(),
  },
  (table) => [primaryKey({ columns: [table.roundId, table.questionId, table.targetKey] })],
);

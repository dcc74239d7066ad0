import { copyFile, readFile, stat } from 'node:fs/promises';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { beginAttempt, type Terms } from '@semita/core/attempt';
import { localDay, toInstant } from '@semita/core/calendar';
import type { GradebookRules } from '@semita/core/gradebook';
import type { Lesson } from '@semita/core/lesson';
import {
  type Actor,
  type DemoPerson,
  type Deps,
  hashPassword,
  inTransaction,
  type Services,
  tables,
} from '@semita/server';
import { bridgeLesson, forcesDraft } from './bridge-lesson.ts';
import { type BridgePictures, pictureFiles } from './bridge-questions.ts';
import { chooseLesson } from './choose-lesson.ts';
import { amberStory, cobaltStory, inStory } from './class-stories.ts';
import { keeperLesson } from './keeper-lesson.ts';
import { learningTargets, withTargets } from './learning-targets.ts';
import { notebookLesson } from './notebook-lesson.ts';
import { paperBridgeLesson } from './paper-bridge-lesson.ts';
import {
  admin,
  amber,
  amberStudents,
  cobalt,
  cobaltStudents,
  coTeacher,
  demoPassword,
  newcomer,
  schoolName,
  substitute,
  teacher,
  timeZone,
  userNameOf,
} from './people.ts';
import { bankEntries, quickPractice, tiedToBank } from './question-bank.ts';
import { createRandom, type Random } from './seeded-random.ts';
import { type Manner, simulateWalk } from './simulated-student.ts';

const filmFolder = fileURLToPath(new URL('../film/', import.meta.url));
const pictureFolder = fileURLToPath(new URL('../pictures/', import.meta.url));
const documentFolder = fileURLToPath(new URL('../documents/', import.meta.url));
const schoolId = 'demo-school';
const seed = 20_261_124;
const day = 24 * 3_600_000;
const minute = 60_000;

const demoTerms = { skipping: false, rewindAtStops: true, maxRate: 2 };

/** A clock that the play sets; the services read it as if it were the hour. */
export interface PlayClock {
  now: number;
}

interface Stage {
  readonly deps: Deps;
  readonly services: Services;
  readonly clock: PlayClock;
  readonly random: Random;
  /** The moment at which the visitor comes in. */
  readonly today: number;
}

const adaeze: Actor = { id: teacher.id, roles: ['teacher'], schoolId, displayName: teacher.displayName };
const studentIdOf = (displayName: string) => `demo-${userNameOf(displayName)}`;
const studentActor = (displayName: string): Actor => ({
  id: studentIdOf(displayName),
  roles: ['student'],
  schoolId,
  displayName,
});

/** Whom a visitor can enter as, and what they will find. */
export const demoPeople: readonly DemoPerson[] = [
  { id: teacher.id, story: 'teaches 8 Amber and 8 Cobalt' },
  { id: substitute.id, story: 'stands in for 8 Cobalt these days' },
  { id: admin.id, story: 'looks after the school' },
  { id: studentIdOf('Tuva Marchetti-Bui'), story: 'has not begun' },
  { id: studentIdOf('Kofi Brannström'), story: 'is in the middle' },
  { id: studentIdOf('Leilani Draganov'), story: 'is stuck at a question' },
  { id: studentIdOf('Alma Hernqvist-Diaz'), story: 'has handed in and got feedback' },
];

/**
 * Fills an empty installation with the demo school. Lessons, assignments, answers and marks all go through the
 * server's own use-cases, at the times the play gives them.
 */
export async function fillSchool(deps: Deps, services: Services, clock: PlayClock): Promise<void> {
  const stage: Stage = { deps, services, clock, random: createRandom(seed), today: clock.now };
  // The play can be put on again; only while it is being filled is speed worth more than a power cut.
  deps.db.$client.pragma('synchronous = OFF');
  await addPeople(stage);
  clock.now = stage.today - 12 * day;
  const film = await bringInFilm(stage);
  const lesson = bridgeLesson(film.id, film.lengthMs, await bringInPictures(stage));
  const itemIdOf = fillBank(stage, lesson);
  services.targets.bringIn(adaeze, learningTargets);
  const lessonId = writeLesson(stage, withTargets(tiedToBank(lesson, itemIdOf)), true);
  const classwork = { category: 'Classwork' };
  const cobaltAssignment = assign(stage, lessonId, cobalt.id, { opens: -10, due: -1, closes: 6 }, classwork);
  const amberAssignment = assign(stage, lessonId, amber.id, { opens: -5, due: 3, closes: 10 }, classwork);
  await walkAll(stage, cobaltAssignment, cobaltStudents, told(cobaltStory, cobaltManner));
  await walkAll(stage, amberAssignment, amberStudents, told(amberStory, amberManner));
  await markMost(stage, cobaltAssignment, cobaltStudents);
  clock.now = stage.today - 2 * 3_600_000;
  services.assignments.adjust(adaeze, amberAssignment, {
    studentIds: [studentIdOf('Quentin Adeyemi-Lund')],
    change: { kind: 'excused' },
    reason: 'Joined the class last week',
  });
  services.assignments.adjust(adaeze, cobaltAssignment, {
    studentIds: [studentIdOf('Zeno Abrahamsdotter')],
    change: { kind: 'extendedBy', days: 7 },
    reason: 'Was away',
  });
  writeLesson(stage, forcesDraft(film.id), false);
  const chooseId = writeLesson(stage, withTargets(chooseLesson(film.id)), true);
  const chooseAssignment = assign(
    stage,
    chooseId,
    cobalt.id,
    { opens: -3, due: 4, closes: 11 },
    {
      ...{ turningBack: true, category: 'Homework' },
    },
  );
  await walkAll(stage, chooseAssignment, cobaltStudents, chooseManner);
  await giveNotebook(stage);
  await planTest(stage, itemIdOf);
  await askToJoin(stage);
  await letGuestsCome(stage, cobaltAssignment);
  askBack(stage, 'Alma Hernqvist-Diaz', 'Thank you! Is the anchorage pulled or squeezed?');
  countGrades(stage, cobaltAssignment);
  comeBack(stage);
  deps.db.$client.pragma('synchronous = FULL');
  clock.now = stage.today;
}

/** 8 Cobalt is asked again what it had not met: most of them have answered on most days. */
function comeBack({ services, clock, random, today }: Stage): void {
  services.reviewRepository.set(cobalt.id, { isOn: true, maxQuestions: 4, usesBank: true, counts: false });
  for (const daysAgo of [6, 5, 4, 3, 2, 1])
    for (const [index, displayName] of cobaltStudents.entries()) {
      const isAway = random.chance(0.35);
      // The student whom visitors come as has something waiting, at whatever hour they come.
      if (isAway || index === 0) continue;
      const actor = studentActor(displayName);
      clock.now = today - daysAgo * day + Math.round(random.between(1, 6) * 3_600_000);
      const review = services.reviews.open(actor, cobalt.id);
      const lesson = review && services.reviewRepository.getRound(review.roundId)?.round.lesson;
      if (!lesson) continue;
      const manner = { startAt: clock.now, skill: random.between(0.6, 0.95), rate: 1, rewatches: 0, hurry: 0.5 };
      const state = beginAttempt({ begunAt: clock.now, secret: '' });
      const walk = simulateWalk(
        { lesson, terms: demoTerms, state },
        { ...manner, leavesAfterStops: random.chance(0.1) ? 1 : 99, handsIn: true },
        random,
      );
      for (const { receivedAt, events } of walk) {
        clock.now = receivedAt;
        services.reviews.takeIn(review.roundId, events);
      }
    }
  clock.now = today;
}

/** A student who wrote back to the first words that were said to one of their answers. */
function askBack({ services, clock, today }: Stage, displayName: string, text: string): void {
  const student: Actor = { id: studentIdOf(displayName), roles: ['student'], schoolId, displayName };
  const item = services.feedback.list(student).find(({ result }) => result.comment);
  if (!item) throw new Error(`Nothing was said to ${displayName}`);
  clock.now = today - 12 * 3_600_000;
  services.feedback.see(student);
  services.feedback.writeBack(student, { assignmentId: item.assignmentId, questionId: item.question.id }, text);
}

/** How both classes are counted, a number given by hand, and the gradebook as it was before that. */
function countGrades(stage: Stage, assignmentId: string): void {
  const { services, clock, today } = stage;
  const dayOf = (offset: number) => localDay(today + offset * day, timeZone);
  services.school.changeDays(adaeze, [
    { title: 'Autumn term', kind: 'term', firstDay: dayOf(-90), lastDay: dayOf(20) },
    { title: 'Spring term', kind: 'term', firstDay: dayOf(35), lastDay: dayOf(190) },
  ]);
  const rules: GradebookRules = {
    ...{ byWeight: true, missing: 'zero', extras: 'onTop', decimals: 0 },
    categories: [
      { name: 'Classwork', weight: 6_000, dropLowest: 0 },
      { name: 'Homework', weight: 4_000, dropLowest: 0 },
    ],
    scale: {
      kind: 'steps',
      steps: [
        { name: 'Secure', from: 8_000 },
        { name: 'Nearly there', from: 5_000 },
        { name: 'Not yet', from: 0 },
      ],
    },
  };
  for (const { id } of [cobalt, amber]) services.gradebooks.changeRules(id, { version: 0, rules });
  clock.now = today - 20 * 3_600_000;
  services.gradebooks.keep(adaeze, cobalt.id, 'Before the parents’ evening');
  clock.now = today - 3 * 3_600_000;
  services.gradebooks.override(adaeze, cobalt.id, {
    ...{ assignmentId, studentId: studentIdOf('Mirela Fagerlund'), earned: 1_000 },
    reason: 'Showed it to me with a ruler and a sponge',
  });
}

/** Others who have to do with her classes: a colleague beside her, one who stands in, and a student who asks to be let in. */
async function askToJoin({ services, clock, today }: Stage): Promise<void> {
  clock.now = today - day;
  const { classes, joining } = services;
  classes.addTeacher(adaeze, amber.id, coTeacher.id);
  const dayOf = (instant: number) => localDay(instant, timeZone);
  classes.addSubstitute(adaeze, cobalt.id, {
    ...{ teacherId: substitute.id, from: dayOf(today - day), until: dayOf(today + 2 * day) },
  });
  classes.change(amber.id, { joining: 'asks' });
  const { joinCode } = classes.read(adaeze, amber.id);
  const account = { displayName: newcomer, userName: userNameOf(newcomer), password: demoPassword };
  await joining.joinAsNew({ code: joinCode ?? '', ...account }, '');
}

/** A link that is open to anyone, and somebody who came by it and looked around. */
async function letGuestsCome({ services, clock, today }: Stage, assignmentId: string): Promise<void> {
  clock.now = today - 5 * 3_600_000;
  const { token } = services.guests.setLink(adaeze, assignmentId, { isOpen: true, isNew: false });
  const { userId } = await services.guests.come(token ?? '', 'Uncle Bo', '');
  const guest: Actor = { id: userId, roles: ['student'], schoolId, displayName: 'Uncle Bo (guest)' };
  await services.walks.begin(guest, assignmentId);
}

/** Groups of a class, by a student's place in the roster. */
const groupsByPlace: Readonly<Record<number, readonly string[]>> = { 0: ['ready to run on'], 1: ['plain words'] };

async function addPeople({ deps, services, clock }: Stage): Promise<void> {
  const { db } = deps;
  const passwordHash = await hashPassword(demoPassword);
  const base = { schoolId, passwordHash, createdAt: clock.now };
  const rosters = [
    { ...amber, students: amberStudents },
    { ...cobalt, students: cobaltStudents },
  ];
  inTransaction(db, () => {
    db.insert(tables.schools).values({ id: schoolId, name: schoolName, timeZone }).run();
    for (const person of [teacher, coTeacher, substitute, admin]) {
      db.insert(tables.users)
        .values({ ...base, ...person, firstStepsPutAwayAt: clock.now })
        .run();
      const role = person === admin ? 'admin' : 'teacher';
      db.insert(tables.userRoles).values({ userId: person.id, role }).run();
    }
    for (const { students, ...one } of rosters) {
      const classId = one.id;
      db.insert(tables.classes)
        .values({ ...one, schoolId, timeZone })
        .run();
      db.insert(tables.classTeachers).values({ classId, teacherId: teacher.id }).run();
      for (const [index, displayName] of students.entries()) {
        const studentId = studentIdOf(displayName);
        const person = { id: studentId, displayName, userName: userNameOf(displayName) };
        db.insert(tables.users)
          .values({ ...base, ...person })
          .run();
        db.insert(tables.userRoles).values({ userId: studentId, role: 'student' }).run();
        const groups = groupsByPlace[index % 6] ?? [];
        services.roster.add(classId, studentId, groups);
      }
    }
  });
}

/** Receives a file as an upload would leave it, and waits until it is ready. */
async function bringIn({ deps, services }: Stage, source: string, fileName: string) {
  const uploadId = `demo-${path.basename(source)}`;
  await copyFile(source, path.join(deps.dataDir, 'uploads', uploadId));
  const { size } = await stat(source);
  const id = services.materials.register(adaeze, { id: uploadId, fileName, byteLength: size, replacesId: null });
  await services.jobs.settle();
  const { lengthMs, status, refusal } = services.materials.read(adaeze, id);
  if (status !== 'ready' || lengthMs === null) throw new Error(`${fileName} was refused: ${refusal}`);
  return { id, lengthMs };
}

async function bringInFilm(stage: Stage) {
  const film = await bringIn(stage, path.join(filmFolder, 'bridges-720.webm'), 'How bridges carry load.webm');
  const captions = await readFile(path.join(filmFolder, 'bridges.en.vtt'));
  stage.services.materials.bringInCaptions(adaeze, film.id, captions);
  return film;
}

async function bringInPictures(stage: Stage): Promise<BridgePictures> {
  const picture = async (name: keyof BridgePictures) => {
    const { file, alt } = pictureFiles[name];
    const { id } = await bringIn(stage, path.join(pictureFolder, file), file);
    return { materialId: id, alt };
  };
  return { beam: await picture('beam'), arches: await picture('arches'), stayed: await picture('stayed') };
}

/** Puts questions into the bank, and says under which item each stands. */
function fillBank({ services }: Stage, lesson: Lesson): ReadonlyMap<string, string> {
  const entries = bankEntries(lesson);
  const { ids } = services.bank.put(adaeze, entries);
  return new Map(entries.map(({ question }, index) => [question.id, ids[index] as string]));
}

function writeLesson({ services }: Stage, { title, parts }: Lesson, makesEdition: boolean): string {
  const { id } = services.lessons.create(adaeze, null);
  const { version } = services.lessons.readDraft(adaeze, id);
  const saved = services.lessons.changeDraft(adaeze, id, {
    baseVersion: version,
    changes: [
      { type: 'setTitle', title },
      ...parts.map((part, index) => ({ type: 'insertPart' as const, part, index })),
    ],
  });
  if (makesEdition) services.lessons.makeEdition(adaeze, id, saved.version);
  return id;
}

/** A series for 8 Amber, given yesterday: a reading, which a few have done already, and what opens with it. */
async function giveNotebook(stage: Stage): Promise<void> {
  const { id } = await bringIn(stage, path.join(documentFolder, 'notebook.docx'), 'A bridge-keeper’s notebook.docx');
  const { blocks } = stage.services.materials.readContent(adaeze, id);
  const lessonIds = [notebookLesson(id, blocks), keeperLesson].map((lesson) => writeLesson(stage, lesson, true));
  const { services, clock } = stage;
  const days = [dated(stage, { opens: -1, due: 6, closes: 13 }), dated(stage, { opens: -1, due: 9, closes: 16 })];
  const { id: seriesId } = services.giving.giveSeries(adaeze, {
    ...{
      title: 'How keepers look after bridges',
      to: [{ kind: 'class', id: amber.id }],
      terms: { ...demoTerms, category: 'Homework' },
    },
    steps: lessonIds.map((lessonId, index) => ({
      ...{ lessonId, isExtra: false, afterPercent: index === 0 ? null : 0 },
      ...(days[index] as (typeof days)[0]),
    })),
  });
  const [notebook] = services.series.read(adaeze, seriesId).steps;
  await walkAll(stage, notebook?.assignmentId ?? '', amberStudents, notebookManner);
  clock.now = stage.today;
}

/** The deck for the day of the test: a draft with its first stops. */
async function planTest(stage: Stage, itemIdOf: ReadonlyMap<string, string>): Promise<void> {
  const { id } = await bringIn(stage, path.join(documentFolder, 'paper-bridge.pptx'), 'Testing a paper bridge.pptx');
  const { title, parts } = paperBridgeLesson(id, stage.services.materials.readContent(adaeze, id).slides);
  writeLesson(stage, tiedToBank({ title, parts: [...parts, quickPractice] }, itemIdOf), false);
}

/** Sets the play to an hour before it opens. */
function dated({ clock, today }: Stage, days: { opens: number; due: number; closes: number }) {
  clock.now = today + days.opens * day - 3_600_000;
  const dayAt = (offset: number) => localDay(today + offset * day, timeZone);
  return {
    opensAt: `${dayAt(days.opens)}T08:00`,
    dueAt: `${dayAt(days.due)}T23:59`,
    closesAt: `${dayAt(days.closes)}T23:59`,
  };
}

function assign(
  stage: Stage,
  lessonId: string,
  classId: string,
  days: { opens: number; due: number; closes: number },
  terms: Partial<Terms> = {},
): string {
  return stage.services.giving.assign(adaeze, {
    lessonId,
    to: [{ kind: 'class', id: classId }],
    ...dated(stage, days),
    terms: { ...demoTerms, ...terms },
  }).id;
}

type MannerOf = (index: number, stage: Stage) => Manner | null;

/** The manners of a class that has a story. */
const told =
  (story: Parameters<typeof inStory>[0], mannerOf: MannerOf): MannerOf =>
  (index, stage) => {
    const manner = mannerOf(index, stage);
    return manner && inStory(story, index, manner);
  };

async function walkAll(
  stage: Stage,
  assignmentId: string,
  students: readonly string[],
  mannerOf: MannerOf,
): Promise<void> {
  const { services, clock, random } = stage;
  for (const [index, displayName] of students.entries()) {
    const manner = mannerOf(index, stage);
    if (!manner) continue;
    const actor = studentActor(displayName);
    clock.now = manner.startAt;
    const { attemptId } = await services.walks.begin(actor, assignmentId);
    const { lesson } = services.marking.readAttempt(adaeze, assignmentId, actor.id);
    const { state } = services.states.read(attemptId);
    for (const { receivedAt, events } of simulateWalk({ lesson, state, terms: demoTerms }, manner, random)) {
      clock.now = receivedAt;
      await services.walks.takeInEvents(actor, attemptId, events);
    }
  }
}

const noonDaysAgo = (today: number, days: number) =>
  toInstant(`${localDay(today - days * day, timeZone)}T12:00`, timeZone);

const schoolHours = (stage: Stage, daysAgo: number) =>
  stage.today - daysAgo * day + Math.round(stage.random.between(-2, 2) * 3_600_000);

/** 8 Amber, due in three days: everybody at a different point. */
const amberManner: MannerOf = (index, stage) => {
  const { random, today } = stage;
  const base = {
    skill: random.between(0.45, 0.98),
    rate: random.pick([1, 1, 1, 1.25, 1.5]),
    rewatches: random.between(0, 0.4),
    startAt: schoolHours(stage, random.between(0.6, 4.4)),
  };
  const done = { ...base, leavesAfterStops: 99, handsIn: true };
  if (index === 10) return { ...base, startAt: today - 50 * minute, leavesAfterStops: 3, handsIn: false };
  if (index === 11)
    return { ...base, startAt: today - 26 * minute, leavesAfterStops: 4, ponders: 9 * minute, handsIn: false };
  if (index === 14)
    return { ...base, startAt: today - 2 * day, leavesAfterStops: 4, ponders: 6 * minute, handsIn: false };
  // Not begun: the visitor's own student among them, and the one who is excused.
  if ([5, 8, 16, 19, 23, 25].includes(index)) return null;
  if ([2, 7, 12, 18, 21].includes(index)) return { ...base, leavesAfterStops: 1 + (index % 5), handsIn: false };
  if (index === 20) return { ...done, handsIn: false };
  return done;
};

/** The reading: four have read it, one is in the middle of it. */
const notebookManner: MannerOf = (index, { random, today }) => {
  if (![0, 6, 9, 13, 22].includes(index)) return null;
  const isDone = index !== 9;
  return {
    skill: random.between(0.5, 0.98),
    rate: random.pick([0.8, 1, 1.4]),
    rewatches: random.between(0, 0.5),
    startAt: today - Math.round(random.between(0.1, 0.6) * day),
    leavesAfterStops: isDone ? 99 : 2,
    handsIn: isDone,
  };
};

/** The lesson with ways: some have come to its end, some stand at the fork or the board. */
const chooseManner: MannerOf = (index, { random, today }) => {
  if (index % 3 === 2) return null;
  const isDone = index % 4 !== 1;
  const [skill, rate] = [random.between(0.35, 0.95), random.pick([1, 1, 1.25, 1.5])];
  const [rewatches, restDays] = [random.between(0, 0.3), random.between(0.2, 2.6)];
  return {
    ...{ skill, rate, rewatches },
    // The student whom visitors come as has let it rest since, by the calendar.
    startAt: index === 0 ? noonDaysAgo(today, 2) : today - Math.round(restDays * day),
    leavesAfterStops: isDone ? 99 : index === 13 ? 5 : 2 + (index % 3),
    handsIn: isDone,
  };
};

/** 8 Cobalt, due yesterday: most are done, some late, some never began. */
const cobaltManner: MannerOf = (index, stage) => {
  const { random, today } = stage;
  const base = {
    skill: random.between(0.4, 0.98),
    rate: random.pick([1, 1, 1.25, 1.5, 2]),
    rewatches: random.between(0, 0.5),
    startAt: schoolHours(stage, random.between(2, 8.5)),
  };
  if ([4, 13, 20].includes(index)) return null;
  if ([8, 17].includes(index)) return { ...base, leavesAfterStops: 2 + (index % 4), handsIn: false };
  if ([6, 11].includes(index))
    return {
      ...base,
      startAt: today - Math.round(random.between(0.1, 0.3) * day),
      leavesAfterStops: 99,
      handsIn: true,
    };
  return { ...base, leavesAfterStops: 99, handsIn: true };
};

/** By the share of the points they stand by, from the most down. */
const comments: readonly (readonly [from: number, comment: string])[] = [
  [0.85, 'Clear, and every step is there.'],
  [0.55, 'Good. Follow the load one step further: what happens at the ground?'],
  [0.3, 'A start. Which of these parts are pulled, and which are squeezed?'],
  [0, 'Look at the arrows in the film once more, and try to name the parts.'],
];

/** The teacher has marked what 8 Cobalt handed in, but for the last few. */
async function markMost(
  { services, clock, today, random }: Stage,
  assignmentId: string,
  students: readonly string[],
): Promise<void> {
  clock.now = today - 3 * 3_600_000;
  for (const displayName of students.slice(0, 18)) {
    const studentId = studentIdOf(displayName);
    const { lesson, state } = services.marking.readAttempt(adaeze, assignmentId, studentId);
    for (const stop of lesson.parts.flatMap((part) => part.stops)) {
      if (stop.kind !== 'checkpoint') continue;
      for (const question of stop.questions) {
        const answer = state?.stops[stop.id]?.answers[question.id];
        if (answer?.points !== null || answer.response.kind !== 'extendedText') continue;
        const share = Math.min(1, answer.response.text.length / 90);
        const points = Math.round((question.points * share) / 50) * 50;
        const said = comments.find(([from]) => points >= from * question.points)?.[1] ?? '';
        // Not every answer gets words.
        const comment = displayName === students[0] || random.chance(0.75) ? said : '';
        await services.marking.mark(adaeze, assignmentId, studentId, {
          stopId: stop.id,
          questionId: question.id,
          points,
          comment,
        });
        clock.now += 20_000;
      }
    }
  }
}

import { decodeSheetRow, type SheetLine } from '@semita/core/sheet';
import { and, eq } from 'drizzle-orm';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { everyKind } from '../../../../../packages/core/src/examples/every-kind.ts';
import { lessonOf } from '../../../../../packages/core/src/examples/kinds-lesson.ts';
import { bridgeLesson, pickOne, wholeWalk } from '../../../../../packages/core/src/test/bridge-lesson.ts';
import { attempts, classTeachers, groups, recipients } from '../../db/schema.ts';
import { createSender, readFixture, type School, startSchool, toAmber } from '../../test/harness.ts';
import { rebuildStates } from '../attempts/rebuild-states.ts';

let school: School;
beforeEach(async () => {
  school = await startSchool();
  for (const id of ['film', 'picture']) school.addMaterial(id, 60_000);
});
afterEach(() => school.stop());

const minute = 60_000;
const hour = 60 * minute;
/** The class's clock is an hour ahead of the one that tests set. */
const at = (localHour: number) => `2026-11-24T${String(localHour).padStart(2, '0')}:00`;
const until = (localHour: number) => ({ opensAt: null, dueAt: at(localHour), closesAt: at(localHour) });
const utc = (localHour: number) => Date.UTC(2026, 10, 24, localHour - 1);

async function walkOf(studentId: string, assignmentId: string) {
  const client = school.as(studentId);
  const { status, body } = await client.ask('PUT', `/api/assignments/${assignmentId}/walk`);
  const event = createSender(school.clock);
  return {
    ...{ client, status, body },
    async take(bodies = wholeWalk) {
      const answers = [];
      for (const one of bodies) {
        school.clock.now += minute;
        answers.push(await client.ask('POST', `/api/attempts/${body.attemptId}/events`, { events: [event(one)] }));
      }
      return answers;
    },
  };
}

const sheetOf = async (assignmentId: string, teacher = 'adaeze') => {
  const { body } = await school.as(teacher).ask('GET', `/api/assignments/${assignmentId}/sheet`);
  return new Map((body.students as SheetLine[]).map((line) => [line.studentId, line]));
};
const adjust = (assignmentId: string, studentIds: string[], change: object, more = {}, teacher = 'adaeze') =>
  school.as(teacher).ask('POST', `/api/assignments/${assignmentId}/adjustments`, { studentIds, change, ...more });
const todoOf = async (studentId: string) => (await school.as(studentId).ask('GET', '/api/todo')).body.items;

describe('who receives an assignment', () => {
  test('follows the class: who joins has it, who leaves keeps their work and finds it closed, who is back goes on', async () => {
    const { assignmentId } = await school.assignLesson(bridgeLesson);
    school.addStudents(['rin']);
    expect([...(await sheetOf(assignmentId)).keys()]).toEqual(['imani', 'rin', 'tomas']);
    const rin = await walkOf('rin', assignmentId);
    await rin.take(wholeWalk.slice(0, 4));
    school.clock.now += hour;
    const leftAt = school.clock.now;
    school.services.roster.remove('amber', 'rin');
    school.services.roster.remove('amber', 'tomas');
    const line = (await sheetOf(assignmentId)).get('rin');
    expect(line).toMatchObject({ leftAt });
    expect(decodeSheetRow(line?.row ?? '').earned).toBe(200);
    expect((await sheetOf(assignmentId)).get('tomas')).toMatchObject({ leftAt, row: null });
    const [summary] = (await school.as('adaeze').ask('GET', '/api/assignments')).body;
    expect(summary).toMatchObject({ studentCount: 1, begunCount: 0 });
    const answers = await rin.take(wholeWalk.slice(4, 5));
    expect(answers[0]?.body.code).toBe('windowClosed');
    expect(await todoOf('tomas')).toEqual([]);
    expect(await todoOf('rin')).toMatchObject([{ closesAt: leftAt - 1 }]);

    school.services.roster.add('amber', 'rin');
    const [later] = await rin.take([{ type: 'opened' }]);
    expect(later?.status).toBe(200);
    expect((await sheetOf(assignmentId)).get('rin')?.leftAt).toBeUndefined();
    expect(rebuildStates(school.db).changed).toEqual([]);
  });

  test('groups and single students with dates of their own; the closest dates count', async () => {
    school.services.roster.setGroups('amber', 'tomas', ['rope']);
    const groupId = school.db.select().from(groups).get()?.id;
    school.addStudents(['rin', 'ode']);
    const { assignmentId } = await school.assignLesson(bridgeLesson, undefined, until(12), [
      { kind: 'class', id: 'amber' },
      { kind: 'group', id: groupId, window: until(14) },
      { kind: 'student', id: 'rin', classId: 'amber', window: until(16) },
    ]);
    const dues = async () => [...(await sheetOf(assignmentId))].map(([id, { dueAt }]) => [id, dueAt]);
    expect(await dues()).toEqual([
      ['imani', utc(12)],
      ['ode', utc(12)],
      ['rin', utc(16)],
      ['tomas', utc(14)],
    ]);
    expect((await todoOf('tomas'))[0].dueAt).toBe(utc(14));
    school.services.roster.setGroups('amber', 'imani', ['rope']);
    school.services.roster.setGroups('amber', 'tomas', []);
    expect((await dues()).map(([, dueAt]) => dueAt)).toEqual([utc(14), utc(12), utc(16), utc(12)]);
    const [summary] = (await school.as('adaeze').ask('GET', '/api/assignments')).body;
    expect(summary.to.map(({ name }: { name: string }) => name)).toEqual(['8 Amber', '8 Amber, rope', 'rin']);

    // The gates go by them as well.
    const imani = await walkOf('imani', assignmentId);
    const ode = await walkOf('ode', assignmentId);
    school.clock.now = utc(13);
    expect((await imani.take([{ type: 'opened' }]))[0]?.status).toBe(200);
    expect((await ode.take([{ type: 'opened' }]))[0]?.body.code).toBe('windowClosed');
  });

  test('a second time only when that is said, whatever edition it is', async () => {
    const { lessonId } = await school.assignLesson(bridgeLesson);
    const terms = { skipping: false, rewindAtStops: true, maxRate: 2 };
    const dates = { opensAt: null, dueAt: null, closesAt: null };
    const give = (to: readonly object[], isAgain?: boolean) =>
      school.as('adaeze').ask('POST', '/api/assignments', { lessonId, terms, ...dates, to, isAgain });
    const student = { kind: 'student', id: 'imani', classId: 'amber' };
    const refused = await give([...toAmber, student]);
    expect([refused.status, refused.body]).toEqual([
      409,
      { code: 'alreadyGiven', detail: { to: [{ kind: 'class', id: 'amber' }] } },
    ]);
    // Somebody of the class, by themselves, is not the class.
    expect((await give([student])).status).toBe(200);
    expect((await give([...toAmber, student], true)).status).toBe(200);
  });

  test('is nobody whom the teacher does not teach, in no class that is not theirs', async () => {
    const { lessonId } = await school.assignLesson(bridgeLesson);
    const group = { kind: 'group', id: 'nowhere' };
    for (const one of [
      group,
      { kind: 'class', id: 'bronze' },
      { kind: 'student', id: 'cobalt', classId: 'bronze' },
      { kind: 'student', id: 'cobalt', classId: 'amber' },
      { kind: 'student', id: 'imani' },
    ]) {
      const terms = { skipping: false, rewindAtStops: true, maxRate: 2 };
      const body = { lessonId, terms, to: [...toAmber, one], opensAt: null, dueAt: null, closesAt: null };
      expect([one, (await school.as('adaeze').ask('POST', '/api/assignments', body)).status]).toEqual([one, 404]);
    }
    expect(
      new Set(
        school.db
          .select()
          .from(recipients)
          .all()
          .map(({ studentId }) => studentId),
      ),
    ).toEqual(new Set(['imani', 'tomas']));
  });

  test('each of two teachers follows their own students, and each class reads its own thread', async () => {
    school.db.insert(classTeachers).values({ classId: 'bronze', teacherId: 'adaeze' }).run();
    const { assignmentId } = await school.assignLesson(lessonOf([everyKind.discussion]), undefined, {}, [
      ...toAmber,
      { kind: 'class', id: 'bronze' },
    ]);
    expect([...(await sheetOf(assignmentId)).keys()]).toEqual(['cobalt', 'imani', 'tomas']);
    expect([...(await sheetOf(assignmentId, 'bruno')).keys()]).toEqual(['cobalt']);
    const bruno = school.as('bruno');
    expect((await bruno.ask('GET', `/api/assignments/${assignmentId}/students/imani`)).status).toBe(404);
    expect((await adjust(assignmentId, ['imani'], { kind: 'excused' }, {}, 'bruno')).status).toBe(404);
    for (const id of ['imani', 'tomas', 'cobalt']) {
      const text = `Said by ${id}.`;
      const responses = { 'q-discussion': { kind: 'extendedText', text } } as const;
      await (await walkOf(id, assignmentId)).take([
        { type: 'reachedStop', stopId: 'stop' },
        { type: 'answered', stopId: 'stop', responses },
      ]);
    }
    const posts = async (who: string) => {
      const { body } = await school
        .as(who)
        .ask('GET', `/api/assignments/${assignmentId}/questions/q-discussion/thread`);
      return body.map(({ studentId }: { studentId: string }) => studentId);
    };
    expect(await posts('imani')).toEqual(['imani', 'tomas']);
    expect(await posts('cobalt')).toEqual(['cobalt']);
    expect(await posts('bruno')).toEqual(['cobalt']);
    expect(await posts('adaeze')).toEqual(['cobalt', 'imani', 'tomas']);
  });
});

describe('what is different for one student', () => {
  test('own dates: the student may go on, is not late, and all of it can be read later', async () => {
    const { assignmentId } = await school.assignLesson(bridgeLesson, undefined, until(12));
    const imani = await walkOf('imani', assignmentId);
    school.clock.now = utc(13);
    expect((await imani.take([{ type: 'opened' }]))[0]?.body.code).toBe('windowClosed');
    const lines = await adjust(assignmentId, ['imani'], { kind: 'extended', window: until(18) }, { reason: 'Was ill' });
    expect(lines.body).toMatchObject([{ studentId: 'imani', dueAt: utc(18) }]);
    const answers = await imani.take();
    expect(answers.every(({ status }) => status === 200)).toBe(true);
    expect((await todoOf('imani'))[0]).toMatchObject({ dueAt: utc(18), handedInAt: school.clock.now });
    const { text } = await school.as('adaeze').ask('GET', `/api/assignments/${assignmentId}/sheet.csv`);
    expect(text.split('\r\n').find((row) => row.startsWith('imani'))).toContain(',,');
    school.clock.now += minute;
    await adjust(assignmentId, ['imani', 'tomas'], { kind: 'extensionEnded' });
    const { body } = await school
      .as('adaeze')
      .ask('GET', `/api/assignments/${assignmentId}/students/imani/adjustments`);
    expect(body).toMatchObject([
      { kind: 'extensionEnded', by: 'adaeze', reason: null },
      { kind: 'extended', by: 'adaeze', reason: 'Was ill', dueAt: utc(18) },
    ]);
    // What came in while they had the time stays in.
    expect(rebuildStates(school.db).changed).toEqual([]);
    const outOfOrder = { opensAt: at(18), dueAt: at(12), closesAt: null };
    const refused = await adjust(assignmentId, ['imani'], { kind: 'extended', window: outOfOrder });
    expect(refused.body.code).toBe('windowOutOfOrder');
    expect((await adjust(assignmentId, ['imani', 'cobalt'], { kind: 'excused' })).status).toBe(404);
    expect((await sheetOf(assignmentId)).get('imani')?.excused).toBe(false);
  });

  test('another attempt: only when one is left and the one before is handed in; the one that counts is on the sheet', async () => {
    const { assignmentId } = await school.assignLesson(bridgeLesson);
    const again = () => school.as('imani').ask('POST', `/api/assignments/${assignmentId}/attempts`);
    const imani = await walkOf('imani', assignmentId);
    await imani.take();
    expect((await again()).body.code).toBe('noAttemptLeft');
    expect((await todoOf('imani'))[0].attempts).toEqual({ begun: 1, mayBegin: false });
    await adjust(assignmentId, ['imani'], { kind: 'anotherAttempt' });
    expect((await todoOf('imani'))[0].attempts).toEqual({ begun: 1, mayBegin: true });
    const second = await again();
    expect(second.body.attemptId).not.toBe(imani.body.attemptId);
    expect(second.body.view.state.handedInAt).toBeNull();
    expect((await again()).body.code).toBe('noAttemptLeft');
    // Until it is handed in, the first counts, and the second is to be done.
    const line = (await sheetOf(assignmentId)).get('imani');
    expect(line).toMatchObject({ attempt: { number: 1, count: 2 } });
    expect(decodeSheetRow(line?.row ?? '').earned).toBe(200);
    expect((await todoOf('imani'))[0]).toMatchObject({ handedInAt: null, progress: 0, attempts: { begun: 2 } });
    // Two open attempts at once there are not.
    expect((await imani.take([{ type: 'withdrawn' }]))[0]?.body.code).toBe('newerAttempt');
    await (await walkOf('imani', assignmentId)).take();
    expect((await sheetOf(assignmentId)).get('imani')).toMatchObject({ attempt: { number: 2, count: 2 } });
    expect(rebuildStates(school.db)).toEqual({ attempts: 2, changed: [] });
  });

  test('a key that is put right marks every attempt, and the students of other teachers', async () => {
    const terms = { skipping: true, rewindAtStops: true, maxRate: 2, attempts: 2 };
    const bronze = { kind: 'class', id: 'bronze' };
    school.db.insert(classTeachers).values({ classId: 'bronze', teacherId: 'adaeze' }).run();
    const { assignmentId } = await school.assignLesson(bridgeLesson, terms, {}, [...toAmber, bronze]);
    school.db
      .delete(classTeachers)
      .where(and(eq(classTeachers.classId, 'bronze'), eq(classTeachers.teacherId, 'adaeze')))
      .run();
    await (await walkOf('cobalt', assignmentId)).take();
    await (await walkOf('imani', assignmentId)).take();
    await school.as('imani').ask('POST', `/api/assignments/${assignmentId}/attempts`);
    // Under way: it does not count yet.
    await (await walkOf('imani', assignmentId)).take(wholeWalk.slice(0, 4));
    const question = {
      ...pickOne,
      options: pickOne.options.map((option) => ({ ...option, correct: !option.correct })),
    };
    const at = `/api/assignments/${assignmentId}/questions/q-one/key`;
    const moved = await school.as('adaeze').ask('POST', at, { question, confirms: true });
    expect(moved.body).toMatchObject([{ studentId: 'imani', before: 200, after: 0 }]);
    const points = school.db
      .select()
      .from(attempts)
      .all()
      .map(({ id }) => school.services.states.read(id).state.stops['s-one']?.answers['q-one']?.points);
    expect(points).toEqual([0, 0, 0]);
    expect(rebuildStates(school.db).changed).toEqual([]);
  });

  test('a voice in a comment goes to the attempt that is marked, also while another is under way', async () => {
    const terms = { skipping: true, rewindAtStops: true, maxRate: 2, attempts: 2 };
    const { assignmentId } = await school.assignLesson(bridgeLesson, terms);
    await (await walkOf('imani', assignmentId)).take();
    await school.as('imani').ask('POST', `/api/assignments/${assignmentId}/attempts`);
    const adaeze = school.as('adaeze');
    const of = `/api/assignments/${assignmentId}/students/imani`;
    const sent = await adaeze.ask('POST', `${of}/voices/voice.webm`, readFixture('timecode-60.webm'));
    const mark = { stopId: 's-two', questionId: 'q-written', points: 300, comment: '', voice: sent.body };
    expect((await adaeze.ask('POST', `${of}/marks`, mark)).status).toBe(200);
  });

  test('so many attempts by the terms, of which the best counts', async () => {
    const terms = { skipping: true, rewindAtStops: true, maxRate: 2, attempts: 2, counted: 'best' as const };
    const { assignmentId } = await school.assignLesson(bridgeLesson, terms);
    await (await walkOf('imani', assignmentId)).take();
    await school.as('imani').ask('POST', `/api/assignments/${assignmentId}/attempts`);
    await (await walkOf('imani', assignmentId)).take([{ type: 'handedIn' }]);
    const line = (await sheetOf(assignmentId)).get('imani');
    expect([line?.attempt, decodeSheetRow(line?.row ?? '').earned]).toEqual([{ number: 1, count: 2 }, 200]);
  });

  test('another edition, from the next attempt on: its marks stand under the columns of all others', async () => {
    const { assignmentId, lessonId } = await school.assignLesson(bridgeLesson);
    const adaeze = school.as('adaeze');
    const [part] = bridgeLesson.parts;
    if (!part) throw new Error('no part');
    const change = { type: 'removeStop', partId: part.id, stopId: 's-pause' };
    const saved = await adaeze.ask('POST', `/api/lessons/${lessonId}/changes`, { baseVersion: 1, changes: [change] });
    await adaeze.ask('POST', `/api/lessons/${lessonId}/editions`, { draftVersion: saved.body.version });
    expect((await adjust(assignmentId, ['imani'], { kind: 'editionSwapped', editionNumber: 9 })).status).toBe(404);
    await adjust(assignmentId, ['imani'], { kind: 'editionSwapped', editionNumber: 2 });
    const walk = wholeWalk.filter((body) => !('stopId' in body && body.stopId === 's-pause'));
    const answers = await (await walkOf('imani', assignmentId)).take(walk);
    expect(answers.map(({ body }) => body.outcomes[0])).toEqual(
      walk.map(() => expect.objectContaining({ kind: 'taken' })),
    );
    const states = (id: string, lines: Map<string, SheetLine>) =>
      decodeSheetRow(lines.get(id)?.row ?? '').marks.map(({ state }) => state);
    await (await walkOf('tomas', assignmentId)).take();
    const lines = await sheetOf(assignmentId);
    expect(states('imani', lines)).toEqual(['full', 'ahead', 'waiting']);
    expect(states('tomas', lines)).toEqual(['full', 'noted', 'waiting']);
    const { body } = await adaeze.ask('GET', `/api/assignments/${assignmentId}/students/imani`);
    expect(body.lesson.parts[0].stops).toHaveLength(2);
  });
});

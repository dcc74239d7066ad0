import { afterAll, beforeAll, expect, test } from 'vitest';
import { everyKind } from '../../../../../packages/core/src/examples/every-kind.ts';
import { lessonOf } from '../../../../../packages/core/src/examples/kinds-lesson.ts';
import { type School, startSchool } from '../../test/harness.ts';

let school: School;
let path: string;
beforeAll(async () => {
  school = await startSchool();
  for (const id of ['film', 'picture']) school.addMaterial(id, 60_000);
  const { assignmentId } = await school.assignLesson(lessonOf([everyKind.choice]));
  path = `/api/assignments/${assignmentId}/look-back`;
});
afterAll(() => school.stop());

test('what is to be shown is kept with what was given, and is nobody else’s', async () => {
  const adaeze = school.as('adaeze');
  expect((await adaeze.ask('GET', path)).body).toEqual({ again: '', hidden: [], shown: [] });
  const chosen = {
    ...{ again: 'Pulled and squeezed', hidden: ['q-1'] },
    shown: [{ questionId: everyKind.choice.id, studentId: 'imani', isNamed: false }],
  };
  expect((await adaeze.ask('PUT', path, chosen)).status).toBe(204);
  expect((await adaeze.ask('PUT', path, { ...chosen, hidden: [] })).status).toBe(204);
  expect((await adaeze.ask('GET', path)).body).toEqual({ ...chosen, hidden: [] });
  expect((await adaeze.ask('PUT', path, { ...chosen, shown: 'all' })).status).toBe(422);
  expect((await school.as('bruno').ask('GET', path)).status).toBe(404);
});

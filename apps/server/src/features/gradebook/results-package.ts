import { localDay, type SchoolDays } from '@semita/core/calendar';
import { writeResults } from '@semita/core/roster';
import { and, eq, isNotNull, or } from 'drizzle-orm';
import { externalIds } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import { zipTables } from '../../tables/zip-tables.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { GradebookService } from './gradebook-service.ts';

export type ResultsPackage = ReturnType<typeof createResultsPackage>;

interface Options extends Pick<Deps, 'db' | 'clock'> {
  readonly gradebooks: Pick<GradebookService, 'read'>;
  readonly schoolOf: (schoolId: string) => { readonly name: string };
  readonly readDays: (actor: Actor) => readonly SchoolDays[];
}

/** The results of a class for the system in which the school keeps its people and classes, by the ids it gave them. */
export function createResultsPackage({ db, clock, gradebooks, schoolOf, readDays }: Options) {
  return (actor: Actor, classId: string): Uint8Array => {
    const { schoolId } = actor;
    const book = gradebooks.read(actor, classId);
    const known = db
      .select()
      .from(externalIds)
      .where(
        and(eq(externalIds.schoolId, schoolId), or(eq(externalIds.classId, classId), isNotNull(externalIds.userId))),
      )
      .all();
    const called = new Map(
      known.map(({ externalId, userId, classId: ofClass }) => [userId ?? ofClass ?? '', externalId]),
    );
    return zipTables(
      writeResults({
        ...{ schoolId, schoolName: schoolOf(schoolId).name, classId: called.get(classId) ?? classId },
        ...{ rules: book.rules, columns: book.columns, schoolDays: readDays(actor) },
        today: localDay(clock(), book.timeZone),
        students: book.students.map(({ studentId, ...student }) => ({
          ...student,
          studentId: called.get(studentId) ?? studentId,
        })),
      }),
    );
  };
}

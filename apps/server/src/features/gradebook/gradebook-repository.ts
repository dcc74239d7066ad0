import type { Gradebook } from '@semita/core/contract';
import { defaultRules, type GradebookInput, type GradebookRules, type GradebookStudent } from '@semita/core/gradebook';
import { and, asc, count, desc, eq, getTableColumns, inArray, type SQL, type SQLWrapper, sql } from 'drizzle-orm';
import { inTransaction } from '../../db/open.ts';
import { classes, gradebookRules, gradeOverrides, keptGradebookLines, keptGradebooks, users } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';

export type GradebookRepository = ReturnType<typeof createGradebookRepository>;

export type OverrideRow = typeof gradeOverrides.$inferSelect;

/** The same, with the name of who gave it in place of their id. */
export type MadeOverride = OverrideRow;

type KeptHead = Gradebook['kept'][number];
type Term = Gradebook['terms'][number];

export interface GradebookFrame extends Pick<Gradebook, 'timeZone' | 'locale' | 'version' | 'runs' | 'terms' | 'kept'> {
  readonly rules: GradebookRules;
}

/** Rows of a statement whose one column holds an object in JSON. */
const listOf = <T>(select: SQL) =>
  sql<string>`(select coalesce(json_group_array(json(one)), '[]') from (${select}))`.mapWith(
    (json: string) => JSON.parse(json) as T[],
  );

const inClass = (classId: string, studentId: SQLWrapper) =>
  sql`(select 1 from class_students c where c.class_id = ${classId} and c.student_id = ${studentId})`;

/** Rules of classes, numbers given by hand, and gradebooks as they were. */
export function createGradebookRepository({ db }: Pick<Deps, 'db'>) {
  const among = (ids: readonly string[]) => sql`(select value from json_each(${JSON.stringify(ids)}))`;
  return {
    /**
     * What stands around the results of a class, in one statement: the class, its rules, whether somebody teaches it, the
     * school's terms and what was kept of it, the latest first.
     */
    findFrame(classId: string, teacherId: string): GradebookFrame | undefined {
      const row = db
        .select({
          ...{ timeZone: classes.timeZone, locale: classes.locale },
          ...{ rules: gradebookRules.rules, version: gradebookRules.version },
          runs: sql`exists (select 1 from class_teachers t where t.class_id = "classes"."id" and t.teacher_id = ${teacherId})`.mapWith(
            Boolean,
          ),
          terms: listOf<Term>(sql`select json_object('title', d.title, 'kind', d.kind, 'firstDay', d.first_day,
            'lastDay', d.last_day) as one from school_days d where d.school_id = "classes"."school_id"
            and d.kind = 'term' order by d.first_day`),
          kept: listOf<KeptHead>(sql`select json_object('id', k.id, 'note', k.note, 'at', k.at, 'by', u.display_name) as one
            from kept_gradebooks k join users u on u.id = k.by where k.class_id = "classes"."id" order by k.at desc`),
        })
        .from(classes)
        .leftJoin(gradebookRules, eq(gradebookRules.classId, classes.id))
        .where(eq(classes.id, classId))
        .get();
      return row && { ...row, rules: row.rules ?? defaultRules, version: row.version ?? 0 };
    },

    /** Who is in a class, and who received something through it and is not, by their names. */
    listPeople: (classId: string, assignmentIds: readonly string[]) =>
      db
        .select({
          ...{ studentId: users.id, displayName: users.displayName },
          isIn: sql`exists ${inClass(classId, users.id)}`.mapWith(Boolean),
        })
        .from(users)
        .where(
          sql`${users.id} in (select student_id from class_students where class_id = ${classId} union
            select r.student_id from recipients r join addressees a on a.id = r.addressee_id
            where a.class_id = ${classId} and a.kind <> 'guests' and r.assignment_id in ${among(assignmentIds)})`,
        )
        .orderBy(asc(users.displayName))
        .all(),

    /** @returns false where they are not at this version any more */
    setRules(classId: string, rules: GradebookRules, version: number): boolean {
      const values = { classId, rules, version: version + 1 };
      const done =
        version === 0
          ? db.insert(gradebookRules).values(values).onConflictDoNothing().run()
          : db
              .update(gradebookRules)
              .set(values)
              .where(and(eq(gradebookRules.classId, classId), eq(gradebookRules.version, version)))
              .run();
      return done.changes > 0;
    },

    insertOverride(row: OverrideRow): void {
      db.insert(gradeOverrides).values(row).run();
    },

    /** The latest first. */
    listOverrides: (assignmentIds: readonly string[], studentId?: string): MadeOverride[] =>
      db
        .select({ ...getTableColumns(gradeOverrides), by: users.displayName })
        .from(gradeOverrides)
        .innerJoin(users, eq(users.id, gradeOverrides.by))
        .where(
          and(
            inArray(gradeOverrides.assignmentId, among(assignmentIds)),
            studentId === undefined ? undefined : eq(gradeOverrides.studentId, studentId),
          ),
        )
        .orderBy(desc(gradeOverrides.at), sql`"grade_overrides".rowid desc`)
        .all(),

    keep(
      row: Omit<typeof keptGradebooks.$inferInsert, 'frame'>,
      { rules, columns, students }: GradebookInput & { readonly rules: GradebookRules },
    ): void {
      inTransaction(db, () => {
        db.insert(keptGradebooks)
          .values({ ...row, frame: { rules, columns } })
          .run();
        for (const { studentId, hasLeft, cells } of students)
          db.insert(keptGradebookLines)
            .values({ keptId: row.id, studentId, hasLeft: hasLeft ?? false, cells })
            .run();
      });
    },

    countKept: (classId: string): number =>
      db.select({ count: count() }).from(keptGradebooks).where(eq(keptGradebooks.classId, classId)).get()?.count ?? 0,

    findKept(classId: string, keptId: string) {
      const { id, note, at, frame } = keptGradebooks;
      const head = db
        .select({ id, note, at, frame, by: users.displayName })
        .from(keptGradebooks)
        .innerJoin(users, eq(users.id, keptGradebooks.by))
        .where(and(eq(id, keptId), eq(keptGradebooks.classId, classId)))
        .get();
      if (!head) return undefined;
      const students = db
        .select({
          ...{ studentId: users.id, displayName: users.displayName },
          ...{ hasLeft: keptGradebookLines.hasLeft, cells: keptGradebookLines.cells },
        })
        .from(keptGradebookLines)
        .innerJoin(users, eq(users.id, keptGradebookLines.studentId))
        .where(eq(keptGradebookLines.keptId, keptId))
        .orderBy(asc(users.displayName))
        .all()
        .map(({ hasLeft, ...student }): GradebookStudent => ({ ...student, ...(hasLeft ? { hasLeft } : {}) }));
      const { frame: counted, ...told } = head;
      return { ...told, ...counted, students };
    },

    removeKept: (classId: string, keptId: string): boolean =>
      db
        .delete(keptGradebooks)
        .where(and(eq(keptGradebooks.id, keptId), eq(keptGradebooks.classId, classId)))
        .run().changes > 0,
  };
}

import type { Deps } from '../../deps.ts';

export type ClassRelations = ReturnType<typeof createClassRelations>;

export interface RelatedClasses {
  readonly taught: ReadonlySet<string>;
  /** Those somebody stands in for now. */
  readonly substituted: ReadonlySet<string>;
}

/** Which classes somebody teaches, and which they stand in for now. */
export function createClassRelations({ db, clock }: Pick<Deps, 'db' | 'clock'>) {
  // One statement for both: it is asked at every door.
  const both = db.$client.prepare(
    `select class_id as id, 0 as stands_in from class_teachers where teacher_id = @teacherId
     union all
     select class_id, 1 from substitutions where teacher_id = @teacherId and since <= @now and until > @now`,
  );
  const read = (teacherId: string) =>
    both.all({ teacherId, now: clock() }) as { readonly id: string; readonly stands_in: 0 | 1 }[];

  const of = (teacherId: string): RelatedClasses => {
    const rows = read(teacherId);
    const ids = (standsIn: 0 | 1) => new Set(rows.flatMap(({ id, stands_in }) => (stands_in === standsIn ? [id] : [])));
    return { taught: ids(0), substituted: ids(1) };
  };

  return {
    of,
    /** Classes somebody teaches. */
    taughtBy: (teacherId: string): ReadonlySet<string> => of(teacherId).taught,
    /** Both: whose students somebody sees. */
    followedBy: (teacherId: string): ReadonlySet<string> => new Set(read(teacherId).map(({ id }) => id)),
  };
}

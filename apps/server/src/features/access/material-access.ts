import { type Lesson, materialsOf, windowPhase } from '@semita/core';
import { and, inArray, isNotNull } from 'drizzle-orm';
import { decks } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { AssignmentRepository } from '../assignments/assignment-repository.ts';
import type { AttemptRepository } from '../attempts/attempt-repository.ts';
import type { MaterialRow } from '../materials/material-repository.ts';

export type MaterialAccess = ReturnType<typeof createMaterialAccess>;

interface Options extends Pick<Deps, 'db' | 'clock'> {
  readonly assignments: Pick<AssignmentRepository, 'listReceived' | 'getLesson'>;
  readonly attempts: Pick<AttemptRepository, 'findByStudent'>;
}

/** Who may open which material, and how much of it. */
export function createMaterialAccess({ db, clock, assignments, attempts }: Options) {
  const shownBy = new WeakMap<Lesson, ReadonlySet<string>>();

  /** What a lesson shows, the films inside slides that were made here too. */
  const materialsShownBy = (lesson: Lesson): ReadonlySet<string> => {
    const known = shownBy.get(lesson);
    if (known) return known;
    const own = materialsOf(lesson);
    const made = db
      .select({ made: decks.made })
      .from(decks)
      .where(and(inArray(decks.materialId, [...own]), isNotNull(decks.made)))
      .all();
    const films = made.flatMap(({ made: deck }) => deck?.slides.flatMap(({ film }) => film?.materialId ?? []) ?? []);
    const shown = new Set([...own, ...films]);
    shownBy.set(lesson, shown);
    return shown;
  };

  const isOpenTo = (studentId: string, materialId: string): boolean =>
    assignments.listReceived(studentId).some(({ assignment }) => {
      const phase = windowPhase(assignment, clock());
      if (phase === 'notYetOpen') return false;
      if (!materialsShownBy(assignments.getLesson(assignment.id).lesson).has(materialId)) return false;
      // What was begun can be looked at when it has closed.
      return phase !== 'closed' || attempts.findByStudent(assignment.id, studentId) !== undefined;
    });

  return {
    /** Whether somebody may see what a material shows: teachers of its school, and students to whom it was given. */
    canOpen(actor: Actor, { id, schoolId }: Pick<MaterialRow, 'id' | 'schoolId'>): boolean {
      if (schoolId !== actor.schoolId) return false;
      return actor.role === 'teacher' || isOpenTo(actor.id, id);
    },

    /** Whether somebody may have the file that was brought in, with all that its maker left in it. */
    canHaveOriginal: (actor: Actor, { ownerId }: Pick<MaterialRow, 'ownerId'>): boolean => ownerId === actor.id,
  };
}

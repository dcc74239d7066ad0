import { windowPhase } from '@semita/core/assignment';
import type { Deps } from '../../deps.ts';
import type { MaterialUses } from '../../projections/material-uses.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { ReceivedAssignments } from '../assignments/received-assignments.ts';
import type { AttemptRepository } from '../attempts/attempt-repository.ts';
import type { MaterialRow } from '../materials/material-repository.ts';

export type MaterialAccess = ReturnType<typeof createMaterialAccess>;

interface Options extends Pick<Deps, 'clock'> {
  readonly uses: Pick<MaterialUses, 'listEditions'>;
  readonly received: Pick<ReceivedAssignments, 'list'>;
  readonly attempts: Pick<AttemptRepository, 'findLatest'>;
}

/** Who may open which material, and how much of it. */
export function createMaterialAccess({ uses, clock, received, attempts }: Options) {
  const isOpenTo = (studentId: string, materialId: string): boolean => {
    const showing = uses.listEditions(materialId);
    return received.list(studentId).some(({ assignment, terms }) => {
      const begun = attempts.findLatest(assignment.id, studentId);
      if (!showing.has(assignment.editionId) && !(begun && showing.has(begun.editionId))) return false;
      const phase = windowPhase(terms.window, clock());
      // What was begun can be looked at when it has closed, also by who has left.
      return begun !== undefined || phase === 'open' || phase === 'pastDue';
    });
  };

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

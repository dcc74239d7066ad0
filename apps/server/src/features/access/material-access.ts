import { windowPhase } from '@semita/core/assignment';
import type { Deps } from '../../deps.ts';
import type { MaterialUses } from '../../projections/material-uses.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { AssignmentRepository } from '../assignments/assignment-repository.ts';
import type { AttemptRepository } from '../attempts/attempt-repository.ts';
import type { MaterialRow } from '../materials/material-repository.ts';

export type MaterialAccess = ReturnType<typeof createMaterialAccess>;

interface Options extends Pick<Deps, 'clock'> {
  readonly uses: Pick<MaterialUses, 'listEditions'>;
  readonly assignments: Pick<AssignmentRepository, 'listReceived'>;
  readonly attempts: Pick<AttemptRepository, 'findByStudent'>;
}

/** Who may open which material, and how much of it. */
export function createMaterialAccess({ uses, clock, assignments, attempts }: Options) {
  const isOpenTo = (studentId: string, materialId: string): boolean => {
    const showing = uses.listEditions(materialId);
    return assignments.listReceived(studentId).some(({ assignment }) => {
      if (!showing.has(assignment.editionId)) return false;
      const phase = windowPhase(assignment, clock());
      if (phase === 'notYetOpen') return false;
      // What was begun can be looked at when it has closed.
      return phase !== 'closed' || attempts.findByStudent(assignment.id, studentId) !== undefined;
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

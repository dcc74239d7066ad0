import type { Handlers } from '../../http/serve-route.ts';
import type { MasteryService } from './mastery-service.ts';
import type { TargetRepository } from './target-repository.ts';

type Names = 'listTargets' | 'bringInTargets' | 'removeTarget' | 'readMastery' | 'readStudentMastery';

interface Rooms {
  readonly targets: TargetRepository;
  readonly mastery: MasteryService;
}

export const targetHandlers = ({ targets, mastery }: Rooms): Pick<Handlers, Names> => ({
  listTargets: ({ actor }) => targets.list(actor),
  bringInTargets: ({ actor, body }) => targets.bringIn(actor, body.targets),
  removeTarget: ({ params }) => {
    targets.remove(params.targetId);
  },
  readMastery: ({ actor, params }) => mastery.read(actor, params.classId),
  readStudentMastery: ({ actor, params }) => mastery.readStudent(actor, params.classId, params.studentId),
});

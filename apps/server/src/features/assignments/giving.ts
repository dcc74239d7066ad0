import type { AddresseeKind } from '@semita/core/assignment';
import type { Terms } from '@semita/core/attempt';
import { inTransaction } from '../../db/open.ts';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { ClassRelations } from '../access/class-relations.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { ClassRepository } from '../classes/class-repository.ts';
import type { LessonRepository } from '../lessons/lesson-repository.ts';
import type { AssignmentRepository, SeriesPlace } from './assignment-repository.ts';
import { type LocalWindow, toWindow } from './local-window.ts';
import type { GivenTo, RecipientRepository } from './recipient-repository.ts';

export type Giving = ReturnType<typeof createGiving>;

/** To whom a teacher gives something. */
export interface NamedTo {
  readonly kind: AddresseeKind;
  readonly id: string;
  /** Of a student: the class they are in. */
  readonly classId?: string | undefined;
  readonly window?: LocalWindow | undefined;
}

/** To whom, how, and with which words. */
export interface GivenHow {
  readonly to: readonly NamedTo[];
  readonly terms: Terms;
  readonly note?: string | undefined;
  /** It may be given to somebody who has it already. */
  readonly isAgain?: boolean | undefined;
}

/** A lesson as a step of a series. */
export interface GivenStep extends LocalWindow {
  readonly lessonId: string;
  readonly afterPercent: number | null;
  readonly isExtra: boolean;
}

interface Options extends Pick<Deps, 'db' | 'clock' | 'newId' | 'bus'> {
  readonly repository: AssignmentRepository;
  readonly recipients: RecipientRepository;
  readonly classes: ClassRepository;
  readonly lessons: LessonRepository;
  readonly relations: ClassRelations;
}

/** Gives lessons to classes, groups and students: one by itself, or several as a series. */
export function createGiving({ db, clock, newId, bus, repository, recipients, classes, lessons, relations }: Options) {
  /** @throws Refused notFound for what the actor does not teach */
  const addresseeOf = (actor: Actor, { kind, id, classId: classOfStudent }: NamedTo): GivenTo => {
    const group = kind === 'group' ? found(classes.findGroup(id)) : null;
    const classId = group?.classId ?? (kind === 'student' ? (classOfStudent ?? '') : id);
    if (!relations.taughtBy(actor.id).has(classId)) throw new Refused('notFound');
    if (kind === 'student' && !classes.isIn(classId, id)) throw new Refused('notFound');
    return { kind, classId, groupId: group?.id ?? null, studentId: kind === 'student' ? id : null };
  };

  /** @throws Refused lessonIncomplete when there is no edition yet */
  const editionOf = (actor: Actor, lessonId: string) => {
    const lesson = found(lessons.findOwned(actor, lessonId));
    const edition = lessons.findLatestEdition(lesson.id);
    if (!edition) throw new Refused('lessonIncomplete', { faults: [] });
    return edition;
  };

  /** @throws Refused alreadyGiven, with which of `to`, where some of them have one of the lessons */
  const assertNotGiven = (lessonIds: readonly string[], to: readonly GivenTo[]): void => {
    const twice = new Set(lessonIds.flatMap((lessonId) => repository.listGivenTo(lessonId, to)));
    if (twice.size > 0)
      throw new Refused('alreadyGiven', {
        to: [...twice].map(({ kind, classId, groupId, studentId }) => ({ kind, id: groupId ?? studentId ?? classId })),
      });
  };

  const prepare = (actor: Actor, lessonIds: readonly string[], { to, isAgain }: GivenHow) => {
    const named = to.map((one) => ({ ...addresseeOf(actor, one), own: one.window }));
    const firstClass = found(classes.find(named[0]?.classId ?? ''));
    const editionIds = lessonIds.map((lessonId) => editionOf(actor, lessonId).id);
    if (!isAgain) assertNotGiven(lessonIds, named);
    return { named, firstClass, editionIds };
  };

  type Prepared = ReturnType<typeof prepare>;
  const write = (
    actor: Actor,
    { named, firstClass }: Pick<Prepared, 'named' | 'firstClass'>,
    given: { readonly editionId: string; readonly terms: Terms; readonly note?: string | undefined },
    ofAll: LocalWindow,
    place: SeriesPlace | null,
  ): string => {
    const id = newId();
    const at = clock();
    const { timeZone, locale } = firstClass;
    // Fixed with the terms, so that a change of the class marks no answer anew.
    const terms = { ...given.terms, locale };
    const { schoolId } = actor;
    repository.insert({
      ...{ id, schoolId, editionId: given.editionId, createdBy: actor.id, timeZone, terms },
      ...{ createdAt: at, takenBackAt: null, releasedAt: null, note: given.note ?? '' },
      ...(place ?? { seriesId: null, seriesPlace: null, afterPercent: null }),
    });
    for (const { own, ...one } of named) {
      const addresseeId = repository.addAddressee(id, one, at);
      // Its first window holds from the beginning of time: nothing can have come in before.
      repository.setWindow(addresseeId, toWindow(own ?? ofAll, timeZone), 0);
      recipients.reach(addresseeId, at);
    }
    return id;
  };

  return {
    /**
     * Gives the latest edition of a lesson.
     * @throws Refused windowOutOfOrder, lessonIncomplete when there is no edition yet; alreadyGiven, with which of `to`,
     *   where some of them have the lesson and it is not said that they get it again
     */
    assign(actor: Actor, input: LocalWindow & GivenHow & { readonly lessonId: string }): { id: string } {
      const prepared = prepare(actor, [input.lessonId], input);
      const editionId = prepared.editionIds[0] ?? '';
      const id = inTransaction(db, () => write(actor, prepared, { ...input, editionId }, input, null));
      // In front of students whose list is open at this moment.
      bus.publish('assignmentChanged', { assignmentId: id });
      return { id };
    },

    /**
     * Gives several lessons as a series, all of them or none; who has own dates has them for none of the steps.
     * @throws Refused as `assign` does, for any of them
     */
    giveSeries(
      actor: Actor,
      input: GivenHow & { readonly title: string; readonly steps: readonly GivenStep[] },
    ): { id: string } {
      const prepared = prepare(
        actor,
        input.steps.map(({ lessonId }) => lessonId),
        { ...input, to: input.to.map(({ window: _, ...one }) => one) },
      );
      const id = newId();
      const assignmentIds = inTransaction(db, () => {
        const { schoolId, id: createdBy } = actor;
        repository.insertSeries({ id, schoolId, createdBy, title: input.title, createdAt: clock() });
        return input.steps.map((step, seriesPlace) => {
          const editionId = prepared.editionIds[seriesPlace] ?? '';
          const terms = { ...input.terms, ...(step.isExtra ? { isExtra: true } : {}) };
          const place = { seriesId: id, seriesPlace, afterPercent: step.afterPercent };
          return write(actor, prepared, { editionId, terms, note: input.note }, step, place);
        });
      });
      for (const assignmentId of assignmentIds) bus.publish('assignmentChanged', { assignmentId });
      return { id };
    },
  };
}

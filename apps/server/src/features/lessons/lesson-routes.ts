import { Refused } from '../../http/refused.ts';
import type { Handlers } from '../../http/serve-route.ts';
import type { LessonService } from './lesson-service.ts';

type Names =
  | 'listLessons'
  | 'createLesson'
  | 'copyLesson'
  | 'removeLesson'
  | 'bringBackLesson'
  | 'listRemovedLessons'
  | 'splitIntoLessons'
  | 'putIntoDrafts'
  | 'readDraft'
  | 'changeDraft'
  | 'readEdition'
  | 'makeEdition';

export function lessonHandlers(lessons: LessonService): Pick<Handlers, Names> {
  return {
    listLessons: ({ actor }) => lessons.list(actor),
    listRemovedLessons: ({ actor }) => lessons.listRemoved(actor),
    copyLesson: ({ actor, params }) => lessons.copy(actor, params.lessonId),
    removeLesson: ({ params }) => {
      lessons.remove(params.lessonId);
      return undefined;
    },
    bringBackLesson: ({ params }) => {
      lessons.bringBack(params.lessonId);
      return undefined;
    },
    createLesson: ({ actor, body }) => lessons.create(actor, body.materialId),
    splitIntoLessons: ({ actor, params, body }) => lessons.splitIntoLessons(actor, params.materialId, body.startIds),
    putIntoDrafts: ({ actor, params }) => lessons.putIntoDrafts(actor, params.materialId),
    readDraft: ({ actor, params }) => lessons.readDraft(actor, params.lessonId),
    changeDraft: ({ actor, params, body }) => lessons.changeDraft(actor, params.lessonId, body),
    readEdition: ({ actor, params }) => {
      const number = params.number === 'newest' ? null : Number(params.number);
      if (number !== null && !Number.isInteger(number)) throw new Refused('notFound');
      return lessons.readEdition(actor, params.lessonId, number);
    },
    makeEdition: ({ actor, params, body }) => lessons.makeEdition(actor, params.lessonId, body.draftVersion, body),
  };
}

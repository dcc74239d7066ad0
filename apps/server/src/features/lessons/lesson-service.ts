import { checkLesson, type Fault, faultsOfDraft } from '@semita/core/checks';
import { type Draft, type LessonSummary, lessonSchema, type Material } from '@semita/core/contract';
import type { LessonPicture } from '@semita/core/elements';
import {
  applyChanges,
  hasMaterial,
  isStopEdit,
  type Lesson,
  type LessonChange,
  lessonLengths,
  type MaterialPart,
  materialsOf,
  type Stop,
  splitMaterial,
  wholePart,
} from '@semita/core/lesson';
import { leadAgain, replaceMaterial, swapMaterial } from '@semita/core/newer-version';
import { expandLessons, type FindEdition } from '@semita/core/path';
import { picturesOf } from '@semita/core/question';
import type { ScriptLine } from '@semita/core/script';
import * as v from 'valibot';
import { inTransaction } from '../../db/open.ts';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { Actor } from '../accounts/session-service.ts';
import type { DraftSummary, EditionRow, LessonRepository } from './lesson-repository.ts';

export type LessonService = ReturnType<typeof createLessonService>;

interface Options extends Pick<Deps, 'db' | 'clock' | 'newId' | 'log'> {
  readonly repository: LessonRepository;
  readonly materials: {
    readonly listByIds: (ids: readonly string[]) => Material[];
    readonly findOwned: (actor: Actor, materialId: string) => Material | undefined;
    readonly areOwned: (actor: Actor, ids: readonly string[]) => boolean;
  };
  /** Blocks or slides of a stretch of a material that hold a picture without words. */
  readonly listPicturesWithoutAlt: (part: Pick<MaterialPart, 'kind' | 'materialId' | 'inMs' | 'outMs'>) => string[];
  /** Told of assignments whose edition is another now. */
  readonly onEditionMoved: (assignmentIds: readonly string[]) => void;
  /** The lines of a document or a deck; none of a film. */
  readonly scriptOfMaterial: (material: Material) => readonly ScriptLine[];
}

export interface Save {
  readonly baseVersion: number;
  readonly saveId?: string | undefined;
  readonly changes: readonly LessonChange[];
}

type NewerVersion = Parameters<typeof replaceMaterial>[2];

export function createLessonService({
  db,
  clock,
  newId,
  log,
  repository,
  materials,
  listPicturesWithoutAlt,
  scriptOfMaterial,
  onEditionMoved,
}: Options) {
  const picturesWithoutAltOf = (lesson: Lesson): { partId: string; blockId?: string; stopId?: string }[] =>
    lesson.parts.flatMap((part) => [
      ...(hasMaterial(part) ? listPicturesWithoutAlt(part) : []).map((blockId) => ({ partId: part.id, blockId })),
      ...part.stops
        .filter((stop) => picturesOfStop(stop).some(({ alt }) => alt.trim() === ''))
        .map((stop) => ({ partId: part.id, stopId: stop.id })),
    ]);

  /** Editions of the teacher's lessons, as other lessons show them. */
  const findEdition = (actor: Actor): FindEdition => {
    return (lessonId, number) => {
      if (!repository.findOwned(actor, lessonId)) return null;
      const row = number === null ? repository.findLatestEdition(lessonId) : repository.findEdition(lessonId, number);
      return row ? { number: row.number, lesson: row.content } : null;
    };
  };

  const usedBy = (lesson: Lesson) => materials.listByIds(materialsOf(lesson));

  const lengthFaults = (lesson: Lesson, used: readonly Material[]) =>
    checkLesson(lesson, new Map(used.flatMap(({ id, lengthMs }) => (lengthMs === null ? [] : [[id, lengthMs]]))));

  /** What is missing in a lesson that stands whole: faults of what came in from another are told of the part that shows it. */
  const faultsOf = (actor: Actor, lessonId: string, draft: Lesson, whole: Lesson): readonly Fault[] => {
    const loops = draft.parts.filter((part) => {
      if (part.kind !== 'lesson') return false;
      const inner = findEdition(actor)(part.lessonId, part.editionNumber)?.lesson.parts ?? [];
      return part.lessonId === lessonId || inner.some(({ from }) => from?.lessonId === lessonId);
    });
    if (loops.length > 0) return loops.map(({ id }) => ({ code: 'lessonLoop', partId: id }));
    return faultsOfDraft(whole, lengthFaults(whole, usedBy(whole)));
  };

  /** Lessons that show the newest edition of another get a new edition themselves, and so do those that show them. */
  const renewFollowers = (actor: Actor, lessonId: string, done: ReadonlySet<string>): void => {
    for (const id of repository.listByEdition(lessonId)) {
      const latest = repository.findOwned(actor, id) && repository.findLatestEdition(id);
      const follows = latest?.source?.parts.some(
        (part) => part.kind === 'lesson' && part.lessonId === lessonId && part.editionNumber === null,
      );
      if (!latest?.source || !follows || done.has(id)) continue;
      const content = expandLessons(latest.source, findEdition(actor));
      // What no longer fits keeps the edition it has.
      if (faultsOf(actor, id, latest.source, content).length > 0) continue;
      const { draftVersion, source } = latest;
      const editionId = newId();
      const made = { id: editionId, lessonId: id, number: latest.number + 1, draftVersion, content, source };
      insertEdition(actor, { ...made, createdAt: clock(), createdBy: actor.id });
      onEditionMoved(repository.moveUnbegunAssignments(latest.id, editionId));
      renewFollowers(actor, id, new Set([...done, id]));
    }
  };

  const summaryOf = (actor: Actor, draft: Lesson): DraftSummary => {
    const { title, parts } = expandLessons(draft, findEdition(actor));
    return { title, stopCount: parts.reduce((sum, part) => sum + part.stops.length, 0), ...lessonLengths(parts) };
  };

  /** What the shelf says of a draft, read from it: where no program has yet written that down. */
  const summarise = (actor: Actor, lessonId: string): DraftSummary => {
    const summary = summaryOf(actor, found(repository.findOwned(actor, lessonId)).draft);
    repository.keepSummary(lessonId, summary);
    return summary;
  };

  /** A draft that cannot be read keeps nobody from the others on the shelf. */
  const summaryOrNothing = (actor: Actor, lessonId: string): DraftSummary => {
    try {
      return summarise(actor, lessonId);
    } catch (error) {
      log.error({ err: error, lessonId }, 'draft cannot be read');
      return { title: '', stopCount: 0, filmMs: 0, readingMs: 0, answeringMs: 0 };
    }
  };

  const insertEdition = (actor: Actor, edition: EditionRow): void => {
    repository.insertEdition(edition);
    // Drafts that show the newest of it are as long as it is now.
    for (const id of repository.listByDraft(edition.lessonId))
      if (repository.findOwned(actor, id)) summarise(actor, id);
  };

  const insertDraft = (actor: Actor, draft: Lesson): string => {
    const now = clock();
    const row = { id: newId(), schoolId: actor.schoolId, ownerId: actor.id, draft, version: 1 };
    inTransaction(db, () =>
      repository.insert({ ...row, createdAt: now, updatedAt: now, removedAt: null }, summaryOf(actor, draft)),
    );
    return row.id;
  };

  /** Puts another version of a material into every draft of the teacher's that shows it. */
  const moveDrafts = (actor: Actor, olderId: string, before: readonly ScriptLine[], after: NewerVersion) =>
    inTransaction(db, () =>
      repository.listShowing(actor, olderId).map((row) => {
        let astrayCount = 0;
        const parts = row.draft.parts.map((part) => {
          if (!hasMaterial(part) || part.materialId !== olderId) return part;
          const again = replaceMaterial(part, before, after);
          astrayCount += again.astray.length;
          return again.part;
        });
        let led: Lesson = { ...row.draft, parts };
        for (const part of parts)
          if (hasMaterial(part) && part.kind !== 'clip' && part.materialId === after.id)
            led = leadAgain(led, part.id, before, after.lines);
        const draft = swapMaterial(led, olderId, after.id);
        repository.saveDraft(row.id, draft, row.version + 1, clock(), summaryOf(actor, draft));
        return { title: row.draft.title, astrayCount };
      }),
    );

  const listSummaries = (actor: Actor, areRemoved: boolean): LessonSummary[] =>
    repository.listSummaries(actor, areRemoved).map(({ id, version, updatedAt, summary, editionNumber, editionOf }) => {
      const { title, stopCount, filmMs, readingMs, answeringMs } = summary ?? summaryOrNothing(actor, id);
      const changedSinceEdition = editionOf !== null && editionOf !== version;
      return { id, title, editionNumber, changedSinceEdition, stopCount, filmMs, readingMs, answeringMs, updatedAt };
    });

  return {
    list: (actor: Actor): LessonSummary[] => listSummaries(actor, false),

    listRemoved: (actor: Actor): LessonSummary[] => listSummaries(actor, true),

    /** What it shows and holds is the same; from then on they go their own ways. */
    copy(actor: Actor, lessonId: string): { id: string } {
      const { draft } = found(repository.findOwned(actor, lessonId));
      return { id: insertDraft(actor, { ...draft, title: copyTitle(draft.title) }) };
    },

    remove: (lessonId: string): void => repository.setRemoved(lessonId, clock()),

    bringBack: (lessonId: string): void => repository.setRemoved(lessonId, null),

    /** A new draft, with a part over the whole of a material where one is named. */
    create(actor: Actor, materialId: string | null): { id: string } {
      const material = materialId === null ? null : found(materials.findOwned(actor, materialId));
      const parts = material ? [wholePartOf(material, newId())] : [];
      return { id: insertDraft(actor, { title: material?.title ?? '', parts }) };
    },

    /**
     * Several lessons of one document or deck in one go, each over its stretch.
     * @throws Refused inputInvalid when no start is a line of it
     */
    splitIntoLessons(actor: Actor, materialId: string, startIds: readonly string[]): { lessonIds: string[] } {
      const material = found(materials.findOwned(actor, materialId));
      const stretches = splitMaterial(scriptOfMaterial(material), new Set(startIds));
      if (stretches.length === 0) throw new Refused('inputInvalid', { fields: ['startIds'] });
      return inTransaction(db, () => ({
        lessonIds: stretches.map(({ title, inMs, outMs }) => {
          const part = { ...wholePartOf(material, newId()), title, inMs, outMs };
          return insertDraft(actor, { title, parts: [part] });
        }),
      }));
    },

    /**
     * Puts a newer version of a material into every draft of the teacher's that shows the older one. Editions stay as
     * they are.
     * @throws Refused notFound when it is no newer version, or is not ready
     */
    putIntoDrafts(actor: Actor, materialId: string): { lessons: { title: string; astrayCount: number }[] } {
      const newer = found(materials.findOwned(actor, materialId));
      const older = found(materials.findOwned(actor, found(newer.replacesId)));
      if (newer.lengthMs === null || newer.kind !== older.kind) throw new Refused('notFound');
      const after = { id: newer.id, lengthMs: newer.lengthMs, lines: scriptOfMaterial(newer) };
      return { lessons: moveDrafts(actor, older.id, scriptOfMaterial(older), after) };
    },

    moveDrafts,

    /** An edition as another lesson shows it: by its number, or the newest. */
    readEdition: (actor: Actor, lessonId: string, number: number | null) => found(findEdition(actor)(lessonId, number)),

    readDraft(actor: Actor, lessonId: string): Draft {
      const row = found(repository.findOwned(actor, lessonId));
      const used = usedBy(row.draft);
      const edition = repository.findLatestEdition(lessonId);
      return {
        id: row.id,
        lesson: row.draft,
        version: row.version,
        updatedAt: row.updatedAt,
        edition: edition ? { number: edition.number, draftVersion: edition.draftVersion } : null,
        materials: used,
        faults: [...faultsOf(actor, row.id, row.draft, expandLessons(row.draft, findEdition(actor)))],
      };
    },

    /**
     * Applies changes to the draft they were made on. The same save again changes nothing, and is answered as before.
     * @throws Refused draftMoved when the draft has been changed since by somebody else, or in another tab
     */
    changeDraft(actor: Actor, lessonId: string, { baseVersion, saveId, changes }: Save) {
      return inTransaction(db, () => {
        const row = found(repository.findOwned(actor, lessonId));
        const before = saveId === undefined ? undefined : repository.findSave(lessonId, saveId);
        if (before !== undefined) return { version: before, updatedAt: row.updatedAt };
        if (row.version !== baseVersion) throw new Refused('draftMoved', { version: row.version });
        const result = applyChanges(row.draft, changes);
        if (!result.ok) throw new Refused('changeImpossible', { reason: result.reason, index: result.index });
        if (!materials.areOwned(actor, materialsOf(result.lesson)))
          throw new Refused('changeImpossible', { reason: 'materialMissing' });
        // A field that was set alone may hold anything until all of its stop is looked at.
        const isWhole = !changes.some(isStopEdit) || v.is(lessonSchema, result.lesson);
        if (!isWhole) throw new Refused('inputInvalid', { fields: ['changes'] });
        const saved = { version: row.version + 1, updatedAt: clock() };
        repository.saveDraft(lessonId, result.lesson, saved.version, saved.updatedAt, summaryOf(actor, result.lesson));
        if (saveId !== undefined) repository.keepSave(lessonId, saveId, saved.version);
        return saved;
      });
    },

    /**
     * Freezes the draft as a numbered edition. The same draft twice is the same edition.
     * @throws Refused lessonIncomplete with every fault; picturesWithoutAlt with the places of pictures without words; draftMoved when the teacher saw an older draft
     */
    makeEdition(
      actor: Actor,
      lessonId: string,
      draftVersion: number,
      { acceptsPicturesWithoutAlt = false } = {},
    ): { number: number } {
      return inTransaction(db, () => {
        const row = found(repository.findOwned(actor, lessonId));
        if (row.version !== draftVersion) throw new Refused('draftMoved', { version: row.version });
        const content = expandLessons(row.draft, findEdition(actor));
        const faults = faultsOf(actor, lessonId, row.draft, content);
        if (faults.length > 0) throw new Refused('lessonIncomplete', { faults });
        const mute = acceptsPicturesWithoutAlt ? [] : picturesWithoutAltOf(row.draft);
        if (mute.length > 0) throw new Refused('picturesWithoutAlt', { pictures: mute });
        const latest = repository.findLatestEdition(lessonId);
        if (latest?.draftVersion === draftVersion) return { number: latest.number };
        const number = (latest?.number ?? 0) + 1;
        const source = content === row.draft ? null : row.draft;
        const made = { id: newId(), lessonId, number, draftVersion, content, source };
        insertEdition(actor, { ...made, createdAt: clock(), createdBy: actor.id });
        renewFollowers(actor, lessonId, new Set([lessonId]));
        return { number };
      });
    },
  };
}

function picturesOfStop(stop: Stop): readonly LessonPicture[] {
  switch (stop.kind) {
    case 'checkpoint':
      return stop.questions.flatMap(picturesOf);
    case 'fork':
      return stop.choices.flatMap(({ picture }) => picture ?? []);
    case 'board':
      return stop.tiles.flatMap(({ picture }) => picture ?? []);
    default:
      return [];
  }
}

/** @throws Refused notFound for a material that is not ready */
function wholePartOf({ id, title, kind, lengthMs }: Material, partId: string): Lesson['parts'][0] {
  if (kind === null || kind === 'picture' || lengthMs === null) throw new Refused('notFound');
  return wholePart({ id, title, kind, lengthMs }, partId);
}

const longestTitle = 500;

/** “Bridges (copy)”, then “Bridges (copy 2)”. */
export function copyTitle(title: string): string {
  const found = /^(.*) \(copy(?: (\d{1,3}))?\)$/.exec(title);
  const [, start = title, number] = found ?? [];
  const end = found ? ` (copy ${Number(number ?? 1) + 1})` : ' (copy)';
  return start.slice(0, longestTitle - end.length) + end;
}

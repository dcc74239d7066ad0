import { createHash } from 'node:crypto';
import { allShown } from '@semita/core/assignment';
import { type AttemptEvent, beginAttempt, defaultTerms, type Terms } from '@semita/core/attempt';
import type { IntakeAnswer, OpenedPractice, PracticeLink, SentEvent } from '@semita/core/contract';
import { learnerView } from '@semita/core/learner';
import { createContext, ownContext } from '@semita/core/own-lesson';
import { takeIn } from '@semita/core/reducer';
import type { WalkContext } from '@semita/core/walk';
import { eq } from 'drizzle-orm';
import { lessons as lessonRows, practiceLinks } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { Actor } from '../accounts/session-service.ts';
import { newToken } from '../accounts/token.ts';
import type { LessonRepository } from '../lessons/lesson-repository.ts';

export type PracticeService = ReturnType<typeof createPracticeService>;

interface Options extends Pick<Deps, 'db' | 'clock'> {
  readonly lessons: Pick<LessonRepository, 'findLatestEdition'>;
  /** Editions that show a material. */
  readonly listEditions: (materialId: string) => ReadonlySet<string>;
  readonly schoolNameOf: (schoolId: string) => string;
  readonly nameOf: (userId: string) => string;
}

/** Nothing is at stake: whoever practises may try another way. */
const practiceTerms: Terms = { ...defaultTerms, turningBack: true };
const maxContexts = 50;

/**
 * Walks of which nothing is kept. A browser sends all that was done so far; what comes of it is computed, told and
 * forgotten, so that correct answers stay here until they are shown, and not a word of whoever practises does.
 */
export function createPracticeService({ db, clock, lessons, listEditions, schoolNameOf, nameOf }: Options) {
  const contexts = new Map<string, WalkContext & Pick<ReturnType<typeof createContext>, 'lesson'>>();
  const byToken = (token: string) =>
    db
      .select({
        link: practiceLinks,
        ownerId: lessonRows.ownerId,
        schoolId: lessonRows.schoolId,
        removedAt: lessonRows.removedAt,
      })
      .from(practiceLinks)
      .innerJoin(lessonRows, eq(lessonRows.id, practiceLinks.lessonId))
      .where(eq(practiceLinks.token, token))
      .get();
  const findOpen = (token: string) => {
    const row = byToken(token);
    return row?.link.isOpen && row.removedAt === null ? row : undefined;
  };

  /** @throws Refused notFound where the link is closed or there is no edition */
  const getOpen = (token: string) => {
    const row = found(findOpen(token));
    return { ...row, edition: found(lessons.findLatestEdition(row.link.lessonId)) };
  };

  const contextOf = (edition: ReturnType<typeof getOpen>['edition']) => {
    const known = contexts.get(edition.id);
    if (known) return known;
    if (contexts.size >= maxContexts) contexts.clear();
    const context = createContext(edition.content, practiceTerms);
    contexts.set(edition.id, context);
    return context;
  };

  /** What is drawn and shuffled goes by it; nobody who holds the link can work it out. */
  const secretFor = (secret: string, walkId: string) =>
    createHash('sha256').update(`${secret} ${walkId}`).digest('hex');

  const shown = (lessonId: string): PracticeLink => {
    const link = db.select().from(practiceLinks).where(eq(practiceLinks.lessonId, lessonId)).get();
    return {
      ...{ token: link?.token ?? null, isOpen: link?.isOpen ?? false },
      frames: link?.frames.split('\n').filter((one) => one !== '') ?? [],
    };
  };

  return {
    isOpen: (token: string): boolean => findOpen(token) !== undefined,

    /** Sites on whose pages it may stand in a frame; none where it is closed. */
    framesOf: (token: string): readonly string[] => {
      const row = findOpen(token);
      return row ? shown(row.link.lessonId).frames : [];
    },

    readLink: shown,

    /** @throws Refused lessonIncomplete when there is no edition yet */
    setLink(
      lessonId: string,
      { isOpen, isNew, frames }: { isOpen: boolean; isNew: boolean; frames: readonly string[] },
    ): PracticeLink {
      if (isOpen && !lessons.findLatestEdition(lessonId)) throw new Refused('lessonIncomplete', { faults: [] });
      const changed = { isOpen, frames: [...new Set(frames)].join('\n') };
      const fresh = { token: newToken(), secret: newToken() };
      db.insert(practiceLinks)
        .values({ lessonId, ...fresh, ...changed })
        .onConflictDoUpdate({ target: practiceLinks.lessonId, set: { ...changed, ...(isNew ? fresh : {}) } })
        .run();
      return shown(lessonId);
    },

    open(token: string): OpenedPractice {
      const { link, ownerId, schoolId, edition } = getOpen(token);
      const { lesson } = contextOf(edition);
      const walkId = newToken();
      const begunAt = clock();
      const state = beginAttempt({ begunAt, secret: secretFor(link.secret, walkId) });
      return {
        ...{ schoolName: schoolNameOf(schoolId), teacherName: nameOf(ownerId), walkId, begunAt, now: begunAt },
        terms: practiceTerms as OpenedPractice['terms'],
        view: learnerView(lesson, state, practiceTerms, allShown),
      };
    },

    /** @throws Refused notFound */
    walk(
      token: string,
      { walkId, begunAt, events }: { walkId: string; begunAt: number; events: readonly SentEvent[] },
    ): IntakeAnswer {
      const { link, edition } = getOpen(token);
      const shared = contextOf(edition);
      const now = clock();
      let state = beginAttempt({ begunAt: Math.min(begunAt, now), secret: secretFor(link.secret, walkId) });
      const context = ownContext(shared, state);
      const outcomes = events.map((event): IntakeAnswer['outcomes'][0] => {
        // Each time the same comes of it, whenever it is computed.
        const received: AttemptEvent = { ...event, receivedAt: Math.min(event.at, now) };
        const taken = takeIn(context, state, received);
        state = taken.state;
        return { id: event.id, ...taken.outcome };
      });
      const view = learnerView(shared.lesson, state, practiceTerms, allShown);
      return { outcomes, version: state.version, now, view };
    },

    /**
     * In whose name a material is read; as nobody but of its school.
     * @throws Refused notFound for what the lesson does not show
     */
    readerOf(token: string, materialId: string): Actor {
      const { edition, schoolId } = getOpen(token);
      if (!listEditions(materialId).has(edition.id)) throw new Refused('notFound');
      return { id: '', roles: ['student'], schoolId, displayName: '' };
    },
  };
}

import { and, asc, eq, inArray, sql } from 'drizzle-orm';
import { jobs } from '../db/schema.ts';
import type { Deps } from '../deps.ts';

type JobRow = typeof jobs.$inferSelect;
export type JobKind = JobRow['kind'];

/** Does one job. May be called again for the same subject after a stop of the server, so it must bear repetition. */
export type JobWorker = (subjectId: string) => Promise<void>;

interface Kind {
  readonly work: JobWorker;
  /** Jobs of the kind at work at the same time. */
  readonly places: number;
}

/** A job that was begun this often without an end brings the server down; it is not tried again. */
const maxTries = 3;
/** A store that cannot be written to now is tried again after this long, in ms. */
const retryAfterMs = 30_000;

/**
 * Work behind the pages, as rows: what is asked for is not forgotten by a stop of the server. Nothing that goes wrong
 * leaves the queue: a job that throws is failed, and where even that cannot be written, it is tried again later.
 * @param onFailed told of a job that threw, or was tried too often
 */
export function createJobQueue(
  { db, clock, newId, log }: Pick<Deps, 'db' | 'clock' | 'newId' | 'log'>,
  kinds: Readonly<Record<JobKind, Kind>>,
  onFailed: (kind: JobKind, subjectId: string, error: unknown) => void,
) {
  const running: Record<JobKind, Set<Promise<void>>> = { import: new Set(), fetch: new Set() };
  let timer: NodeJS.Timeout | undefined;
  let isStopped = false;

  const finish = (id: string, status: 'done' | 'failed') =>
    db.update(jobs).set({ status, finishedAt: clock() }).where(eq(jobs.id, id)).run();

  const fail = ({ id, kind, subjectId }: JobRow, error: unknown) => {
    // That the server stops is no fault of the job.
    if (isStopped) return;
    log.error({ err: error, jobId: id }, 'job failed');
    try {
      onFailed(kind, subjectId, error);
      finish(id, 'failed');
    } catch (second) {
      // A full disk, most likely. The row still says that it runs, so that it is taken up at the next start.
      log.error({ err: second, jobId: id }, 'job could not be failed');
    }
  };

  const work = async (job: JobRow): Promise<void> => {
    try {
      await kinds[job.kind].work(job.subjectId);
      if (!isStopped) finish(job.id, 'done');
    } catch (error) {
      fail(job, error);
    }
  };

  const takeNext = (kind: JobKind): JobRow | undefined => {
    const job = db
      .select()
      .from(jobs)
      .where(and(eq(jobs.status, 'waiting'), eq(jobs.kind, kind)))
      .orderBy(asc(jobs.createdAt))
      .limit(1)
      .get();
    if (!job) return undefined;
    db.update(jobs)
      .set({ status: 'running', tries: job.tries + 1 })
      .where(and(eq(jobs.id, job.id), eq(jobs.status, 'waiting')))
      .run();
    return job;
  };

  const fillKind = (kind: JobKind): void => {
    const own = running[kind];
    while (own.size < kinds[kind].places) {
      const job = takeNext(kind);
      if (!job) return;
      const run = work(job).finally(() => {
        own.delete(run);
        fill();
      });
      own.add(run);
    }
  };

  const fill = (): void => {
    if (isStopped) return;
    try {
      for (const kind of Object.keys(kinds) as JobKind[]) fillKind(kind);
    } catch (error) {
      log.error({ err: error }, 'jobs could not be taken');
      clearTimeout(timer);
      timer = setTimeout(fill, retryAfterMs);
      timer.unref();
    }
  };

  return {
    enqueue(kind: JobKind, subjectId: string): void {
      const row = { id: newId(), kind, subjectId, status: 'waiting' as const, tries: 0, createdAt: clock() };
      db.insert(jobs).values(row).run();
      fill();
    },

    /** Takes up what a stop of the server cut short. */
    resume(): void {
      try {
        const cut = db.select().from(jobs).where(eq(jobs.status, 'running')).all();
        for (const job of cut) if (job.tries >= maxTries) fail(job, new Error('tried too often'));
        const again = cut.filter((job) => job.tries < maxTries).map((job) => job.id);
        db.update(jobs).set({ status: 'waiting' }).where(inArray(jobs.id, again)).run();
      } catch (error) {
        log.error({ err: error }, 'jobs could not be taken up');
      }
      fill();
    },

    /** Leaves what is at work for the next start, where it is begun again as if it had not been tried. */
    stop(): void {
      isStopped = true;
      clearTimeout(timer);
      try {
        db.update(jobs)
          .set({ status: 'waiting', tries: sql`${jobs.tries} - 1` })
          .where(eq(jobs.status, 'running'))
          .run();
      } catch (error) {
        log.error({ err: error }, 'jobs could not be put back');
      }
    },

    /** For tests: waits until nothing is at work. */
    async settle(): Promise<void> {
      const all = () => [...running.import, ...running.fetch];
      while (all().length > 0) await Promise.all(all());
    },
  };
}

export type JobQueue = ReturnType<typeof createJobQueue>;

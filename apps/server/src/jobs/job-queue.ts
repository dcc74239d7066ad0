import { and, asc, eq, inArray } from 'drizzle-orm';
import { jobs } from '../db/schema.ts';
import type { Deps } from '../deps.ts';

export type JobKind = (typeof jobs.$inferSelect)['kind'];

/** Does one job. May be called again for the same subject after a stop of the server, so it must bear repetition. */
export type JobWorker = (subjectId: string) => Promise<void>;

/** Jobs at work at the same time: bringing in uses a processor each. */
const mostRunning = 2;
/** A job that was begun this often without an end brings the server down; it is not tried again. */
const mostTries = 3;

/**
 * Work behind the pages, as rows: what is asked for is not forgotten by a stop of the server.
 * @param onFailed told of a job that threw, or was tried too often
 */
export function createJobQueue(
  { db, clock, newId, log }: Pick<Deps, 'db' | 'clock' | 'newId' | 'log'>,
  workers: Readonly<Record<JobKind, JobWorker>>,
  onFailed: (kind: JobKind, subjectId: string) => void,
) {
  const running = new Set<Promise<void>>();

  const finish = (id: string, status: 'done' | 'failed') =>
    db.update(jobs).set({ status, finishedAt: clock() }).where(eq(jobs.id, id)).run();

  const work = async ({ id, kind, subjectId }: typeof jobs.$inferSelect): Promise<void> => {
    try {
      await workers[kind](subjectId);
      finish(id, 'done');
    } catch (error) {
      log.error({ err: error, jobId: id }, 'job failed');
      finish(id, 'failed');
      onFailed(kind, subjectId);
    }
  };

  const takeNext = () => {
    const job = db.select().from(jobs).where(eq(jobs.status, 'waiting')).orderBy(asc(jobs.createdAt)).limit(1).get();
    if (!job) return undefined;
    db.update(jobs)
      .set({ status: 'running', tries: job.tries + 1 })
      .where(and(eq(jobs.id, job.id), eq(jobs.status, 'waiting')))
      .run();
    return job;
  };

  const fill = (): void => {
    while (running.size < mostRunning) {
      const job = takeNext();
      if (!job) return;
      const run = work(job).finally(() => {
        running.delete(run);
        fill();
      });
      running.add(run);
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
      const cut = db.select().from(jobs).where(eq(jobs.status, 'running')).all();
      const hopeless = cut.filter((job) => job.tries >= mostTries);
      for (const { id, kind, subjectId } of hopeless) {
        finish(id, 'failed');
        onFailed(kind, subjectId);
      }
      const again = cut.filter((job) => job.tries < mostTries).map((job) => job.id);
      db.update(jobs).set({ status: 'waiting' }).where(inArray(jobs.id, again)).run();
      fill();
    },

    /** For stopping, and for tests: waits until nothing is at work. */
    async settle(): Promise<void> {
      while (running.size > 0) await Promise.all(running);
    },
  };
}

export type JobQueue = ReturnType<typeof createJobQueue>;

import { createWriteStream } from 'node:fs';
import { mkdir, rm, stat } from 'node:fs/promises';
import path from 'node:path';
import { type Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { HandedFile, Response } from '@semita/core';
import type { SentEvent } from '@semita/core/contract';
import { and, count, eq, inArray, sum } from 'drizzle-orm';
import { answerFiles, assignments, attempts, classTeachers } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import { found, Refused } from '../../http/refused.ts';
import type { Actor } from '../accounts/session-service.ts';
import { incomingFolder, type MediaStore } from '../materials/media-store.ts';
import { identifyAnswerFile } from './identify-answer-file.ts';

/** The largest file a student can hand in. */
const largestBytes = 200 * 1024 ** 2;

/** More than anybody hands in with one lesson. */
const mostFilesPerAttempt = 200;
const mostBytesPerAttempt = 1024 ** 3;

export type AnswerFileService = ReturnType<typeof createAnswerFileService>;

interface Options extends Pick<Deps, 'db' | 'clock' | 'newId' | 'dataDir'> {
  readonly store: MediaStore;
}

/** Files that students give as answers: taken in, looked into, kept, and shown to those whom they concern. */
export function createAnswerFileService({ db, clock, newId, dataDir, store }: Options) {
  const incoming = path.join(dataDir, incomingFolder);

  const receive = async (body: Readable): Promise<string> => {
    await mkdir(incoming, { recursive: true });
    const file = path.join(incoming, newId());
    try {
      await pipeline(body, limitTo(largestBytes), createWriteStream(file));
      return file;
    } catch (error) {
      await rm(file, { force: true });
      throw error;
    }
  };

  const takeInto = async (attemptId: string, fileName: string, body: Readable): Promise<HandedFile> => {
    const held = db
      .select({ files: count(), bytes: sum(answerFiles.byteLength) })
      .from(answerFiles)
      .where(eq(answerFiles.attemptId, attemptId))
      .get();
    const isFull = (held?.files ?? 0) >= mostFilesPerAttempt || Number(held?.bytes ?? 0) >= mostBytesPerAttempt;
    if (isFull) throw new Refused('changeImpossible');
    const file = await receive(body);
    try {
      const { size: byteLength } = await stat(file);
      if (byteLength === 0) throw new Refused('fileEmpty');
      const name = path.basename(fileName).slice(0, 200) || 'file';
      const mimeType = await identifyAnswerFile(file, name, byteLength);
      if (mimeType === null) throw new Refused('fileUnusable');
      const row = { id: newId(), attemptId, name, mimeType, byteLength, sha256: await store.take(file) };
      db.insert(answerFiles)
        .values({ ...row, createdAt: clock() })
        .run();
      return { fileId: row.id, name, mimeType, byteLength };
    } finally {
      await rm(file, { force: true });
    }
  };

  const areOf = (attemptId: string, files: readonly HandedFile[]): boolean => {
    if (files.length === 0) return true;
    const ids = files.map(({ fileId }) => fileId);
    const rows = db
      .select()
      .from(answerFiles)
      .where(and(eq(answerFiles.attemptId, attemptId), inArray(answerFiles.id, ids)))
      .all();
    return files.every((file) =>
      rows.some(
        ({ id, name, mimeType, byteLength }) =>
          id === file.fileId && name === file.name && mimeType === file.mimeType && byteLength === file.byteLength,
      ),
    );
  };

  return {
    /**
     * Takes a file into a student's own attempt. It belongs to no answer until one names it.
     * @throws Refused notFound for another's attempt, fileTooLarge, fileEmpty, fileUnusable
     */
    async take(actor: Actor, attemptId: string, fileName: string, body: Readable): Promise<HandedFile> {
      const own = and(eq(attempts.id, attemptId), eq(attempts.studentId, actor.id));
      found(db.select({ id: attempts.id }).from(attempts).where(own).get());
      return await takeInto(attemptId, fileName, body);
    },

    /** Takes a teacher's voice into a student's attempt, as `take` does. */
    async takeFromTeacher(actor: Actor, assignmentId: string, studentId: string, fileName: string, body: Readable) {
      const attempt = found(
        db
          .select({ id: attempts.id })
          .from(attempts)
          .innerJoin(assignments, eq(assignments.id, attempts.assignmentId))
          .innerJoin(classTeachers, eq(classTeachers.classId, assignments.classId))
          .where(
            and(
              eq(attempts.assignmentId, assignmentId),
              eq(attempts.studentId, studentId),
              eq(classTeachers.teacherId, actor.id),
            ),
          )
          .get(),
      );
      return await takeInto(attempt.id, fileName, body);
    },

    /** A file for the student who gave it and the teachers of the class; for nobody else is it there. */
    find(actor: Actor, fileId: string): { path: string; mimeType: string; attachmentName: string | undefined } {
      const row = found(
        db
          .select({ file: answerFiles, studentId: attempts.studentId, classId: assignments.classId })
          .from(answerFiles)
          .innerJoin(attempts, eq(attempts.id, answerFiles.attemptId))
          .innerJoin(assignments, eq(assignments.id, attempts.assignmentId))
          .where(eq(answerFiles.id, fileId))
          .get(),
      );
      const teaches = and(eq(classTeachers.classId, row.classId), eq(classTeachers.teacherId, actor.id));
      const mayLook =
        row.studentId === actor.id ||
        db.select({ id: classTeachers.classId }).from(classTeachers).where(teaches).get() !== undefined;
      if (!mayLook) throw new Refused('notFound');
      const { sha256, mimeType, name } = row.file;
      const isShown = /^(image|audio|video)\/|^application\/pdf$/.test(mimeType);
      return { path: store.pathOf(sha256), mimeType, attachmentName: isShown ? undefined : name };
    },

    /**
     * Whether every file that events name was given in this attempt, as it is described: nobody hands in what is
     * another's.
     */
    areOwn: (attemptId: string, events: readonly SentEvent[]): boolean =>
      areOf(
        attemptId,
        events.flatMap(responsesOf).flatMap((response) => (response.kind === 'files' ? response.files : [])),
      ),

    isOf: (attemptId: string, file: HandedFile): boolean => areOf(attemptId, [file]),
  };
}

function responsesOf(event: SentEvent): readonly Response[] {
  if (event.type === 'answered') return Object.values(event.responses);
  if (event.type === 'draftSaved' || event.type === 'revised' || event.type === 'timeUp')
    return event.response ? [event.response] : [];
  return [];
}

function limitTo(mostBytes: number): Transform {
  let bytes = 0;
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      bytes += chunk.length;
      if (bytes > mostBytes) done(new Refused('fileTooLarge'));
      else done(null, chunk);
    },
  });
}

import { createWriteStream } from 'node:fs';
import { mkdir, rm, stat } from 'node:fs/promises';
import path from 'node:path';
import { type Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { SentEvent } from '@semita/core/contract';
import type { HandedFile, Response } from '@semita/core/question';
import { and, count, eq, inArray, type SQL, sum } from 'drizzle-orm';
import { answerFiles, attempts } from '../../db/schema.ts';
import type { Deps } from '../../deps.ts';
import { assertRoomFor } from '../../http/disk-space.ts';
import { found, Refused } from '../../http/refused.ts';
import { type Reader, ReadFailed } from '../../reading/reader.ts';
import type { Actor } from '../accounts/session-service.ts';
import { incomingFolder, type MediaStore } from '../materials/media-store.ts';
import type { AttemptRepository } from './attempt-repository.ts';
import { identifyAnswerFile } from './identify-answer-file.ts';

/** The largest file a student can hand in. */
const largestBytes = 200 * 1024 ** 2;

/** More than anybody hands in with one lesson. */
const maxFilesPerAttempt = 200;
const maxBytesPerAttempt = 1024 ** 3;
/** More than anybody hands in with all lessons of a year. */
const maxBytesPerPerson = 8 * 1024 ** 3;

export type AnswerFileService = ReturnType<typeof createAnswerFileService>;

interface Options extends Pick<Deps, 'db' | 'clock' | 'newId' | 'dataDir'> {
  readonly store: MediaStore;
  /** Looks into films and sounds; teachers' apart from students'. */
  readonly readers: Readonly<Record<'teacher' | 'student', Reader>>;
  /** A student's own attempt, while they may write to it. */
  readonly findOwn: AttemptRepository['findOwn'];
  /**
   * The attempt of a student that a teacher marks: the one that counts.
   * @throws Refused notFound for a student whom the teacher does not follow
   */
  readonly findMarked: (actor: Actor, assignmentId: string, studentId: string) => { readonly attemptId: string } | null;
}

/** A file on its way in. */
export interface SentFile {
  readonly body: Readable;
  /** What the request says of its length; 0 where it does not. */
  readonly declaredBytes: number;
}

interface Place {
  readonly attemptId: string;
  readonly studentId: string;
}

/** Files that students give as answers: taken in, looked into, kept, and shown to those whom they concern. */
export function createAnswerFileService(options: Options) {
  const { db, clock, newId, dataDir, store, readers, findOwn, findMarked } = options;
  const incoming = path.join(dataDir, incomingFolder);

  /** What is on its way: counted before it is received, so that nobody gets in beside others. */
  const underWay = new Map<string, { files: number; bytes: number }>();

  const handedIn = (where: SQL | undefined) => {
    const held = db
      .select({ files: count(), bytes: sum(answerFiles.byteLength) })
      .from(answerFiles)
      .innerJoin(attempts, eq(attempts.id, answerFiles.attemptId))
      .where(where)
      .get();
    return { files: held?.files ?? 0, bytes: Number(held?.bytes ?? 0) };
  };

  /**
   * Takes room for a file before it is received.
   * @returns how many bytes it may have, and what gives the room back
   * @throws Refused filesFull
   */
  const reserve = ({ attemptId, studentId }: Place, declaredBytes: number) => {
    const [ofAttempt, ofPerson] = [`attempt ${attemptId}`, `person ${studentId}`];
    const onTheWay = (key: string) => underWay.get(key) ?? { files: 0, bytes: 0 };
    const held = handedIn(eq(answerFiles.attemptId, attemptId));
    const leftFiles = maxFilesPerAttempt - held.files - onTheWay(ofAttempt).files;
    const leftBytes = Math.min(
      maxBytesPerAttempt - held.bytes - onTheWay(ofAttempt).bytes,
      maxBytesPerPerson - handedIn(eq(attempts.studentId, studentId)).bytes - onTheWay(ofPerson).bytes,
    );
    if (leftFiles <= 0 || leftBytes <= 0 || declaredBytes > leftBytes) throw new Refused('filesFull');
    const allowed = Math.min(largestBytes, declaredBytes > 0 ? declaredBytes : leftBytes);
    const add = (key: string, sign: 1 | -1) => {
      const { files, bytes } = onTheWay(key);
      if (files + sign === 0) underWay.delete(key);
      else underWay.set(key, { files: files + sign, bytes: bytes + sign * allowed });
    };
    for (const key of [ofAttempt, ofPerson]) add(key, 1);
    let isHeld = true;
    const release = () => {
      if (!isHeld) return;
      isHeld = false;
      for (const key of [ofAttempt, ofPerson]) add(key, -1);
    };
    return { allowed, release };
  };

  const receive = async (body: Readable, allowed: number): Promise<string> => {
    await mkdir(incoming, { recursive: true });
    const file = path.join(incoming, newId());
    try {
      await pipeline(body, limitTo(allowed), createWriteStream(file, { mode: 0o600 }));
      return file;
    } catch (error) {
      await rm(file, { force: true });
      throw error;
    }
  };

  const takeInto = async (actor: Actor, place: Place, fileName: string, sent: SentFile): Promise<HandedFile> => {
    if (sent.declaredBytes > largestBytes) throw new Refused('fileTooLarge');
    const { allowed, release } = reserve(place, sent.declaredBytes);
    try {
      await assertRoomFor(dataDir, sent.declaredBytes);
      const file = await receive(sent.body, allowed);
      return await keep(actor, place, fileName, file, release);
    } finally {
      release();
    }
  };

  const keep = async (
    actor: Actor,
    { attemptId }: Place,
    fileName: string,
    file: string,
    release: () => void,
  ): Promise<HandedFile> => {
    try {
      const { size: byteLength } = await stat(file);
      if (byteLength === 0) throw new Refused('fileEmpty');
      const name = path.basename(fileName).slice(0, 200) || 'file';
      const lane = { schoolId: actor.schoolId, personId: actor.id };
      const probe = () =>
        readers[actor.roles.includes('teacher') ? 'teacher' : 'student'].read(lane, {
          kind: 'media',
          file,
          byteLength,
        });
      const mimeType = await identifyAnswerFile(file, name, probe).catch(orUnusable);
      if (mimeType === null) throw new Refused('fileUnusable');
      const row = { id: newId(), attemptId, name, mimeType, byteLength, sha256: await store.take(file) };
      db.insert(answerFiles)
        .values({ ...row, createdAt: clock() })
        .run();
      // From here on it counts among those handed in, and not twice.
      release();
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
    async take(actor: Actor, attemptId: string, fileName: string, sent: SentFile): Promise<HandedFile> {
      found(findOwn(actor.id, attemptId));
      return await takeInto(actor, { attemptId, studentId: actor.id }, fileName, sent);
    },

    /** Takes a teacher's voice into a student's attempt, as `take` does. */
    async takeFromTeacher(actor: Actor, assignmentId: string, studentId: string, fileName: string, sent: SentFile) {
      const { attemptId } = found(findMarked(actor, assignmentId, studentId));
      return await takeInto(actor, { attemptId, studentId }, fileName, sent);
    },

    /** A file, for whoever may open it. */
    find(fileId: string) {
      const row = found(db.select().from(answerFiles).where(eq(answerFiles.id, fileId)).get());
      const { sha256, mimeType, name } = row;
      const isShown = /^(image|audio|video)\/|^application\/pdf$/.test(mimeType);
      return { path: store.pathOf(sha256), mimeType, attachmentName: isShown ? undefined : name, isPersonal: true };
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

function orUnusable(error: unknown): null {
  if (error instanceof ReadFailed) return null;
  throw error;
}

function responsesOf(event: SentEvent): readonly Response[] {
  if (event.type === 'answered') return Object.values(event.responses);
  if (event.type === 'draftSaved' || event.type === 'revised' || event.type === 'timeUp')
    return event.response ? [event.response] : [];
  return [];
}

function limitTo(maxBytes: number): Transform {
  let bytes = 0;
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      bytes += chunk.length;
      if (bytes > maxBytes) done(new Refused('fileTooLarge'));
      else done(null, chunk);
    },
  });
}

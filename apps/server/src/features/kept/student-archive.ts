import { once } from 'node:events';
import { createReadStream } from 'node:fs';
import type { Writable } from 'node:stream';
import { strToU8, Zip, ZipDeflate, ZipPassThrough } from 'fflate';
import type { Deps } from '../../deps.ts';
import type { MediaStore } from '../materials/media-store.ts';
import { rowsOfPerson } from './rows-of-person.ts';
import type { StudentRecord } from './student-record.ts';
import { writeRecord } from './write-record.ts';

interface Options extends Pick<Deps, 'db' | 'clock' | 'log'> {
  readonly recordOf: (studentId: string) => StudentRecord;
  readonly schoolOf: (schoolId: string) => { readonly name: string; readonly timeZone: string };
  readonly store: Pick<MediaStore, 'pathOf'>;
}

/** All that is kept of one student, in a zip: a page to read, every record as JSON, and their files. */
export function createStudentArchive({ db, clock, log, recordOf, schoolOf, store }: Options) {
  return {
    /** Files go through piece by piece: a term of films fits in no memory. */
    async write(student: { readonly id: string; readonly schoolId: string }, out: Writable): Promise<void> {
      const record = recordOf(student.id);
      const { name: schoolName, timeZone } = schoolOf(student.schoolId);
      const fileNames = namesOf(record.files);
      const page = writeRecord(record, { schoolName, timeZone, now: clock(), fileNames });
      const rows = rowsOfPerson(db.$client, student.id);
      let isFull = false;
      const zip = new Zip((error, chunk, isLast) => {
        if (error) throw error;
        isFull = !out.write(chunk);
        if (isLast) out.end();
      });
      const addText = (name: string, text: string) => {
        const entry = new ZipDeflate(name);
        zip.add(entry);
        entry.push(strToU8(text), true);
      };
      addText('index.html', page);
      addText('data.json', JSON.stringify(rows, null, 2));
      for (const { id, sha256 } of record.files) {
        const entry = new ZipPassThrough(`files/${fileNames.get(id)}`);
        zip.add(entry);
        try {
          for await (const piece of createReadStream(store.pathOf(sha256))) {
            // Whoever waits for it has gone.
            if (out.destroyed) return;
            entry.push(piece as Uint8Array);
            if (isFull) await Promise.race([once(out, 'drain'), once(out, 'close')]);
          }
        } catch (error) {
          // One that is gone from the disk keeps nobody from having the rest.
          log.error({ err: error, fileId: id }, 'file missing from archive');
        }
        entry.push(new Uint8Array(0), true);
      }
      zip.end();
    },
  };
}

/** As they were handed in, each name once, and none that leads out of its folder. */
function namesOf(files: StudentRecord['files']): ReadonlyMap<string, string> {
  const taken = new Set<string>();
  return new Map(
    files.map(({ id, name }, index) => {
      const plain = name.replace(/[^\p{L}\p{N}. _-]/gu, '_').replace(/^\.+/, '') || 'file';
      const own = taken.has(plain) ? `${index + 1} ${plain}` : plain;
      taken.add(own);
      return [id, own];
    }),
  );
}

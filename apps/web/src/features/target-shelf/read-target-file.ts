import { type ReadTargets, readCasePackage, readTargetTable } from '@semita/core/target';
import { readPeopleTable } from '../classes/add-students/read-people-table.ts';

/** No list of targets is longer; a film that was chosen by mistake is not read. */
const longestFile = 20_000_000;

/** Targets of a file, in whatever it was saved in. @returns null where there are none in it */
export async function readTargetFile(file: File): Promise<ReadTargets | null> {
  if (file.size > longestFile) return null;
  const bytes = await file.arrayBuffer();
  const package_ = readCasePackage(asJson(new TextDecoder().decode(bytes)));
  if (package_) return package_;
  const table = await readPeopleTable({ bytes });
  const read = table && readTargetTable(table.rows);
  return read && read.targets.length > 0 ? read : null;
}

function asJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

import fs from 'node:fs';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { MoveRefused, moveSchool } from './features/school/move-school.ts';
import { databaseFileName, openInstallation } from './installation.ts';

const { values } = parseArgs({
  options: { school: { type: 'string' }, to: { type: 'string' }, remove: { type: 'boolean', default: false } },
});
const { school, to: toDir, remove } = values;
if (!school || !toDir)
  throw new Error('Say which and where to: npm run move-school -- --school "Name" --to /other/data [--remove]');

const fromDir = process.env.SEMITA_DATA ?? 'data';
if (!fs.existsSync(path.join(fromDir, databaseFileName))) throw new Error(`There is no installation in ${fromDir}`);
if (path.resolve(fromDir) === path.resolve(toDir)) throw new Error('It is there already.');
const from = openInstallation(fromDir);
const to = openInstallation(toDir);
try {
  const { rows, files, missing } = await moveSchool(from, to, { schoolName: school, removes: remove });
  console.log(`${school}: ${rows} rows and ${files} files are in ${toDir} now${remove ? ', and no longer here' : ''}`);
  if (missing > 0) console.warn(`${missing} files were missing here already, and are missing there.`);
} catch (error) {
  if (!(error instanceof MoveRefused)) throw error;
  console.error(error.message);
  process.exitCode = 1;
} finally {
  for (const { db } of [from, to]) db.$client.close();
}

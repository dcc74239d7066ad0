import fs from 'node:fs';
import { parseArgs } from 'node:util';
import Papa from 'papaparse';
import { addPeople, RosterFaults } from './features/accounts/add-people.ts';
import { openInstallation } from './installation.ts';
import { createServices } from './services.ts';

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { school: { type: 'string' }, zone: { type: 'string' } },
});
const [file] = positionals;
const { school, zone = Intl.DateTimeFormat().resolvedOptions().timeZone } = values;
if (!file || !school)
  throw new Error('Say who and where: npm run add-people -- --school "Name" --zone Europe/Stockholm people.csv');

const deps = openInstallation(process.env.SEMITA_DATA ?? 'data');
try {
  const { accounts, roster } = createServices(deps);
  const firsts = await addPeople(
    { ...deps, accounts, roster },
    { schoolName: school, timeZone: zone, csv: fs.readFileSync(file, 'utf8') },
  );
  // Shown this once; keep the output where only you can read it.
  console.log(Papa.unparse(firsts.map(({ name, signIn, password }) => ({ name, 'sign in': signIn, password }))));
} catch (error) {
  if (!(error instanceof RosterFaults)) throw error;
  console.error(error.message);
  process.exitCode = 1;
} finally {
  deps.db.$client.close();
}

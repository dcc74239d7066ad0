import { rebuildStates } from './features/attempts/rebuild-states.ts';
import { openInstallation } from './installation.ts';
import { rebuildUses } from './projections/rebuild-uses.ts';

const { db } = openInstallation(process.env.SEMITA_DATA ?? 'data');
const { attempts, changed } = rebuildStates(db);
rebuildUses(db);
console.log(`${attempts} attempt(s) computed anew from their logs, ${changed.length} of them changed`);
db.$client.close();

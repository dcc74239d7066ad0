// Keeps the demo school as this version stored it, so that every later one is tested to open it:
//   npm run demo -- --fresh            (and stop it again)
//   node scripts/keep-landing.mjs 6-walls [folder of the installation]
// Files that are kept are never made anew: what lies in them is what some school's disk may hold.
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import Database from 'better-sqlite3';

const [name, folder = 'data/demo'] = process.argv.slice(2);
if (!name) throw new Error('Say what it is called: node scripts/keep-landing.mjs <name> [folder]');
const landings = new URL('../apps/server/src/test/landings/', import.meta.url);
mkdirSync(landings, { recursive: true });

const scratch = mkdtempSync(path.join(os.tmpdir(), 'semita-landing-'));
const copy = path.join(scratch, 'semita.db');
const source = new Database(path.join(folder, 'semita.db'), { readonly: true });
source.prepare('VACUUM INTO ?').run(copy);
source.close();
writeFileSync(new URL(`${name}.db.gz`, landings), gzipSync(readFileSync(copy), { level: 9 }), { flag: 'wx' });
rmSync(scratch, { recursive: true });

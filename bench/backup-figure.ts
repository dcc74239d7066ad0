// A backup while a class works: it has to end, and to take about as long as in the night.
import { execFile } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { promisify } from 'node:util';
import Database from 'better-sqlite3';
import { openInstallation } from '../apps/server/src/installation.ts';
import { type Figure, medianRatio } from './compare.ts';

const run = promisify(execFile);
const backupFile = new URL('../apps/server/dist/backup.js', import.meta.url).pathname;

export async function measureBackup(): Promise<Figure[]> {
  const dataDir = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-bench-'));
  const target = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-bench-backup-'));
  const { db } = openInstallation(dataDir);
  db.$client.exec(`CREATE TABLE load (id INTEGER PRIMARY KEY, body TEXT);
    WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 120000)
    INSERT INTO load (body) SELECT hex(randomblob(400)) FROM n`);
  const writer = new Database(path.join(dataDir, 'semita.db'));
  const insert = writer.prepare("INSERT INTO load (body) VALUES ('an answer')");
  const backUp = async () => {
    const startedAt = performance.now();
    await run(process.execPath, [backupFile, target], { env: { ...process.env, SEMITA_DATA: dataDir } });
    return performance.now() - startedAt;
  };
  const whileWorking = async () => {
    const working = setInterval(() => insert.run(), 20);
    try {
      return await backUp();
    } finally {
      clearInterval(working);
    }
  };
  await backUp();
  const ratio = await medianRatio(5, whileWorking, backUp);
  writer.close();
  db.$client.close();
  for (const folder of [dataDir, target]) fs.rmSync(folder, { recursive: true });
  return [{ name: 'Backup of 100 MB at 50 commits a second ÷ at rest', ratio, goal: 1.5, better: 'lower' }];
}

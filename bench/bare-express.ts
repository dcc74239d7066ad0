// The baseline: the least that Express and SQLite can do for a request, with the same durability as ours.
import fs from 'node:fs';
import type { AddressInfo } from 'node:net';
import os from 'node:os';
import path from 'node:path';
import Database from 'better-sqlite3';
import express from 'express';

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-bare-'));
const sqlite = new Database(path.join(folder, 'bare.db'));
sqlite.pragma('journal_mode = WAL');
sqlite.pragma('synchronous = FULL');
sqlite.exec('create table events (id text primary key, body text not null)');
const insert = sqlite.prepare('insert into events (id, body) values (?, ?)');

const app = express();
app.use(express.json());
app.post('/events', (req, res) => {
  const { id, body } = req.body as { id: string; body: string };
  insert.run(id, body);
  res.json({ ok: true });
});
const server = app.listen(0, '127.0.0.1', () => {
  process.send?.({ port: (server.address() as AddressInfo).port });
});
process.on('disconnect', () => {
  sqlite.close();
  fs.rmSync(folder, { recursive: true });
  process.exit();
});

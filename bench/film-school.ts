// A school with one large film, in a process of its own, for the load that film-figure.ts puts on it.
import fs from 'node:fs';
import path from 'node:path';
import { proxyPlaceSetting } from '../apps/server/src/http/send-file.ts';
import { startSchool } from '../apps/server/src/test/harness.ts';

const fileBytes = 128 * 1024 ** 2;
const school = await startSchool({}, (app) => app.set(proxyPlaceSetting, '/semita-media/'));
school.addMaterial('film', 60_000);
const media = path.join(school.deps.dataDir, 'media/');
const place = 'fi/film';
fs.mkdirSync(path.join(media, 'fi'), { recursive: true });
fs.writeFileSync(path.join(media, place), Buffer.alloc(fileBytes, 'any film '));
process.send?.({
  ...{ port: Number(new URL(school.base).port), media, place, fileBytes },
  cookie: school.as('adaeze').cookie,
});
process.on('disconnect', () => {
  void school.stop().then(() => process.exit());
});

// Runs every benchmark, prints one table, and writes bench/results.json.
import fs from 'node:fs';
import { measureBackup } from './backup-figure.ts';
import { measureBundle } from './bundle-figure.ts';
import { measureCoverage } from './coverage-figure.ts';
import { measureDeck } from './deck-figure.ts';
import { measureEvents } from './event-figure.ts';
import { measureFilm } from './film-figure.ts';
import { measureFollowing } from './following-figure.ts';
import { measureGiving } from './giving-figure.ts';
import { measureGradebook } from './gradebook-figure.ts';
import { measureImport } from './import-figure.ts';
import { measureMarking } from './marking-figure.ts';
import { measureMarkingPage } from './marking-page-figure.ts';
import { measurePath } from './path-figure.ts';
import { measurePeople } from './people-figure.ts';
import { measureSheet } from './sheet-figure.ts';
import { measureShelf } from './shelf-figure.ts';
import { measureToday } from './today-figure.ts';
import { measureWriting } from './writing-figure.ts';

const figures = [
  ...(await measureEvents()),
  ...(await measureWriting()),
  ...(await measureBackup()),
  ...(await measureFilm()),
  ...(await measureSheet()),
  ...(await measureShelf()),
  ...(await measureToday()),
  ...(await measureGiving()),
  ...measurePeople(),
  ...(await measureMarkingPage()),
  ...(await measureFollowing()),
  ...(await measureGradebook()),
  ...(await measureCoverage()),
  ...(await measureMarking()),
  ...(await measurePath()),
  ...(await measureImport()),
  ...(await measureDeck()),
  ...(await measureBundle()),
].map((figure) => ({ ...figure, ratio: Number(figure.ratio.toPrecision(3)) }));

const meets = ({ ratio, goal, better }: (typeof figures)[0]) => (better === 'higher' ? ratio >= goal : ratio <= goal);
console.table(
  figures.map((figure) => ({
    figure: figure.name,
    ratio: figure.ratio,
    goal: `${figure.better === 'higher' ? '≥' : '≤'} ${figure.goal}`,
    'goal met': meets(figure) ? 'yes' : 'no',
  })),
);
fs.writeFileSync(new URL('./results.json', import.meta.url), `${JSON.stringify({ figures }, null, 2)}\n`);

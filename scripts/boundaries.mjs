// Who may import whom, checked by dependency-cruiser; that it saw the code at all; and that no rooms use each other in
// a circle.
import { spawnSync } from 'node:child_process';

const args = [
  'node_modules/dependency-cruiser/bin/dependency-cruise.mjs',
  '--config',
  '.dependency-cruiser.cjs',
  '--output-type',
  'json',
  'packages',
  'apps',
  'demo/src',
];
const { stdout, stderr } = spawnSync(process.execPath, args, { encoding: 'utf8', maxBuffer: 2 ** 28 });
if (!stdout) {
  console.error(stderr);
  process.exit(1);
}
const { summary, modules } = JSON.parse(stdout);

/** Rooms: the folders in which a concept or a feature lives with all that belongs to it. */
const rooms = /^(packages\/core\/src|apps\/web\/src\/features)\/([^/]+)\//;
const tests = /\.test\.tsx?$|\/src\/test\//;
const roomOf = (file) => (tests.test(file) ? undefined : rooms.exec(file)?.[0]);

/** Rooms that come back to themselves by the rooms they use, each circle once. */
function circlesOfRooms() {
  const uses = new Map();
  for (const { source, dependencies } of modules)
    for (const { resolved } of dependencies) {
      const [from, to] = [roomOf(source), roomOf(resolved)];
      if (!from || !to || from === to) continue;
      if (!uses.has(from)) uses.set(from, new Map());
      uses.get(from).set(to, `${source} → ${resolved}`);
    }
  const circles = [];
  for (const start of uses.keys()) {
    // The shortest way back to where it began.
    const cameFrom = new Map();
    const queue = [start];
    while (queue.length > 0 && !cameFrom.has(start)) {
      const room = queue.shift();
      for (const next of uses.get(room)?.keys() ?? [])
        if (!cameFrom.has(next)) {
          cameFrom.set(next, room);
          queue.push(next);
        }
    }
    if (!cameFrom.has(start)) continue;
    const circle = [];
    for (let to = start; circle.length === 0 || to !== start; to = cameFrom.get(to))
      circle.unshift(uses.get(cameFrom.get(to)).get(to));
    circles.push(circle);
  }
  return [...new Map(circles.map((circle) => [circle.toSorted((a, b) => a.localeCompare(b)).join(), circle])).values()];
}

const circles = circlesOfRooms();
for (const circle of circles) console.error(`rooms in a circle:\n  ${circle.join('\n  ')}`);
for (const { rule, from, to } of summary.violations) console.error(`${rule.name}: ${from} → ${to}`);
console.log(
  `${summary.totalCruised} modules, ${summary.violations.length} violations, ${circles.length} circles of rooms`,
);
process.exit(summary.totalCruised > 50 && summary.violations.length === 0 && circles.length === 0 ? 0 : 1);

// Who may import whom, checked by dependency-cruiser; and that it saw the code at all.
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
const { summary } = JSON.parse(stdout);
for (const { rule, from, to } of summary.violations) console.error(`${rule.name}: ${from} → ${to}`);
console.log(`${summary.totalCruised} modules, ${summary.violations.length} violations`);
process.exit(summary.totalCruised > 50 && summary.violations.length === 0 ? 0 : 1);

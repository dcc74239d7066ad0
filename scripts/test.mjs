// `npm test`: sets up what is missing and runs every check and test. Ends with "N passed, N failed", counted from
// the runners' own reports; a run without tests is a failure.
import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from './build.mjs';
import { installChromium, installDependencies, installProxy } from './setup.mjs';

const root = fileURLToPath(new URL('..', import.meta.url));
const reports = path.join(root, 'test-results');

installDependencies();
installChromium();
installProxy();
fs.rmSync(reports, { recursive: true, force: true });
fs.mkdirSync(reports, { recursive: true });
build();

let passed = 0;
let failed = 0;

const start = (command, args, env = {}) => {
  console.log(`\n— ${args.join(' ')}`);
  return spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } }).status === 0;
};

/** A check that is right or wrong as a whole. */
const check = (args) => {
  if (start(process.execPath, args)) passed++;
  else failed++;
};

/** A runner that leaves a report of its own; a crash without a report is a failure too. */
const suite = (args, reportFile, count, env) => {
  const isFine = start(process.execPath, args, env);
  const report = path.join(reports, reportFile);
  const counts = fs.existsSync(report) ? count(JSON.parse(fs.readFileSync(report, 'utf8'))) : { passed: 0, failed: 0 };
  passed += counts.passed;
  failed += counts.failed;
  if (counts.passed === 0 || (!isFine && counts.failed === 0)) failed++;
};

check(['node_modules/@biomejs/biome/bin/biome', 'check', '--error-on-warnings', '.']);
check(['node_modules/typescript7/bin/tsc', '-b']);
check(['node_modules/typescript7/bin/tsc', '-p', 'tsconfig.tests.json']);
check(['scripts/boundaries.mjs']);
check(['scripts/regexes.mjs']);
check(['--conditions=source', '--import', 'tsx', 'scripts/openapi.ts', '--check']);
suite(
  [
    'node_modules/vitest/vitest.mjs',
    'run',
    '--reporter=dot',
    '--reporter=json',
    '--outputFile.json=test-results/unit.json',
  ],
  'unit.json',
  ({ numPassedTests, numFailedTests, testResults }) => {
    // A file that could not be read at all has no test that failed.
    const unread = testResults.filter((file) => file.status === 'failed' && file.assertionResults.length === 0);
    return { passed: numPassedTests, failed: numFailedTests + unread.length };
  },
);
suite(
  ['node_modules/@playwright/test/cli.js', 'test', '--reporter=list,json'],
  'browser.json',
  ({ stats }) => ({ passed: stats.expected, failed: stats.unexpected + stats.flaky }),
  { PLAYWRIGHT_JSON_OUTPUT_FILE: path.join(reports, 'browser.json') },
);

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);

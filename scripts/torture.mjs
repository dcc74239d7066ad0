// `npm run torture`: what takes too long for every run of the tests. Kills the server 300 times in the middle of thirty
// students, and fills a small disk while documents are brought in. The disk is a file system in memory, in a
// namespace of its own, so that nothing has to be mounted by hand (`unshare` of util-linux). And a student plays for twelve
// minutes without a connection, minute by minute.
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { build } from './build.mjs';
import { installChromium, installDependencies, run } from './setup.mjs';

installDependencies();
installChromium();
build();

const vitest = ['node_modules/vitest/vitest.mjs', 'run'];
run('node', [...vitest, 'apps/server/src/kill.test.ts'], { env: { ...process.env, SEMITA_KILLS: '300' } });

const disk = fs.mkdtempSync(path.join(os.tmpdir(), 'semita-disk-'));
try {
  const inside = `mount -t tmpfs -o size=330m tmpfs "$SEMITA_SMALL_DISK" && exec node ${vitest.join(' ')} apps/server/src/small-disk.test.ts`;
  run('unshare', ['--map-root-user', '--mount', 'sh', '-c', inside], {
    env: { ...process.env, SEMITA_SMALL_DISK: disk },
  });
} finally {
  fs.rmdirSync(disk);
}

run('node', ['node_modules/@playwright/test/cli.js', 'test', 'e2e/safe.spec.ts', '-g', 'walked without a connection'], {
  env: { ...process.env, SEMITA_LONG: '1' },
});

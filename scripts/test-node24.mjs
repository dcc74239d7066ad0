// `npm run test:node24`: the tests of core and server on Node 24, which comes from the registry as a package. The
// compiled database is exchanged for one of that Node meanwhile, and put back whatever happens.
import { execFileSync, spawnSync } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { installDependencies } from './setup.mjs';

const version = '24.21.0';
const root = fileURLToPath(new URL('..', import.meta.url));
const folder = path.join(root, 'node_modules/.cache/node24');
const home = path.join(folder, 'node_modules', `node-${process.platform}-${process.arch}`);
const node = path.join(home, 'bin/node');

installDependencies();
if (!fs.existsSync(node)) {
  console.log(`Fetching Node ${version} from the npm registry …`);
  fs.mkdirSync(folder, { recursive: true });
  execFileSync(
    'npm',
    ['install', '--no-save', '--ignore-scripts', '--prefix', folder, `${path.basename(home)}@${version}`],
    {
      stdio: 'inherit',
    },
  );
}
const env = { ...process.env, PATH: `${path.dirname(node)}:${process.env.PATH}` };
const on = (...args) => spawnSync(node, args, { cwd: root, stdio: 'inherit', env }).status ?? 1;
let status = 1;
try {
  status = on('scripts/native.mjs') || on('node_modules/vitest/vitest.mjs', 'run', 'packages/core', 'apps/server');
} finally {
  execFileSync(process.execPath, ['scripts/native.mjs'], { cwd: root, stdio: 'inherit' });
}
process.exit(status);

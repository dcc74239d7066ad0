// `npm run demo`: sets up what is missing, fills the demo school once, and serves it. `-- --fresh` fills it anew.
import { spawn } from 'node:child_process';
import { build } from './build.mjs';
import { installDependencies } from './setup.mjs';

installDependencies();
build();
const server = spawn(process.execPath, ['demo/dist/main.js', ...process.argv.slice(2)], {
  cwd: new URL('..', import.meta.url),
  stdio: 'inherit',
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));

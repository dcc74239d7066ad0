// `npm run dev`: the demo school with server and pages watched, at one address. What is changed in a page is shown at
// once; what is changed in the server starts it anew, with the data as they were. `-- --fresh` fills the school anew.
import { spawn } from 'node:child_process';
import { build } from './build.mjs';
import { installDependencies } from './setup.mjs';

installDependencies();
// Films and pictures of the demo are read by processes that run what was built.
build();

const port = process.env.PORT ?? '3000';
const apiPort = String(Number(port) + 1);
const root = new URL('..', import.meta.url);
const children = [
  spawn(
    process.execPath,
    [
      'node_modules/tsx/dist/cli.mjs',
      'watch',
      '--clear-screen=false',
      '--conditions=source',
      'demo/src/main.ts',
      ...process.argv.slice(2),
    ],
    {
      cwd: root,
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, PORT: apiPort, SEMITA_DATA: process.env.SEMITA_DATA ?? 'data/dev' },
    },
  ),
  spawn(
    process.execPath,
    ['node_modules/vite/bin/vite.js', 'apps/web', '--port', port, '--strictPort', '--host', '127.0.0.1'],
    {
      cwd: root,
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, SEMITA_API: `http://127.0.0.1:${apiPort}` },
    },
  ),
];
const stop = () => {
  for (const child of children) child.kill();
};
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, stop);
for (const child of children)
  child.on('exit', (code) => {
    stop();
    process.exitCode ??= code ?? 0;
  });
console.log(`Semita, watched, is at http://127.0.0.1:${port} (its server at ${apiPort})`);

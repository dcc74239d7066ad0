// Compiles the server and builds the web app, when their sources have changed.
import { compressFiles } from './compress.mjs';
import { once, run, sourcesBelow } from './setup.mjs';

export function build() {
  const inputs = [
    ...sourcesBelow('packages', 'apps', 'demo/src'),
    'tsconfig.json',
    'tsconfig.base.json',
    'package-lock.json',
    'scripts/compress.mjs',
  ];
  once('build', inputs, () => {
    console.log('Building …');
    run('node', ['node_modules/typescript7/bin/tsc', '-b']);
    run('node', ['node_modules/vite/bin/vite.js', 'build', 'apps/web', '--logLevel', 'warn']);
    compressFiles('apps/web/dist');
  });
}

if (process.argv[1] === import.meta.filename) build();

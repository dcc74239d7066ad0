// `npm run bench`: ratios against baselines of the same run, as a table and in bench/results.json.
import { build } from './build.mjs';
import { installDependencies, installPdfReader, installProxy, run } from './setup.mjs';

installDependencies();
installPdfReader();
installProxy();
build();
run('node', ['--conditions=source', '--import', 'tsx', 'bench/main.ts']);

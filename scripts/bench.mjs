// `npm run bench`: ratios against baselines of the same run, as a table and in bench/results.json.
import { build } from './build.mjs';
import { installDependencies, installPdfReader, run } from './setup.mjs';

installDependencies();
installPdfReader();
build();
run('node', ['--conditions=source', '--import', 'tsx', 'bench/main.ts']);

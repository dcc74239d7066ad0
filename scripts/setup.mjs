// Brings a fresh machine to where Semita builds and runs. Quick when nothing is missing.
import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

const root = fileURLToPath(new URL('..', import.meta.url));
const stamps = path.join(root, '.setup');

export const run = (command, args, options = {}) =>
  execFileSync(command, args, { cwd: root, stdio: 'inherit', ...options });

const hashOf = (files) => {
  const hash = createHash('sha256');
  for (const file of files) hash.update(file).update(fs.readFileSync(path.join(root, file)));
  return hash.digest('hex');
};

/** Does the work when its inputs are not those it was last done for. */
export function once(name, inputs, work) {
  const stamp = path.join(stamps, name);
  const hash = hashOf(inputs);
  if (fs.existsSync(stamp) && fs.readFileSync(stamp, 'utf8') === hash) return;
  work();
  fs.mkdirSync(stamps, { recursive: true });
  fs.writeFileSync(stamp, hash);
}

const has = (command) => {
  try {
    execFileSync('which', [command], { stdio: 'ignore' });
    return true;
  } catch {
    return false;
  }
};

/** Installs Debian packages; as root, or with sudo where there is one. */
function installPackages(packages) {
  console.log(`This machine lacks ${packages.join(', ')}: installing from Debian's packages …`);
  const asRoot = (...command) => (process.getuid() === 0 ? command : ['sudo', ...command]);
  const apt = (...args) => {
    const [command, ...rest] = asRoot(
      'env',
      'DEBIAN_FRONTEND=noninteractive',
      'apt-get',
      '-o',
      'DPkg::Lock::Timeout=300',
      ...args,
    );
    run(command, rest, { stdio: ['ignore', 'ignore', 'inherit'] });
  };
  apt('update');
  apt('install', '-y', '--no-install-recommends', ...packages);
}

export function installDependencies() {
  if (!has('g++') || !has('make') || !has('python3')) installPackages(['g++', 'make', 'python3']);
  if (!fs.existsSync(path.join(root, 'node_modules'))) fs.rmSync(path.join(stamps, 'dependencies'), { force: true });
  once('dependencies', ['package-lock.json'], () => {
    console.log('Installing what package-lock.json names from the npm registry, into node_modules …');
    run('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund']);
  });
  run('node', ['scripts/native.mjs']);
}

export function installChromium() {
  if (!has('chromium')) installPackages(['chromium', 'fonts-liberation']);
}

/** The proxy that films are tested behind. */
export function installProxy() {
  if (!has('nginx')) installPackages(['nginx-light']);
}

/** What the reading of PDF is measured against. */
export function installPdfReader() {
  if (!has('pdftotext')) installPackages(['poppler-utils']);
}

/** Files that git knows or would add below some folders. */
export function sourcesBelow(...folders) {
  return execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard', ...folders], {
    cwd: root,
    encoding: 'utf8',
  })
    .split('\n')
    .filter((file) => file && fs.existsSync(path.join(root, file)));
}

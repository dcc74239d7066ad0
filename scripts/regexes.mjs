// Asks of every regular expression in the sources whether it is linear: doubling a text must double the time, whoever
// wrote the text. What was found safe is kept in regexes.json, so that only new ones are asked about; what is not safe
// stands there with the reason why it does no harm.
//
//   node scripts/regexes.mjs          says what is new or not linear, and fails where there is any
//   node scripts/regexes.mjs --write  keeps what is safe
import fs from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import ts from 'typescript';

process.env.RECHECK_BACKEND = 'pure';
const { checkSync } = await import('recheck');

const root = fileURLToPath(new URL('..', import.meta.url));
const knownFile = path.join(root, 'scripts/regexes.json');
/** @type {{ safe: string[], harmless: { literal: string, why: string }[], built: { at: string, why: string }[] }} */
const known = JSON.parse(fs.readFileSync(knownFile, 'utf8'));

function listSources(folder) {
  return fs.readdirSync(path.join(root, folder), { withFileTypes: true }).flatMap((entry) => {
    const place = `${folder}/${entry.name}`;
    if (entry.isDirectory()) return ['node_modules', 'dist', 'test'].includes(entry.name) ? [] : listSources(place);
    return /(?<!\.test|\.d)\.tsx?$/.test(entry.name) ? [place] : [];
  });
}

const found = new Map();
const built = [];
for (const file of ['packages/core/src', 'apps/server/src', 'apps/web/src', 'apps/standins/src'].flatMap(listSources)) {
  const text = fs.readFileSync(path.join(root, file), 'utf8');
  const kind = file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS;
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true, kind);
  const visit = (node) => {
    const line = () => source.getLineAndCharacterOfPosition(node.getStart()).line + 1;
    if (node.kind === ts.SyntaxKind.RegularExpressionLiteral) found.set(node.text, `${file}:${line()}`);
    if (ts.isNewExpression(node) && node.expression.getText() === 'RegExp') built.push({ file, line: line() });
    ts.forEachChild(node, visit);
  };
  visit(source);
}

const safe = new Set(known.safe);
const harmless = new Set(known.harmless.map(({ literal }) => literal));
const faults = [];
for (const [literal, place] of found) {
  if (safe.has(literal) || harmless.has(literal)) continue;
  const [, body, flags] = /^\/(.*)\/([a-z]*)$/s.exec(literal);
  const { status, complexity } = checkSync(body, flags, { timeout: 10_000 });
  if (status === 'safe') safe.add(literal);
  else faults.push(`${place} ${literal} is not linear: ${complexity?.summary ?? status}`);
}
for (const { file, line } of built)
  if (!known.built.some(({ at }) => at === file)) faults.push(`${file}:${line} builds a regular expression`);

if (process.argv.includes('--write')) {
  const kept = {
    safe: [...found.keys()].filter((literal) => safe.has(literal)).sort((a, b) => (a < b ? -1 : 1)),
    harmless: known.harmless.filter(({ literal }) => found.has(literal)),
    built: known.built.filter(({ at }) => built.some(({ file }) => file === at)),
  };
  fs.writeFileSync(knownFile, `${JSON.stringify(kept, null, 2)}\n`);
}
for (const fault of faults) console.error(fault);
console.log(`${found.size} regular expressions, ${faults.length} of them unproved`);
process.exitCode = faults.length > 0 ? 1 : 0;

import { execFile } from 'node:child_process';
import { access, copyFile, mkdir, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { promisify } from 'node:util';
import { ImportRefused } from './import-result.ts';

const run = promisify(execFile);

const office = 'soffice';
const longestSeconds = 90;
/** Address space of the office program, in kB. A document made to harm has taken 7.8 GB of it. */
const maxKilobytes = 4_000_000;

/** Older kinds by their names, and as what the program is to open them: left to itself, it opens anything as plain text. */
const filters: Readonly<Record<string, readonly [filter: string, format: 'docx' | 'pptx']>> = {
  '.doc': ['MS Word 97', 'docx'],
  '.dot': ['MS Word 97', 'docx'],
  '.rtf': ['Rich Text Format', 'docx'],
  '.ppt': ['MS PowerPoint 97', 'pptx'],
  '.pps': ['MS PowerPoint 97', 'pptx'],
};

/** Without this the program runs macros' leftovers, and embeds files and calls addresses that a document names. */
const hardened = `<?xml version="1.0" encoding="UTF-8"?>
<oor:items xmlns:oor="http://openoffice.org/2001/registry">
${['BlockUntrustedRefererLinks', 'DisableMacrosExecution']
  .map(
    (name) =>
      `<item oor:path="/org.openoffice.Office.Common/Security/Scripting"><prop oor:name="${name}" oor:op="fuse"><value>true</value></prop></item>`,
  )
  .join('\n')}
<item oor:path="/org.openoffice.Office.Common/Security/Scripting"><prop oor:name="MacroSecurityLevel" oor:op="fuse"><value>3</value></prop></item>
</oor:items>`;

/** Whether this machine has an office program that can open documents of older kinds. */
export async function hasOffice(): Promise<boolean> {
  return run('which', [office]).then(
    () => true,
    () => false,
  );
}

/**
 * Opens a document of an older kind with the office program of this machine and saves it as a newer one, in a profile
 * of its own that runs nothing and fetches nothing.
 * @throws ImportRefused oldFormat when it cannot, as under a password
 */
export async function convertOld(
  file: string,
  fileName: string,
  outDir: string,
): Promise<{ file: string; format: 'docx' | 'pptx' }> {
  const extension = path.extname(fileName).toLowerCase();
  const [filter, format] = filters[extension] ?? [];
  if (!filter || !format) throw new ImportRefused('oldFormat');
  const profile = path.join(outDir, 'profile');
  const source = path.join(outDir, `old${extension}`);
  await mkdir(path.join(profile, 'user'), { recursive: true });
  await writeFile(path.join(profile, 'user', 'registrymodifications.xcu'), hardened);
  await copyFile(file, source);
  const command = `ulimit -v ${maxKilobytes}; exec timeout -s KILL ${longestSeconds} ${office} --headless --norestore --nologo "-env:UserInstallation=file://$1" --infilter="$4" --convert-to ${format} --outdir "$2" "$3"`;
  const converted = path.join(outDir, `old.${format}`);
  try {
    await run('sh', ['-c', command, 'sh', profile, outDir, source, filter], {
      env: { PATH: process.env.PATH, HOME: profile },
    });
    // The program says that all went well when nothing did.
    await access(converted);
  } catch (error) {
    throw new ImportRefused('oldFormat', error);
  }
  return { file: converted, format };
}

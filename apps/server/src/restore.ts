import { restore } from './backup.ts';

const backupDir = process.argv[2];
if (!backupDir) throw new Error('Say from where: npm run restore -- <folder>');
const dataDir = process.env.SEMITA_DATA ?? 'data';
const { files } = await restore(backupDir, dataDir);
console.log(`Restored the database and ${files} file(s) to ${dataDir}`);

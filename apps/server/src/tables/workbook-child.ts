// Writes one table as a workbook for the process that started it, and ends.
import { type Table, writeXlsx } from './table.ts';

process.once('message', async (table: Table) => {
  process.send?.(new Uint8Array(await writeXlsx(table)), () => process.disconnect());
});

import { toLocal } from '@semita/core/calendar';
import type { NoticeKind } from '@semita/core/notice';

export interface NoticeLine {
  readonly kind: NoticeKind;
  readonly title: string;
  readonly about: number | null;
  readonly timeZone: string;
  readonly url: string;
}

const on = (ms: number, timeZone: string) => `${toLocal(ms, timeZone).replace('T', ' ')} (${timeZone})`;

/** One notice in a line. */
function lineOf({ kind, title, about, timeZone }: NoticeLine): string {
  const date = about === null ? '' : on(about, timeZone);
  switch (kind) {
    case 'new':
      return `New: “${title}”${date && `, due ${date}`}.`;
    case 'dueTomorrow':
      return `Due tomorrow: “${title}”, ${date}.`;
    case 'overdue':
      return `“${title}” was due ${date}.`;
    case 'receipt':
      return `You handed in “${title}” on ${date}.`;
    case 'marked':
      return `Your teacher has marked “${title}”.`;
    case 'returned':
      return `Your teacher gave an answer of “${title}” back to you, to work on it again.`;
    case 'released':
      return `You can see now how “${title}” went.`;
    case 'extended':
      return `“${title}” is due later now${date && `: ${date}`}.`;
    case 'wroteBack':
      return `Your teacher wrote back to you about “${title}”.`;
    case 'nudged':
      return `Your teacher reminds you of “${title}”.`;
  }
}

/** Everything that waits for somebody, in one mail. Says nothing of points or of what was written. */
export function writeNotices(
  lines: readonly NoticeLine[],
  { schoolName, stopUrl }: { readonly schoolName: string; readonly stopUrl: string },
): { subject: string; text: string } {
  const [first] = lines;
  return {
    subject:
      lines.length === 1 && first ? lineOf(first).replace(/\.$/, '') : `${lines.length} notices from ${schoolName}`,
    text: [
      ...lines.map((line) => `${lineOf(line)}\n${line.url}`),
      `You get this because you asked for it.\nOne press, and no more mails come: ${stopUrl}`,
    ].join('\n\n'),
  };
}

export const writeConfirmation = (schoolName: string, url: string) => ({
  subject: `Is this your address? (${schoolName})`,
  text: `Somebody at ${schoolName} wants notices about lessons sent to this address. If that is you, open this:\n${url}\n\nIf it is not you, do nothing: then nothing more comes.`,
});

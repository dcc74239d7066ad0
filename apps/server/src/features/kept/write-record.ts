import { toLocal } from '@semita/core/calendar';
import { drawingWidth } from '@semita/core/question';
import type { KeptAnswer, KeptAttempt, KeptWork, StudentRecord } from './student-record.ts';

const escapes: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&#39;',
};
const safe = (text: string): string => text.replace(/[&<>"']/g, (letter) => escapes[letter] ?? '');

/** HTML in which whatever is put in is text, unless it was written so itself. */
class Html {
  readonly text: string;
  constructor(text: string) {
    this.text = text;
  }
}
type Piece = Html | string | number | readonly Html[];
const html = (parts: TemplateStringsArray, ...pieces: Piece[]): Html =>
  new Html(parts.map((part, index) => part + (index < pieces.length ? written(pieces[index] as Piece) : '')).join(''));
const written = (piece: Piece): string => {
  if (piece instanceof Html) return piece.text;
  return Array.isArray(piece) ? piece.map((one: Html) => one.text).join('') : safe(String(piece));
};
const none = new Html('');

const kinds: Readonly<Record<string, string>> = {
  extended: 'Other dates',
  extensionEnded: 'The dates of all again',
  excused: 'Excused',
  excusalEnded: 'No longer excused',
  anotherAttempt: 'One more attempt',
  editionSwapped: 'A corrected edition',
  gradeByHand: 'A number given by hand',
  gradeTakenBack: 'The number given by hand taken back',
};

/**
 * A page that any browser shows, without the program and without a connection.
 * @param fileNames names in the folder `files`, by the id of the file
 * @param timeZone of the school
 */
export function writeRecord(
  record: StudentRecord,
  {
    schoolName,
    timeZone,
    now,
    fileNames,
  }: {
    readonly schoolName: string;
    readonly timeZone: string;
    readonly now: number;
    readonly fileNames: ReadonlyMap<string, string>;
  },
): string {
  const on = (ms: number, zone = timeZone) => `${toLocal(ms, zone).replace('T', ' ')} (${zone})`;

  const answer = ({ question, given, strokes, files, points, possible, comment, before }: KeptAnswer) => html`
    <section>
      <h4>${question}</h4>
      ${before.map((lines) => html`<p class="before">Before: ${lines.join('; ')}</p>`)}
      ${given.length + strokes.length + files.length === 0 ? html`<p class="quiet">Left blank.</p>` : none}
      ${given.map((line) => html`<p class="given">${line}</p>`)}
      ${strokes.length > 0 ? drawing(strokes) : none}
      ${files.map(({ fileId, name }) => {
        const kept = fileNames.get(fileId);
        return kept ? html`<p><a href="files/${encodeURIComponent(kept)}">${name}</a></p>` : none;
      })}
      ${possible > 0 ? html`<p>${points === null ? 'Not marked yet' : points / 100} of ${possible / 100} points</p>` : none}
      ${comment ? html`<p>The teacher says: ${comment}</p>` : none}
    </section>`;

  const attempt =
    (zone: string) =>
    ({ number, begunAt, handedInAt, timeSpentMs, answers }: KeptAttempt) =>
      html`
    <h3>Attempt ${number}</h3>
    <p class="quiet">
      Begun ${on(begunAt, zone)}, ${handedInAt === null ? 'not handed in' : `handed in ${on(handedInAt, zone)}`},
      ${Math.round(timeSpentMs / 60_000)} minutes of work.
    </p>
    ${answers.map(answer)}`;

  const work = ({
    title,
    className,
    teacherName,
    timeZone: zone,
    dueAt,
    excused,
    different,
    attempts,
  }: KeptWork) => html`
    <article>
      <h2>${title}</h2>
      <p class="quiet">
        ${className}, ${teacherName}${dueAt === null ? '' : `, due ${on(dueAt, zone)}`}${excused ? ', excused' : ''}
      </p>
      ${different.map(({ kind, at, reason }) => html`<p>${on(at, zone)}: ${kinds[kind] ?? kind}${reason ? ` (${reason})` : ''}</p>`)}
      ${attempts.length === 0 ? html`<p>Not begun.</p>` : attempts.map(attempt(zone))}
    </article>`;

  return `<!doctype html>${
    html`
<html lang="en">
  <head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width">
    <title>${record.displayName}, ${schoolName}</title>
    <style>
      body { font: 16px/1.5 sans-serif; max-width: 46rem; margin: 2rem auto; padding: 0 1rem; color: #1e2328; }
      article { border-top: 1px solid #ccc; margin-top: 2rem; }
      .quiet, .before { color: #575f66; }
      .given { border-left: 4px solid #575f66; padding-left: .75rem; white-space: pre-wrap; overflow-wrap: anywhere; }
      svg { max-width: 24rem; border: 1px solid #ccc; }
    </style>
  </head>
  <body>
    <h1>${record.displayName}</h1>
    <p>Everything that ${schoolName} keeps here of ${record.displayName}, on ${on(now)}. This page shows it in words; the file
      data.json beside it holds every single record, for other programs; handed-in files and voices are in the folder files.</p>
    <p>User name: ${record.userName ?? '–'}. Account made ${on(record.createdAt)}.</p>
    <p>Classes: ${record.classes.map(({ name, extraTime }) => (extraTime === 1 ? name : `${name} (${Math.round((extraTime - 1) * 100)} % more time)`)).join(', ') || '–'}.</p>
    ${record.works.map(work)}
    ${record.replies.length > 0 ? html`<article><h2>Answers to others</h2>${record.replies.map(({ text, at }) => html`<p class="quiet">${on(at)}</p><p class="given">${text}</p>`)}</article>` : none}
    ${record.talk.length > 0 ? html`<article><h2>Said about answers</h2>${record.talk.map(({ by, text, at }) => html`<p class="quiet">${by}, ${on(at)}</p><p class="given">${text}</p>`)}</article>` : none}
  </body>
</html>`.text
  }`;
}

function drawing(strokes: readonly (readonly number[])[]): Html {
  const height = Math.max(
    drawingWidth / 2,
    ...strokes.flatMap((points) => points.filter((_, index) => index % 2 === 1)),
  );
  return html`<svg viewBox="0 0 ${drawingWidth} ${height}" role="img" aria-label="A drawing">
    ${strokes.map((points) => html`<polyline points="${points.join(' ')}" fill="none" stroke="#1e2328" stroke-width="40"/>`)}
  </svg>`;
}

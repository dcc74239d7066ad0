import { readGapText, withGapText } from './gap-notation.ts';
import { createItem, createOption, fromHead, type NewId, type QuestionForm } from './new-question.ts';
import {
  arrowSides,
  bulletLine,
  hintLine,
  noteLine,
  numberedLine,
  numberLine,
  quoteLine,
  readNumberLine,
  splitPoints,
  taskLine,
} from './notation-lines.ts';
import type { Item, NumericTolerance, Question, QuestionHead, QuestionOf } from './question.ts';

/**
 * Reads questions from plain lines, as they stand on a worksheet or are typed in haste. Blank lines stand between
 * questions; the first lines say what is asked, and the lines under them what kind it is:
 *
 * - `- [x] right` and `- [ ] not right`: pick one, or several where several are right (Markdown's task list);
 *   ` :: ` after an answer begins its feedback
 * - `- answer` without a box: an opinion (Markdown's list)
 * - `1. first`, `2. next`: put in order (Markdown's numbered list)
 * - `- Arch -> Stone`: match up
 * - `= 3.2 kN`, with `± 0.1` or `± 5 %` behind it: a number
 * - a line with `[words]` in it: gaps to type; others that count behind bars, `[thrust|push=50]`
 * - `> words`: a model answer of a written answer (Markdown's quote)
 * - nothing more: a written answer
 *
 * `(3 points)` at the end of what is asked sets the points; a line that begins with `?` is the hint, one that begins
 * with `!` the teacher's note.
 * @param locale BCP 47 tag of the language in which numbers are written
 */
export function readQuestions(text: string, newId: NewId, locale = 'en'): readonly Question[] {
  return splitQuestions(text.replaceAll('\r\n', '\n')).map((lines) => readQuestion(lines, newId, locale));
}

/** Blank lines part questions, unless what follows is still a list, a number, a quote or a hint. */
function splitQuestions(text: string): string[][] {
  const groups: string[][] = [];
  let isNew = true;
  for (const line of text.split('\n')) {
    if (line.trim() === '') {
      isNew = true;
      continue;
    }
    const last = groups.at(-1);
    if (last && (!isNew || isAnswerLine(line))) last.push(line);
    else groups.push([line]);
    isNew = false;
  }
  return groups;
}

function isAnswerLine(line: string): boolean {
  const forms = [taskLine, bulletLine, numberLine, quoteLine, hintLine, noteLine];
  return forms.some((form) => form(line) !== null);
}

function readQuestion(lines: readonly string[], newId: NewId, locale: string): Question {
  const { rest: withoutHint, found: hints } = takeOut(lines, hintLine);
  const { rest: body, found: notes } = takeOut(withoutHint, noteLine);
  const asks = body.findIndex((line, index) => isAnswerLine(line) || (index > 0 && numberedLine(line) !== null));
  const stemLines = asks < 0 ? body : body.slice(0, asks);
  const { stem, points } = readStem(stemLines);
  const head: QuestionHead = {
    id: newId(),
    stem,
    points: points ?? 100,
    teacherNote: notes.join('\n'),
    ...(hints.length > 0 ? { hint: { text: hints.join('\n'), cost: 0 } } : {}),
  };
  const question = readBody(head, asks < 0 ? [] : body.slice(asks), newId, locale);
  // Opinions carry no points, and what takes longer carries more, unless the teacher said otherwise.
  return points === null ? { ...question, points: defaultPoints(question) } : question;
}

function defaultPoints({ kind }: Question): number {
  return kind === 'poll' ? 0 : kind === 'extendedText' ? 200 : 100;
}

type Form = (line: string) => string | null;

function takeOut(lines: readonly string[], form: Form): { rest: string[]; found: string[] } {
  return { rest: lines.filter((line) => form(line) === null), found: lines.flatMap((line) => form(line) ?? []) };
}

function readStem(lines: readonly string[]): { stem: string; points: number | null } {
  const text = lines.join('\n').trim();
  // A worksheet's own number before what is asked.
  const number = /^\d{1,3}[.)](?=\s)/u.exec(text)?.[0] ?? '';
  const { stem, points } = splitPoints(text.slice(number.length));
  return { stem, points: points === null ? null : Math.min(100_000, Math.round(points * 100)) };
}

function readBody(head: QuestionHead, lines: readonly string[], newId: NewId, locale: string): Question {
  const [first] = lines;
  if (first === undefined) return withoutAnswers(head, newId);
  if (taskLine(first)) return readChoice(head, lines, newId);
  const number = numberLine(first);
  if (number !== null) return readNumber(head, number, newId, locale);
  const bullets = lines.flatMap((line) => bulletLine(line) ?? []);
  const arrows = bullets.map(arrowSides).filter((sides) => sides !== null);
  if (arrows.length > 0 && arrows.length === bullets.length) return readMatch(head, arrows, newId);
  if (bullets.length > 0) return withItems('poll', head, bullets, newId);
  const steps = lines.flatMap((line) => numberedLine(line) ?? []);
  if (steps.length > 0) return withItems('order', head, steps, newId);
  const quoted = lines.flatMap((line) => quoteLine(line) ?? []);
  return fromHead('extendedText', { ...head, modelAnswer: quoted.join('\n') }, newId);
}

/** A line with brackets is a text with gaps; without, a written answer is asked for. */
function withoutAnswers(head: QuestionHead, newId: NewId): Question {
  const lines = head.stem.split('\n');
  const at = lines.findIndex((line) => readGapText(line).some((piece) => 'accepted' in piece));
  if (at < 0) return fromHead('extendedText', head, newId);
  const asked = lines.slice(0, at).join('\n').trim();
  const empty = fromHead('textEntry', { ...head, stem: asked }, newId) as QuestionOf<'textEntry'>;
  return withGapText(empty, lines.slice(at).join('\n'), newId);
}

function readChoice(head: QuestionHead, lines: readonly string[], newId: NewId): Question {
  const options = lines.flatMap((line) => {
    const found = taskLine(line);
    if (!found) return [];
    const [text = '', feedback = ''] = found.text.split(' :: ').map((part) => part.trim());
    return [{ ...createOption(newId, text, found.correct), feedback }];
  });
  const form: QuestionForm = options.filter(({ correct }) => correct).length > 1 ? 'choiceSeveral' : 'choice';
  return { ...(fromHead(form, head, newId) as QuestionOf<'choice'>), options };
}

function withItems(kind: 'poll' | 'order', head: QuestionHead, texts: readonly string[], newId: NewId): Question {
  const items: Item[] = texts.map((text) => createItem(newId, text.trim()));
  if (kind === 'order') return { ...(fromHead(kind, head, newId) as QuestionOf<'order'>), items };
  return { ...(fromHead(kind, head, newId) as QuestionOf<'poll'>), options: items };
}

function readMatch(head: QuestionHead, arrows: readonly (readonly [string, string])[], newId: NewId): Question {
  const sources: Item[] = [];
  const targets: Item[] = [];
  const pairs: [string, string][] = [];
  for (const [source, target] of arrows) {
    const other = targets.find(({ text }) => text === target) ?? createItem(newId, target);
    if (!targets.includes(other)) targets.push(other);
    // Nothing before the arrow: one more to choose from that belongs to none.
    if (source === '') continue;
    const one = createItem(newId, source);
    sources.push(one);
    pairs.push([one.id, other.id]);
  }
  return { ...(fromHead('match', head, newId) as QuestionOf<'match'>), sources, targets, pairs };
}

function readNumber(head: QuestionHead, text: string, newId: NewId, locale: string): Question {
  const empty = fromHead('numeric', head, newId) as QuestionOf<'numeric'>;
  const found = readNumberLine(text, locale);
  if (!found) return fromHead('extendedText', { ...head, modelAnswer: text }, newId);
  const { value, unit, by, isPercent } = found;
  const tolerance: NumericTolerance =
    by === null ? { kind: 'exact' } : isPercent ? { kind: 'relative', percent: by } : { kind: 'absolute', by };
  return { ...empty, value, unit, unitNeeded: unit !== '', tolerance };
}

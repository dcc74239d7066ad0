import { readGapText, withGapText } from './gap-notation.ts';
import { createItem, createOption, fromHead, type NewId, type QuestionForm } from './new-question.ts';
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
 */
export function readQuestions(text: string, newId: NewId): readonly Question[] {
  return splitQuestions(text.replaceAll('\r\n', '\n')).map((lines) => readQuestion(lines, newId));
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

const task = /^\s*[-*+]\s+\[([ xX])\]\s+(.*)$/u;
const bullet = /^\s*[-*+]\s+(?!\[[ xX]\])(.*)$/u;
const numbered = /^\s*(\d{1,2})[.)]\s+(.*)$/u;
const arrow = /^(.*?)\s*(?:->|→|⟶)\s*(.*)$/u;
const numberLine = /^\s*=\s*(.+)$/u;
const quote = /^\s*>\s?(.*)$/u;
const hintLine = /^\s*\?\s+(.*)$/u;
const noteLine = /^\s*!\s+(.*)$/u;
const pointsEnd = /\s*\((\d+(?:[.,]\d+)?)\s*(?:points?|p|pts?)\.?\)\s*$/iu;

function isAnswerLine(line: string): boolean {
  return [task, bullet, numberLine, quote, hintLine, noteLine].some((form) => form.test(line));
}

function readQuestion(lines: readonly string[], newId: NewId): Question {
  const { rest: withoutHint, found: hints } = takeOut(lines, hintLine);
  const { rest: body, found: notes } = takeOut(withoutHint, noteLine);
  const asks = body.findIndex((line, index) => isAnswerLine(line) || (index > 0 && numbered.test(line)));
  const stemLines = asks < 0 ? body : body.slice(0, asks);
  const { stem, points } = readStem(stemLines);
  const head: QuestionHead = {
    id: newId(),
    stem,
    points: points ?? 100,
    teacherNote: notes.join('\n'),
    ...(hints.length > 0 ? { hint: { text: hints.join('\n'), cost: 0 } } : {}),
  };
  const question = readBody(head, asks < 0 ? [] : body.slice(asks), newId);
  // Opinions carry no points, and what takes longer carries more, unless the teacher said otherwise.
  return points === null ? { ...question, points: defaultPoints(question) } : question;
}

function defaultPoints({ kind }: Question): number {
  return kind === 'poll' ? 0 : kind === 'extendedText' ? 200 : 100;
}

function takeOut(lines: readonly string[], form: RegExp): { rest: string[]; found: string[] } {
  const found = lines.flatMap((line) => form.exec(line)?.[1] ?? []);
  return { rest: lines.filter((line) => !form.test(line)), found };
}

function readStem(lines: readonly string[]): { stem: string; points: number | null } {
  // A worksheet's own number before what is asked.
  const text = lines
    .join('\n')
    .replace(/^\s*\d{1,3}[.)]\s+/u, '')
    .trim();
  const found = pointsEnd.exec(text);
  if (!found) return { stem: text, points: null };
  const points = Math.min(100_000, Math.round(Number(found[1]?.replace(',', '.')) * 100));
  return { stem: text.slice(0, found.index).trim(), points };
}

function readBody(head: QuestionHead, lines: readonly string[], newId: NewId): Question {
  const [first] = lines;
  if (first === undefined) return withoutAnswers(head, newId);
  const tasks = lines.flatMap((line) => task.exec(line) ?? []);
  if (task.test(first) && tasks.length > 0) return readChoice(head, lines, newId);
  const numberFound = numberLine.exec(first);
  if (numberFound) return readNumber(head, numberFound[1] as string, newId);
  const bullets = lines.flatMap((line) => bullet.exec(line)?.[1] ?? []);
  const arrows = bullets.flatMap((line) => (arrow.test(line) ? [arrow.exec(line) as RegExpExecArray] : []));
  if (arrows.length > 0 && arrows.length === bullets.length) return readMatch(head, arrows, newId);
  if (bullets.length > 0) return withItems('poll', head, bullets, newId);
  const steps = lines.flatMap((line) => numbered.exec(line)?.[2] ?? []);
  if (steps.length > 0) return withItems('order', head, steps, newId);
  const quoted = lines.flatMap((line) => quote.exec(line)?.[1] ?? []);
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
    const found = task.exec(line);
    if (!found) return [];
    const [text = '', feedback = ''] = (found[2] as string).split(' :: ').map((part) => part.trim());
    return [{ ...createOption(newId, text, found[1] !== ' '), feedback }];
  });
  const form: QuestionForm = options.filter(({ right }) => right).length > 1 ? 'choiceSeveral' : 'choice';
  return { ...(fromHead(form, head, newId) as QuestionOf<'choice'>), options };
}

function withItems(kind: 'poll' | 'order', head: QuestionHead, texts: readonly string[], newId: NewId): Question {
  const items: Item[] = texts.map((text) => createItem(newId, text.trim()));
  if (kind === 'order') return { ...(fromHead(kind, head, newId) as QuestionOf<'order'>), items };
  return { ...(fromHead(kind, head, newId) as QuestionOf<'poll'>), options: items };
}

function readMatch(head: QuestionHead, arrows: readonly RegExpExecArray[], newId: NewId): Question {
  const left: Item[] = [];
  const right: Item[] = [];
  const pairs: [string, string][] = [];
  for (const [, leftText = '', rightText = ''] of arrows) {
    const other = right.find(({ text }) => text === rightText.trim()) ?? createItem(newId, rightText.trim());
    if (!right.includes(other)) right.push(other);
    // Nothing before the arrow: one more to choose from that belongs to none.
    if (leftText.trim() === '') continue;
    const one = createItem(newId, leftText.trim());
    left.push(one);
    pairs.push([one.id, other.id]);
  }
  return { ...(fromHead('match', head, newId) as QuestionOf<'match'>), left, right, pairs };
}

const numberForm =
  /^([+-]?\d+(?:[.,]\d+)?(?:e[+-]?\d+)?)\s*([^±\d]*?)\s*(?:(?:±|\+-|\+\/-)\s*(\d+(?:[.,]\d+)?)\s*(%)?.*)?$/iu;

function readNumber(head: QuestionHead, text: string, newId: NewId): Question {
  const empty = fromHead('numeric', head, newId) as QuestionOf<'numeric'>;
  const found = numberForm.exec(text.trim());
  if (!found) return fromHead('extendedText', { ...head, modelAnswer: text }, newId);
  const [, value = '', unit = '', by, percent] = found;
  const plain = (number: string) => Number(number.replace(',', '.'));
  const tolerance: NumericTolerance =
    by === undefined
      ? { kind: 'exact' }
      : percent
        ? { kind: 'relative', percent: plain(by) }
        : { kind: 'absolute', by: plain(by) };
  return { ...empty, value: plain(value), unit: unit.trim(), unitNeeded: unit.trim() !== '', tolerance };
}

import type { AttemptState } from '@semita/core/attempt';
import { type Lesson, stopsInOrder } from '@semita/core/lesson';
import { type Question, type Response, responseWords } from '@semita/core/question';
import { plainWords } from '@semita/core/text';
import { atInstant, type Table, type TableCell } from '../../tables/table.ts';

interface Walked {
  readonly displayName: string;
  readonly state: AttemptState;
}

const headingsOf = (timeZone: string) => [
  'Student',
  'Part',
  'Stop',
  'Question',
  'Kind',
  'Try',
  'Answer',
  'Points',
  'Of',
  'Marked by',
  'Comment',
  'How sure (1 to 4)',
  'Hint taken',
  'Minutes at the stop',
  `Answered (${timeZone})`,
];

/** All answers in long form: one row for each try of each student at each question, in the order of the lesson. */
export function answersTable(lesson: Lesson, walks: readonly Walked[], timeZone: string): Table {
  // By the numbers of the sheet, which counts every stop.
  const asked = lesson.parts
    .flatMap(({ title, stops }) => stopsInOrder(stops).map((stop) => ({ title, stop })))
    .flatMap(({ title, stop }, index) => (stop.kind === 'checkpoint' ? [{ title, stop, number: index + 1 }] : []));
  const rows = walks.flatMap(({ displayName, state }) =>
    asked.flatMap(({ title, stop, number }) => {
      const given = state.stops[stop.id];
      return stop.questions.flatMap((question): TableCell[][] => {
        const answer = given?.answers[question.id];
        if (!answer) return [];
        const about = [displayName, title, number, plainWords(question.stem), question.kind];
        const tries = [...(answer.earlier ?? []), answer];
        const hinted = given?.hints?.includes(question.id) ? 'yes' : '';
        const minutes = given?.spentMs === undefined ? '' : Math.round(given.spentMs / 600) / 100;
        return tries.map(({ response, points, comment }, at) => [
          ...[...about, at + 1, wordsOf(question, response)],
          ...[points === null ? '' : points / 100, question.points / 100],
          ...[at === tries.length - 1 ? markerWords(answer.markedBy) : '', comment ?? ''],
          ...[response.confidence ?? '', hinted, minutes, atInstant(given?.settledAt)],
        ]);
      });
    }),
  );
  return { name: 'Answers', timeZone, headings: headingsOf(timeZone), rows };
}

/** What somebody wrote themselves is theirs, sign by sign; words of the question are without their marks. */
function wordsOf(question: Question, response: Response): string {
  const isTheirs = response.kind === 'extendedText' || response.kind === 'number' || response.kind === 'files';
  const words = responseWords(question, response);
  return (isTheirs ? words : words.map(plainWords)).join('; ');
}

const markerWords = (markedBy: string | null): string =>
  markedBy === null ? '' : markedBy === 'program' ? 'program' : 'teacher';

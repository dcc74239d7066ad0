import type { Sheet } from '@semita/core/contract';
import { readSheetLine, type SheetStudent } from '@semita/core/sheet';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useLive } from '../../live/use-live.ts';
import { sheetOptions, stopFiguresOptions } from './queries.ts';

/** Keeps an open sheet up to date. Says whether the line is up. */
export function useLiveSheet(assignmentId: string): boolean {
  const queryClient = useQueryClient();
  const { queryKey } = sheetOptions(assignmentId);
  const { data: version } = useQuery({ ...sheetOptions(assignmentId), select: (sheet) => sheet.version });
  return useLive(`sheet:${assignmentId}`, version, {
    line: ({ line }) => {
      const student = readSheetLine(line);
      const before = queryClient.getQueryData<Sheet>(queryKey)?.students.find((one) => isSame(one, student));
      queryClient.setQueryData(queryKey, (sheet: Sheet | undefined) => sheet && withStudent(sheet, student));
      // A student who only watches on changes nothing that is to be marked.
      if (JSON.stringify(before?.row?.marks) !== JSON.stringify(student.row?.marks)) {
        void queryClient.invalidateQueries({ queryKey: ['marking', assignmentId] });
        void queryClient.invalidateQueries(stopFiguresOptions(assignmentId));
      }
      void queryClient.invalidateQueries({ queryKey: ['attempt', assignmentId, student.studentId] });
    },
    askAgain: () => {
      for (const key of [queryKey, ['marking', assignmentId], ['attempt', assignmentId]])
        void queryClient.invalidateQueries({ queryKey: key });
    },
  });
}

function isSame(one: SheetStudent, other: SheetStudent): boolean {
  return one.studentId === other.studentId;
}

function withStudent(sheet: Sheet, student: SheetStudent): Sheet {
  const isKnown = sheet.students.some((one) => isSame(one, student));
  const students = isKnown
    ? sheet.students.map((one) => (isSame(one, student) ? student : one))
    : [...sheet.students, student];
  // The student was just seen, so the server's clock has come at least that far.
  const now = Math.max(sheet.now, student.row?.lastSeenAt ?? 0);
  return { ...sheet, students, now };
}

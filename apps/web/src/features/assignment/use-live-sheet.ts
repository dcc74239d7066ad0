import type { Sheet } from '@semita/core/contract';
import { readSheetLine, type SheetLine, type SheetStudent } from '@semita/core/sheet';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { pathOf } from '../../api/client.ts';
import { sheetOptions } from './queries.ts';

/** Keeps an open sheet up to date by server-sent events. Says whether the line is up. */
export function useLiveSheet(assignmentId: string): boolean {
  const queryClient = useQueryClient();
  const [isLive, setIsLive] = useState(false);
  useEffect(() => {
    const source = new EventSource(pathOf('watchSheet', { assignmentId }));
    const { queryKey } = sheetOptions(assignmentId);
    let wasDown = false;
    source.onopen = () => {
      setIsLive(true);
      // What happened while the line was down was not told.
      if (wasDown) void queryClient.invalidateQueries({ queryKey });
    };
    source.onerror = () => {
      wasDown = true;
      setIsLive(false);
    };
    source.addEventListener('student', ({ data }) => {
      const student = readSheetLine(JSON.parse(data as string) as SheetLine);
      const before = queryClient.getQueryData<Sheet>(queryKey)?.students.find((one) => isSame(one, student));
      queryClient.setQueryData(queryKey, (sheet: Sheet | undefined) => sheet && withStudent(sheet, student));
      // A student who only watches on changes nothing that is to be marked.
      if (JSON.stringify(before?.row?.marks) !== JSON.stringify(student.row?.marks))
        void queryClient.invalidateQueries({ queryKey: ['marking', assignmentId] });
      void queryClient.invalidateQueries({ queryKey: ['attempt', assignmentId, student.studentId] });
    });
    return () => source.close();
  }, [assignmentId, queryClient]);
  return isLive;
}

function isSame(one: SheetStudent, other: SheetStudent): boolean {
  return one.studentId === other.studentId;
}

function withStudent(sheet: Sheet, student: SheetStudent): Sheet {
  const students = sheet.students.map((one) => (isSame(one, student) ? student : one));
  // The student was just seen, so the server's clock has come at least that far.
  const now = Math.max(sheet.now, student.row?.lastSeenAt ?? 0);
  return { ...sheet, students, now };
}

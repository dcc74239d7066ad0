/** The answer that is marked. */
export interface MarkTarget {
  readonly assignmentId: string;
  readonly studentId: string;
  readonly stopId: string;
  readonly questionId: string;
}

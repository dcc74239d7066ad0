/** What a student is told of. */
export const noticeKinds = [
  ...(['new', 'dueTomorrow', 'overdue', 'receipt'] as const),
  ...(['marked', 'returned', 'released', 'extended', 'nudged', 'wroteBack'] as const),
] as const;
export type NoticeKind = (typeof noticeKinds)[number];

/** One thing to be told once; `key` is the same for the same thing, whoever finds it and whenever. */
export interface DueNotice {
  readonly kind: NoticeKind;
  readonly key: string;
  /** A date it is about, epoch ms. */
  readonly about: number | null;
}

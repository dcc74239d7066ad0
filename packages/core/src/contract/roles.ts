/** What somebody can be at a school; one person can be several of them. */
export const roles = ['teacher', 'student', 'admin'] as const;
export type Role = (typeof roles)[number];

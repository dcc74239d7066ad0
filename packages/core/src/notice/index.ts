// What students are told of, when, and whether it goes out by mail.
export { isQuiet, type MailWish, mailWishes, mayMail, type QuietHours } from './mail-time.ts';
export { type DueNotice, type NoticeKind, noticeKinds } from './notice.ts';
export { noticesByTime, type Waiting } from './notices-by-time.ts';

import * as v from 'valibot';
import { mailWishes } from '../notice/mail-time.ts';
import { noticeKinds } from '../notice/notice.ts';
import { email, instant, rowId, token } from './base-schemas.ts';
import { route } from './route.ts';
import { routePaths } from './route-paths.ts';

const noticeListSchema = v.strictObject({
  unread: v.number(),
  /** The latest first. */
  items: v.array(
    v.strictObject({
      ...{ id: v.string(), kind: v.picklist(noticeKinds), assignmentId: v.string(), title: v.string() },
      /** A date it is about. */
      about: instant,
      ...{ at: v.number(), isRead: v.boolean() },
    }),
  ),
  settings: v.strictObject({
    mail: v.picklist(mailWishes),
    address: v.nullable(v.string()),
    isConfirmed: v.boolean(),
  }),
});
export type NoticeList = v.InferOutput<typeof noticeListSchema>;

const noticeSettingsSchema = v.object({ mail: v.picklist(mailWishes), address: v.nullable(email) });
export type NoticeSettings = v.InferOutput<typeof noticeSettingsSchema>;

/** Doors for what students are told, and how. */
export const noticeRoutes = {
  listNotices: route(...routePaths.listNotices, 'student', { output: noticeListSchema }),
  readNotices: route(...routePaths.readNotices, 'student', {
    body: v.object({ ids: v.optional(v.pipe(v.array(rowId), v.maxLength(100))) }),
  }),
  changeNoticeSettings: route(...routePaths.changeNoticeSettings, 'student', { body: noticeSettingsSchema }),
  /** Whoever holds the link says that the address is theirs. */
  confirmAddress: route(...routePaths.confirmAddress, 'anyone', { bodyLimit: 2_000, body: v.object({ token }) }),
  /** One press in a mail; also what mail programs press (RFC 8058). */
  stopMails: route(...routePaths.stopMails, 'anyone'),
  /** Reminds students, each once a day. */
  nudge: route(...routePaths.nudge, 'teacher', {
    body: v.object({ studentIds: v.pipe(v.array(rowId), v.minLength(1), v.maxLength(2_000)) }),
  }),
  /** What the stand-in for a mail server holds. */
  listMails: route(...routePaths.listMails, 'admin', {
    output: v.object({
      isStandIn: v.boolean(),
      mails: v.array(
        v.object({
          ...{ id: v.string(), address: v.string(), subject: v.string(), text: v.string() },
          ...{ createdAt: v.number(), sentAt: instant },
        }),
      ),
    }),
  }),
} as const;

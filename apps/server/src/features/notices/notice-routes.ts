import type { Handlers } from '../../http/serve-route.ts';
import type { NoticeService } from './notice-service.ts';

type Names =
  | 'listNotices'
  | 'readNotices'
  | 'changeNoticeSettings'
  | 'confirmAddress'
  | 'stopMails'
  | 'nudge'
  | 'listMails';

export function noticeHandlers(notices: NoticeService): Pick<Handlers, Names> {
  return {
    listNotices: ({ actor }) => notices.list(actor),
    readNotices: ({ actor, body }) => {
      notices.markRead(actor, body.ids);
      return undefined;
    },
    changeNoticeSettings: ({ actor, body }) => {
      notices.changeSettings(actor, body);
      return undefined;
    },
    confirmAddress: ({ body }) => {
      notices.confirm(body.token);
      return undefined;
    },
    stopMails: ({ params }) => {
      notices.stopMails(params.stopToken);
      return undefined;
    },
    nudge: ({ actor, params, body }) => {
      notices.nudge(actor, params.assignmentId, body.studentIds);
      return undefined;
    },
    listMails: ({ actor }) => notices.listMails(actor),
  };
}

import { accountRoutes } from './account-routes.ts';
import { assignmentRoutes } from './assignment-routes.ts';
import { bankRoutes } from './bank-routes.ts';
import { calendarRoutes } from './calendar-routes.ts';
import { classRoutes } from './class-routes.ts';
import { feedbackRoutes } from './feedback-routes.ts';
import { followingRoutes } from './following-routes.ts';
import { gradebookRoutes } from './gradebook-routes.ts';
import { guestRoutes } from './guest-routes.ts';
import { lessonRoutes } from './lesson-routes.ts';
import { lookBackRoutes } from './look-back-routes.ts';
import { markingRoutes } from './marking-routes.ts';
import { materialRoutes } from './material-routes.ts';
import { noticeRoutes } from './notice-routes.ts';
import { practiceRoutes } from './practice-routes.ts';
import { reviewRoutes } from './review-routes.ts';
import { schoolRoutes } from './school-routes.ts';
import { seriesRoutes } from './series-routes.ts';
import { statementRoutes } from './statement-routes.ts';
import { targetRoutes } from './target-routes.ts';
import { walkRoutes } from './walk-routes.ts';

/** Every door of the server. A door that is not here does not exist: `app.ts` refuses to start with a gap. */
export const routes = {
  ...accountRoutes,
  ...schoolRoutes,
  ...calendarRoutes,
  ...classRoutes,
  ...materialRoutes,
  ...lessonRoutes,
  ...assignmentRoutes,
  ...seriesRoutes,
  ...markingRoutes,
  ...followingRoutes,
  ...gradebookRoutes,
  ...targetRoutes,
  ...reviewRoutes,
  ...statementRoutes,
  ...lookBackRoutes,
  ...feedbackRoutes,
  ...bankRoutes,
  ...walkRoutes,
  ...noticeRoutes,
  ...guestRoutes,
  ...practiceRoutes,
} as const;

export type RouteName = keyof typeof routes;

import { createBrowserRouter } from 'react-router';
import { HomeRoute } from './features/session/home-route.tsx';
import { ErrorPage, NotFoundPage } from './ui/error-page.tsx';
import { Loading } from './ui/notice.tsx';

/** Each side of the house is loaded only by those who live there. */
export const router = createBrowserRouter([
  {
    errorElement: <ErrorPage />,
    hydrateFallbackElement: <Loading />,
    children: [
      { index: true, element: <HomeRoute /> },
      { path: 'set-up', lazy: () => import('./features/arriving/set-up-route.tsx') },
      { path: 'invitation', lazy: () => import('./features/arriving/invitation-route.tsx') },
      { path: 'join/:code?', lazy: () => import('./features/arriving/join-route.tsx') },
      { path: 'card', lazy: () => import('./features/arriving/card-route.tsx') },
      { path: 'practice/:practiceToken', lazy: () => import('./features/practice/practice-route.tsx') },
      { path: 'open', lazy: () => import('./features/arriving/open-route.tsx') },
      { path: 'mail-on', lazy: () => import('./features/notices/mail-on-route.tsx') },
      { path: 'mail-off', lazy: () => import('./features/notices/mail-off-route.tsx') },
      { path: 'kept', lazy: () => import('./features/arriving/kept-route.tsx') },
      { path: 'sign-in', lazy: () => import('./features/session/sign-in-route.tsx') },
      {
        lazy: () => import('./features/todo/student-frame.tsx'),
        children: [
          { path: 'to-do', lazy: () => import('./features/todo/todo-route.tsx') },
          { path: 'my-week', lazy: () => import('./features/week/student-week-route.tsx') },
          { path: 'done', lazy: () => import('./features/todo/done-route.tsx') },
          { path: 'notices', lazy: () => import('./features/notices/notices-route.tsx') },
          { path: 'feedback', lazy: () => import('./features/feedback/feedback-route.tsx') },
        ],
      },
      { path: 'review/:classId', lazy: () => import('./features/review/review-route.tsx') },
      { path: 'walk/:assignmentId', lazy: () => import('./features/walk/walk-route.tsx') },
      {
        lazy: () => import('./features/today/teacher-frame.tsx'),
        children: [
          { path: 'today', lazy: () => import('./features/today/today-route.tsx') },
          { path: 'week', lazy: () => import('./features/week/teacher-week-route.tsx') },
          { path: 'shelf', lazy: () => import('./features/shelf/shelf-route.tsx') },
          { path: 'shelf/questions', lazy: () => import('./features/bank-shelf/bank-route.tsx') },
          { path: 'shelf/targets', lazy: () => import('./features/target-shelf/targets-route.tsx') },
          { path: 'history', lazy: () => import('./features/history/history-route.tsx') },
          { path: 'classes', lazy: () => import('./features/classes/classes-route.tsx') },
          {
            path: 'classes/:classId',
            lazy: () => import('./features/classes/class-frame.tsx'),
            children: [
              { index: true, lazy: () => import('./features/classes/students-route.tsx') },
              { path: 'given', lazy: () => import('./features/classes/given-route.tsx') },
              { path: 'gradebook', lazy: () => import('./features/gradebook/gradebook-route.tsx') },
              { path: 'targets', lazy: () => import('./features/mastery/mastery-route.tsx') },
              { path: 'come-back', lazy: () => import('./features/reviews/reviews-route.tsx') },
              { path: 'settings', lazy: () => import('./features/classes/settings-route.tsx') },
            ],
          },
          { path: 'classes/:classId/students/:studentId', lazy: () => import('./features/account/account-route.tsx') },
          { path: 'lessons/:lessonId', lazy: () => import('./features/desk/desk-route.tsx') },
          { path: 'lessons/:lessonId/print', lazy: () => import('./features/print/print-route.tsx') },
          { path: 'slides/:materialId', lazy: () => import('./features/slides/slides-route.tsx') },
          { path: 'series/:seriesId', lazy: () => import('./features/series/series-route.tsx') },
          { path: 'assignments/:assignmentId', lazy: () => import('./features/sheet/sheet-route.tsx') },
          {
            path: 'assignments/:assignmentId/students/:studentId/catch-up',
            lazy: () => import('./features/catch-up/catch-up-route.tsx'),
          },
          { path: 'assignments/:assignmentId/stops', lazy: () => import('./features/stops/stops-route.tsx') },
          { path: 'assignments/:assignmentId/watching', lazy: () => import('./features/watching/watching-route.tsx') },
          {
            path: 'assignments/:assignmentId/look-back',
            lazy: () => import('./features/look-back/look-back-route.tsx'),
          },
          { path: 'assignments/:assignmentId/path', lazy: () => import('./features/path/walked-route.tsx') },
          { path: 'assignments/:assignmentId/marking', lazy: () => import('./features/marking/marking-route.tsx') },
          { path: 'assignments/:assignmentId/terms', lazy: () => import('./features/assigning/terms-route.tsx') },
        ],
      },
      {
        lazy: () => import('./features/school/school-frame.tsx'),
        children: [
          { path: 'school', lazy: () => import('./features/school/school-route.tsx') },
          { path: 'school/people', lazy: () => import('./features/school/people-route.tsx') },
          { path: 'school/mails', lazy: () => import('./features/school/mails-route.tsx') },
          { path: 'school/log', lazy: () => import('./features/school/log-route.tsx') },
        ],
      },
      { path: 'lessons/:lessonId/rehearse', lazy: () => import('./features/walk/rehearse-route.tsx') },
      // For developers: not in what is built.
      ...(import.meta.env.DEV ? [{ path: 'gallery', lazy: () => import('./features/gallery/gallery-route.tsx') }] : []),
      { path: '*', element: <NotFoundPage /> },
    ],
  },
]);

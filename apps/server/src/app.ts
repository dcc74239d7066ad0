import { permissionOf, type Route, type RouteName, routes } from '@semita/core/contract';
import express, { type Express, type Request, Router } from 'express';
import { rateLimit } from 'express-rate-limit';
import helmet from 'helmet';
import type { Deps } from './deps.ts';
import { accountHandlers, createEnter, type DemoPerson } from './features/accounts/account-routes.ts';
import type { Actor } from './features/accounts/session-service.ts';
import { assignmentHandlers } from './features/assignments/assignment-routes.ts';
import { attemptHandlers } from './features/attempts/attempt-routes.ts';
import { bankHandlers } from './features/bank/bank-routes.ts';
import { calendarHandlers } from './features/calendar/calendar-routes.ts';
import { catalogueHandlers } from './features/catalogue/catalogue-routes.ts';
import { classHandlers } from './features/classes/class-routes.ts';
import { feedbackHandlers } from './features/feedback/feedback-routes.ts';
import { followingHandlers } from './features/following/following-routes.ts';
import { gradebookHandlers } from './features/gradebook/gradebook-routes.ts';
import { guestHandlers } from './features/guests/guest-routes.ts';
import { lessonHandlers } from './features/lessons/lesson-routes.ts';
import { lookBackHandlers } from './features/look-back/look-back-routes.ts';
import { materialHandlers } from './features/materials/material-routes.ts';
import { createUploadServer } from './features/materials/upload-server.ts';
import { noticeHandlers } from './features/notices/notice-routes.ts';
import { practiceHandlers } from './features/practice/practice-routes.ts';
import { reviewHandlers } from './features/reviews/review-routes.ts';
import { schoolHandlers } from './features/school/school-routes.ts';
import { statementHandlers } from './features/statements/statement-routes.ts';
import { targetHandlers } from './features/targets/target-routes.ts';
import { compressAnswers } from './http/compress-answers.ts';
import { createErrorHandler } from './http/error-handler.ts';
import { headersOf } from './http/headers-of.ts';
import { letFrame } from './http/let-frame.ts';
import { createOriginCheck } from './http/origin-check.ts';
import { Refused } from './http/refused.ts';
import { admit, type Door, type Handler, type Handlers, serveRoute } from './http/serve-route.ts';
import { serveWeb } from './http/serve-web.ts';
import { createCookies } from './http/session-cookie.ts';
import { createLiveChannel } from './live/live-channel.ts';
import { liveHandlers } from './live/live-routes.ts';
import type { Services } from './services.ts';

export interface AppOptions {
  readonly deps: Deps;
  readonly services: Services;
  /** The built web app; none in tests that need no pages. */
  readonly webDir?: string;
  /** Who can be entered as with one click. Null in production: then there is no such door. */
  readonly demoPeople?: readonly DemoPerson[] | null;
  /** Cookies for https only. */
  readonly secureCookies?: boolean;
  /** Requests about an attempt that one student may send in a minute; a browser sends about twelve. */
  readonly eventRequestsPerMinute?: number;
}

/** Accounts that one address may try to make in ten minutes. */
const newAccountsPerAddress = 250;

/** Recording needs camera, microphone and screen; nothing else of a device is ever asked for. */
const permissionsPolicy = [
  'camera=(self)',
  'display-capture=(self)',
  'microphone=(self)',
  'fullscreen=(self)',
  'autoplay=(self)',
  ...['accelerometer', 'bluetooth', 'geolocation', 'gyroscope', 'hid', 'magnetometer', 'midi'].map(
    (name) => `${name}=()`,
  ),
  ...['payment', 'serial', 'usb', 'idle-detection', 'interest-cohort', 'browsing-topics'].map((name) => `${name}=()`),
].join(', ');

/** Everything but listening. */
export function createApp(options: AppOptions): Express {
  const { deps, services, webDir, demoPeople = null, secureCookies = false, eventRequestsPerMinute = 300 } = options;
  const app = express();
  app.disable('x-powered-by');
  app.set('etag', false);
  const { sessions, materials, lessons, assignments } = services;
  const cookies = createCookies({ secure: secureCookies });
  const enter = createEnter(sessions, cookies);
  // Asked by the door, the limit and the handler of one request, and answered once.
  const actors = new WeakMap<Request, Actor | null>();
  const lookAgain: Door['findActor'] = (req) => sessions.findActor(cookies.readSession(req));
  const findActor: Door['findActor'] = (req) => {
    const known = actors.get(req);
    if (known !== undefined) return known;
    const actor = lookAgain(req);
    actors.set(req, actor);
    return actor;
  };
  // A stream that stays open is nobody at work.
  const findWatcher: Door['findActor'] = (req) => sessions.findActor(cookies.readSession(req), false);
  const live = createLiveChannel({
    bus: deps.bus,
    changes: services.changes,
    mayDo: services.mayDo,
    findActor: findWatcher,
    findLine: assignments.findLine,
    isReceived: services.isReceived,
  });
  const door: Door = { findActor, demo: demoPeople !== null, mayDo: services.mayDo, security: services.security };
  // A file may be on its way for longer than a session lasts.
  const uploads = createUploadServer(materials, lookAgain);

  const guards = headersOf(
    helmet({
      strictTransportSecurity: secureCookies,
      contentSecurityPolicy: {
        // All of it is said here: what a library adds by itself nobody has thought about.
        useDefaults: false,
        directives: {
          baseUri: ["'none'"],
          connectSrc: ["'self'"],
          fontSrc: ["'self'"],
          formAction: ["'self'"],
          manifestSrc: ["'self'"],
          objectSrc: ["'none'"],
          workerSrc: ["'self'", 'blob:'],
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'"],
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          mediaSrc: ["'self'", 'blob:'],
          frameAncestors: ["'none'"],
          ...(secureCookies ? { upgradeInsecureRequests: [] } : {}),
        },
      },
    }),
  );
  guards.set('permissions-policy', permissionsPolicy);
  app.use((_req, res, next) => {
    res.setHeaders(guards);
    next();
  });
  // Answers are about persons; files that may be kept say so themselves.
  app.use('/api', (_req, res, next) => {
    res.set('cache-control', 'no-store');
    next();
  });
  app.use(createOriginCheck(secureCookies));
  app.use(
    '/api/attempts',
    rateLimit({
      windowMs: 60_000,
      limit: eventRequestsPerMinute,
      // One student, whatever they are signed in with, and not one address: a class shares an address.
      keyGenerator: (req) => findActor(req)?.id ?? '',
      standardHeaders: false,
      legacyHeaders: false,
      handler: (_req, _res, next) => next(new Refused('tooManyRequests')),
    }),
  );

  app.use(
    ['/api/joining/new', '/api/joining/teacher', '/api/guests', '/api/invitations/acceptance', '/api/set-up'],
    rateLimit({
      windowMs: 10 * 60_000,
      // A class makes its accounts within one lesson, behind one address; nobody makes thousands.
      limit: newAccountsPerAddress,
      standardHeaders: false,
      legacyHeaders: false,
      handler: (_req, _res, next) => next(new Refused('tooManyRequests')),
    }),
  );

  app.use(
    '/api/practice/:practiceToken/walk',
    rateLimit({
      windowMs: 60_000,
      // A whole class practises behind one address, twelve times a minute each. Nothing of it is stored, but it is computed.
      limit: 600,
      standardHeaders: false,
      legacyHeaders: false,
      handler: (_req, _res, next) => next(new Refused('tooManyRequests')),
    }),
  );

  const handlers: Omit<Handlers, 'uploadFile'> = {
    ...accountHandlers({
      ...{ sessions, clock: deps.clock, demoPeople, cookies, cards: services.cards },
      isEmpty: services.setUp.isEmpty,
      putAwayFirstSteps: services.accounts.putAwayFirstSteps,
    }),
    ...schoolHandlers({ ...services, enter }),
    ...calendarHandlers(services.calendar),
    ...classHandlers({
      ...{ classes: services.classes, lists: services.rosterLists, joining: services.joining, enter },
      groupsTaughtBy: services.groupsTaughtBy,
      listAssignments: assignments.list,
      getMe: sessions.getMe,
    }),
    ...materialHandlers(materials, services.madeSlides),
    ...catalogueHandlers(services.catalogue, materials),
    ...lessonHandlers(lessons),
    ...assignmentHandlers(services),
    ...liveHandlers(live),
    ...attemptHandlers(services),
    ...followingHandlers(services),
    ...gradebookHandlers(services),
    ...targetHandlers(services),
    ...statementHandlers(services.statements),
    ...reviewHandlers({
      reviews: services.reviews,
      overview: services.reviewOverview,
      repository: services.reviewRepository,
    }),
    ...feedbackHandlers(services.feedback),
    ...lookBackHandlers(services.lookBacks),
    ...noticeHandlers(services.notices),
    ...guestHandlers(services.guests, enter),
    ...practiceHandlers(services.practice, materials),
    ...bankHandlers(services.bank, services.exchange),
  };
  const api = Router();
  // Express tries one route after the other; what students send every few seconds is asked for first.
  const { takeInEvents, ...others } = handlers;
  serveRoute(api, routes.takeInEvents, permissionOf('takeInEvents'), takeInEvents, door);
  for (const [name, handler] of Object.entries(others))
    serveRoute(api, routes[name as RouteName], permissionOf(name as RouteName), handler as Handler<Route>, door);
  app.use(api);
  app.all(['/api/files', '/api/files/*splat'], admit(routes.uploadFile, door), uploads.handle);
  app.use('/api', (_req, _res, next) => next(new Refused('notFound')));
  if (webDir) {
    app.get('/practice/:practiceToken', letFrame(services.practice.framesOf));
    app.use(compressAnswers);
    serveWeb(app, webDir);
  }
  app.use(createErrorHandler(deps.log));
  return app;
}

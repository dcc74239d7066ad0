import type { IncomingMessage } from 'node:http';
import type { BodyOf, OutputOf, ParamsOf, Permission, Route, RouteName, routes } from '@semita/core/contract';
import express, { type Request, type RequestHandler, type Response, type Router } from 'express';
import * as v from 'valibot';
import type { Actor } from '../features/accounts/session-service.ts';
import { compressAnswers, sendJson } from './compress-answers.ts';
import { Refused } from './refused.ts';

/** What a handler gets: everything parsed, and who is asking. */
export interface Call<R extends Route> {
  readonly params: ParamsOf<R>;
  readonly body: BodyOf<R>;
  /** Of routes for signed-in people it is always there; the audience check stands before. */
  readonly actor: Actor;
  readonly req: Request;
  readonly res: Response;
}

export type Handler<R extends Route> = (call: Call<R>) => OutputOf<R> | Promise<OutputOf<R>>;

/** A handler per route that answers JSON, or that writes to `res` itself where the route has no output. */
export type Handlers = { readonly [Name in RouteName]: Handler<(typeof routes)[Name]> };

export interface Door {
  readonly findActor: (req: Request) => Actor | null;
  readonly demo: boolean;
  /** Whether somebody stands to a thing in one of the ways that a permission names. */
  readonly mayDo: (actor: Actor, permission: Permission, id: string) => boolean;
  /** Told of doors that somebody tried and may not open. */
  readonly security: { readonly record: (kind: 'refused', userId: string, door: string) => void };
}

const nobody: Actor = { id: '', roles: [], schoolId: '', displayName: '' };

/** Hangs a route of the table into Express, with its audience check, its parsers and its output check. */
export function serveRoute<R extends Route>(
  router: Router,
  route: R,
  permission: Permission | null,
  handler: Handler<R>,
  door: Door,
): void {
  const method = route.method.toLowerCase() as Lowercase<Route['method']>;
  const doors = [admit(route, door), ...(permission ? [admitTo(permission, route, door)] : [])];
  // What is no JSON is written by its handler, which knows not who can read it how.
  const compression = route.output ? [] : [compressAnswers];
  router[method](route.path, ...doors, ...parsersOf(route), ...compression, async (req, res) => {
    const output = await handler({
      params: req.params as ParamsOf<R>,
      body: parseBody(route, req) as BodyOf<R>,
      actor: door.findActor(req) ?? nobody,
      req,
      res,
    });
    if (res.headersSent || res.writableEnded) return;
    if (route.output) sendJson(res, v.parse(route.output, output));
    else res.status(204).end();
  });
}

/** Deny by default: an audience that is not met ends the request. */
export function admit({ audience, path }: Pick<Route, 'audience' | 'path'>, door: Door): RequestHandler {
  const { findActor, demo, security } = door;
  return (req, _res, next) => {
    if (audience === 'anyone') return next();
    if (audience === 'demoVisitor') return next(demo ? undefined : new Refused('notFound'));
    const actor = findActor(req);
    if (!actor) return next(new Refused('notSignedIn'));
    // A student is not told which doors teachers have.
    if (audience !== 'signedIn' && !actor.roles.includes(audience)) {
      security.record('refused', actor.id, path);
      return next(new Refused('notFound'));
    }
    next();
  };
}

/** Whoever does not stand to the thing as the route asks is told that it is not there. */
function admitTo(permission: Permission, { path }: Pick<Route, 'path'>, door: Door): RequestHandler {
  return (req, _res, next) => {
    const actor = door.findActor(req);
    const id = req.params[permission.param];
    // Nobody stands to nothing, but to what they hold a link to.
    if (typeof id === 'string' && door.mayDo(actor ?? nobody, permission, id)) return next();
    if (actor) door.security.record('refused', actor.id, path);
    next(new Refused('notFound'));
  };
}

/** Of most routes, in bytes; one that says less is held to that. */
const usualLimit = 3_000_000;

function parsersOf(route: Route): RequestHandler[] {
  if (route.rawBodyLimit) return [express.raw({ type: () => true, limit: route.rawBodyLimit })];
  return route.body ? [express.json({ limit: route.bodyLimit ?? usualLimit, verify: noteRepair }), repairText] : [];
}

/**
 * Half of a pair of surrogates, as when a word is cut in the middle of a sign, is no text (Unicode 15.0, 3.9): databases
 * and addresses refuse it. It is replaced, so that what somebody wrote is kept. And no key may stand for the object itself.
 */
const repairText: RequestHandler = (req, _res, next) => {
  if (inNeedOfRepair.has(req)) req.body = repaired(req.body);
  next();
};

/**
 * In UTF-8 neither can stand but written with an escape, or by its name: most bodies need not be gone through. In any
 * other encoding, which nobody of ours sends, neither is looked for but in what was read.
 */
function noteRepair(req: IncomingMessage, _res: unknown, body: Buffer, encoding: string): void {
  if (encoding !== 'utf-8' || body.includes('\\u') || body.includes('__proto__')) inNeedOfRepair.add(req);
}
const inNeedOfRepair = new WeakSet<IncomingMessage>();

function repaired(value: unknown): unknown {
  if (typeof value === 'string') return value.isWellFormed() ? value : value.toWellFormed();
  if (Array.isArray(value)) return value.map(repaired);
  if (typeof value !== 'object' || value === null) return value;
  const entries = Object.entries(value).filter(([key]) => key !== '__proto__');
  return Object.fromEntries(entries.map(([key, one]) => [repaired(key), repaired(one)]));
}

function parseBody(route: Route, req: Request): unknown {
  if (!route.body) return undefined;
  const parsed = v.safeParse(route.body, req.body);
  if (parsed.success) return parsed.output;
  const fields = parsed.issues.slice(0, 10).map((issue) => v.getDotPath(issue));
  throw new Refused('inputInvalid', { fields });
}

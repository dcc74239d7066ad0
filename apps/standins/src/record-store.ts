import { isDeepStrictEqual } from 'node:util';
import { checkStatement } from '@semita/core/statements';
import express, { type Express, type Request, type Response } from 'express';

interface Stored {
  readonly id: string;
  readonly [field: string]: unknown;
}

const version = '1.0.3';
const maxPerPage = 100;

/**
 * A learning record store as a school might run one: the statements resource of xAPI 1.0.3, part three (from memory of
 * the published specification), in memory. Small, and it ships with the product, so that everything can be tried
 * without a network. It takes nothing that breaks a rule of the specification.
 * @param login what it asks for, by HTTP Basic
 */
export function createRecordStore(login: { readonly name: string; readonly password: string }): Express {
  const statements = new Map<string, Stored>();
  const app = express();
  app.disable('x-powered-by');
  app.use(express.json({ limit: '20mb' }));
  app.get('/about', (_req, res) => void res.json({ version: [version] }));
  app.use((req, res, next) => {
    res.set('X-Experience-API-Version', version);
    const expected = `Basic ${Buffer.from(`${login.name}:${login.password}`).toString('base64')}`;
    if (req.get('authorization') !== expected) return void res.status(401).end();
    if (!/^1\.0(?:\.\d+)?$/.test(req.get('x-experience-api-version') ?? ''))
      return void res.status(400).json({ error: 'X-Experience-API-Version is missing' });
    next();
  });

  /** All of them or none: the status of the answer, and what is wrong. */
  const take = (sent: readonly unknown[]): { readonly status: number; readonly error?: unknown } => {
    const faults = sent.flatMap((one) => checkStatement(one));
    if (faults.length > 0) return { status: 400, error: faults.slice(0, 20) };
    const given = sent.map((one) => one as Stored);
    if (new Set(given.map(({ id }) => id)).size < given.length || given.some(({ id }) => id === undefined))
      return { status: 400, error: 'ids are missing, or the same' };
    const isOther = (one: Stored) =>
      statements.has(one.id) && !isDeepStrictEqual(own(statements.get(one.id)), own(one));
    if (given.some(isOther)) return { status: 409, error: 'there already, and saying something else' };
    const stored = new Date().toISOString();
    for (const one of given) if (!statements.has(one.id)) statements.set(one.id, { ...one, stored, version });
    return { status: 200 };
  };

  app.post('/statements', (req, res) => {
    const sent: unknown[] = Array.isArray(req.body) ? req.body : [req.body];
    const { status, error } = take(sent);
    res.status(status).json(status === 200 ? sent.map((one) => (one as Stored).id) : { error });
  });
  app.put('/statements', (req, res) => {
    if (req.query.statementId !== req.body?.id) return void res.status(400).end();
    const { status, error } = take([req.body]);
    if (status === 200) res.status(204).end();
    else res.status(status).json({ error });
  });
  app.get('/statements', (req, res) => answer(req, res, [...statements.values()]));
  return app;
}

/** What makes a statement another one: neither what a store adds, nor how an activity is described (part two, 2.3.1). */
function own(statement: Stored | undefined): unknown {
  const { stored: _, authority: __, version: ___, ...rest } = statement ?? { id: '' };
  return JSON.parse(JSON.stringify(rest, (name, value) => (name === 'definition' ? undefined : value)));
}

function answer({ query }: Request, res: Response, all: readonly Stored[]): void {
  res.set('X-Experience-API-Consistent-Through', new Date().toISOString());
  if (query.statementId !== undefined) {
    const one = all.find(({ id }) => id === query.statementId);
    return void (one ? res.json(one) : res.status(404).end());
  }
  const read = (statement: Stored) =>
    statement as unknown as {
      readonly actor: object;
      readonly verb: { readonly id: string };
      readonly object: { readonly id: string };
      readonly context?: { readonly registration?: string };
      readonly stored: string;
    };
  const agent = query.agent === undefined ? undefined : JSON.parse(String(query.agent)).account;
  const found = all.filter((statement) => {
    const { actor, verb, object, context, stored } = read(statement);
    return (
      (agent === undefined || isDeepStrictEqual((actor as { account?: object }).account, agent)) &&
      (query.verb === undefined || verb.id === query.verb) &&
      (query.activity === undefined || object.id === query.activity) &&
      (query.registration === undefined || context?.registration === query.registration) &&
      (query.since === undefined || stored > String(query.since)) &&
      (query.until === undefined || stored <= String(query.until))
    );
  });
  const ordered = query.ascending === 'true' ? found : found.toReversed();
  const limit = Math.min(maxPerPage, Number(query.limit) || maxPerPage);
  const from = Number(query.from ?? 0);
  const more = new URLSearchParams({ ...(query as Record<string, string>), from: String(from + limit) });
  res.json({
    statements: ordered.slice(from, from + limit),
    more: from + limit < ordered.length ? `/statements?${more}` : '',
  });
}

import {
  type BodyOf,
  type ErrorCode,
  type OutputOf,
  type ParamsOf,
  type Route,
  type RouteName,
  routes,
  statusOfError,
} from '@semita/core/contract';
import * as v from 'valibot';
import { afterEach, vi } from 'vitest';

type RouteOf<Name extends RouteName> = (typeof routes)[Name];

/** What a route refuses with. */
export class Refusal extends Error {
  readonly code: ErrorCode;
  readonly detail: Record<string, unknown> | undefined;
  constructor(code: ErrorCode, detail?: Record<string, unknown>) {
    super(code);
    this.code = code;
    this.detail = detail;
  }
}

/** What the routes of a test answer; a body comes parsed, as to the server's own handlers. */
export type Answers = {
  readonly [Name in RouteName]?: (input: {
    readonly params: ParamsOf<RouteOf<Name>>;
    readonly body: BodyOf<RouteOf<Name>>;
  }) => OutputOf<RouteOf<Name>>;
};

type Handler = (input: { readonly params: unknown; readonly body: unknown }) => unknown;

afterEach(() => vi.unstubAllGlobals());

/**
 * Stands in for the server at the border of the browser. It takes and gives what the table of routes says and nothing
 * else, so that no test can be built on an answer that the server would never give.
 * @returns what was asked, the oldest first
 */
export function standIn(answers: Answers): { readonly asked: readonly string[] } {
  const asked: string[] = [];
  vi.stubGlobal('fetch', async (address: string, init: RequestInit = {}) => {
    const method = init.method ?? 'GET';
    asked.push(`${method} ${address}`);
    const found = Object.entries<Route>(routes).find(
      ([, route]) => route.method === method && patternOf(route).test(address),
    );
    const [name, route] = found ?? [];
    const handler = answers[name as RouteName] as Handler | undefined;
    if (!route || !handler) throw new Error(`The test has no answer to ${method} ${address}`);
    const sent: unknown = typeof init.body === 'string' ? JSON.parse(init.body) : undefined;
    try {
      const body = route.body ? v.parse(route.body, sent) : undefined;
      const answer = handler({ params: patternOf(route).exec(address)?.groups ?? {}, body });
      if (!route.output) return new Response(null, { status: 204 });
      return new Response(JSON.stringify(v.parse(route.output, answer)), { status: 200 });
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      const { code, detail } = error;
      return new Response(JSON.stringify({ code, detail }), { status: statusOfError[code] });
    }
  });
  return { asked };
}

const patternOf = ({ path }: Route) => new RegExp(`^${path.replace(/:(\w+)/g, '(?<$1>[^/?]+)')}(?:\\?.*)?$`);

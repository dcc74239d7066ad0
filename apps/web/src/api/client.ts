import {
  type BodyOf,
  type ErrorBody,
  type OutputOf,
  type ParamsOf,
  type RouteName,
  routePaths,
  type routes,
} from '@semita/core/contract';
import { ApiError } from './api-error.ts';

type RouteOf<Name extends RouteName> = (typeof routes)[Name];
type None = Record<never, never>;

export type CallInput<Name extends RouteName> = (keyof ParamsOf<RouteOf<Name>> extends never
  ? None
  : { readonly params: ParamsOf<RouteOf<Name>> }) &
  (BodyOf<RouteOf<Name>> extends undefined ? None : { readonly body: BodyOf<RouteOf<Name>> });

interface LooseInput {
  readonly params?: Record<string, string>;
  readonly body?: unknown;
}

/** Where materials are asked for by whoever is nobody here, but holds a link; empty for everybody else. */
let materialsDoor = '';

/** From then on materials are asked for by a practice link; returns its undo. */
export function askForMaterialsBy(practiceToken: string): () => void {
  materialsDoor = `/api/practice/${encodeURIComponent(practiceToken)}/materials/`;
  return () => {
    materialsDoor = '';
  };
}

/** The address of a route with its names filled in, also for links and streams. */
export function pathOf<Name extends RouteName>(name: Name, params: ParamsOf<RouteOf<Name>>): string {
  const path = materialsDoor ? routePaths[name][1].replace(/^\/api\/materials\//, materialsDoor) : routePaths[name][1];
  return path.replace(/:(\w+)/g, (_, key: string) => encodeURIComponent((params as Record<string, string>)[key] ?? ''));
}

/**
 * Calls a route of the table.
 * @throws ApiError with the server's code, or `offline` when it cannot be reached
 */
export function call<Name extends RouteName>(
  name: Name,
  input: CallInput<Name>,
  options: { readonly keepalive?: boolean } = {},
): Promise<OutputOf<RouteOf<Name>>> {
  const { params, body } = input as LooseInput;
  return send(routePaths[name][0], pathOf(name, (params ?? {}) as ParamsOf<RouteOf<Name>>), {
    ...options,
    ...(body === undefined ? {} : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }),
  }) as Promise<OutputOf<RouteOf<Name>>>;
}

/** Sends a file as it is to a route that reads it raw. */
export function callWithFile<Name extends RouteName>(
  name: Name,
  params: ParamsOf<RouteOf<Name>>,
  file: Blob,
): Promise<OutputOf<RouteOf<Name>>> {
  return send(routePaths[name][0], pathOf(name, params), { body: file }) as Promise<OutputOf<RouteOf<Name>>>;
}

async function send(method: string, path: string, init: RequestInit): Promise<unknown> {
  let response: Response;
  try {
    response = await fetch(path, { method, ...init });
  } catch (error) {
    // fetch rejects with a TypeError when there is no connection, and in no other case that we make.
    if (error instanceof TypeError) throw new ApiError('offline');
    throw error;
  }
  if (response.status === 204) return undefined;
  const body: unknown = await response.json().catch(() => null);
  if (response.ok) return body;
  const { code = 'internal', detail } = (body ?? {}) as Partial<ErrorBody>;
  throw new ApiError(code, detail);
}

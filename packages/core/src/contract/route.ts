import type * as v from 'valibot';

/** Who may call a route. Which rows they may see is for the use-case behind it. */
export type Audience = 'anyone' | 'signedIn' | 'teacher' | 'student' | 'admin' | 'demoVisitor';

type Schema = v.GenericSchema;

/** One line of the table of routes, from which server, client and the audience test are derived. */
export interface Route<
  Path extends string = string,
  Body extends Schema | undefined = Schema | undefined,
  Output extends Schema | undefined = Schema | undefined,
> {
  readonly method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  /** With `:names`, as Express reads them. */
  readonly path: Path;
  readonly audience: Audience;
  /** Of a JSON body; undefined for none. */
  readonly body: Body;
  /** Of a JSON answer; undefined where the answer is a file, a stream or nothing. */
  readonly output: Output;
  /** Said of routes whose body is a file: read raw, up to this many bytes. */
  readonly rawBodyLimit?: number;
  /** Most bytes of a JSON body, where it is less than usual. */
  readonly bodyLimit?: number;
}

export function route<
  const Path extends string,
  Body extends Schema | undefined = undefined,
  Output extends Schema | undefined = undefined,
>(
  method: Route['method'],
  path: Path,
  audience: Audience,
  more: { body?: Body; output?: Output; rawBodyLimit?: number; bodyLimit?: number } = {},
): Route<Path, Body, Output> {
  const { body, output, rawBodyLimit, bodyLimit } = more;
  return {
    method,
    path,
    audience,
    body: body as Body,
    output: output as Output,
    ...(rawBodyLimit === undefined ? {} : { rawBodyLimit }),
    ...(bodyLimit === undefined ? {} : { bodyLimit }),
  };
}

type NamesIn<Path extends string> = Path extends `${string}:${infer Name}/${infer Rest}`
  ? Name | NamesIn<`/${Rest}`>
  : Path extends `${string}:${infer Name}`
    ? Name
    : never;

export type ParamsOf<R extends Route> = Record<NamesIn<R['path']>, string>;
export type BodyOf<R extends Route> = R['body'] extends Schema ? v.InferOutput<R['body']> : undefined;
export type OutputOf<R extends Route> = R['output'] extends Schema ? v.InferOutput<R['output']> : undefined;

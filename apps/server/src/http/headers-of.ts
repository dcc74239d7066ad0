import type { IncomingMessage, ServerResponse } from 'node:http';

type Middleware = (req: IncomingMessage, res: ServerResponse, next: (error?: unknown) => void) => void;

/** The headers a middleware sets whatever is asked, found out once: setting them is all it does for each request. */
export function headersOf(middleware: Middleware): Map<string, string> {
  const headers = new Map<string, string>();
  const set = (name: string, value: number | string | readonly string[]) =>
    headers.set(name.toLowerCase(), String(value));
  const response = { setHeader: set, removeHeader: (name: string) => headers.delete(name.toLowerCase()) };
  middleware({} as IncomingMessage, response as unknown as ServerResponse, (error) => {
    if (error) throw error;
  });
  return headers;
}

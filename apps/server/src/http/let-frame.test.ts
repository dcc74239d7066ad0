import express from 'express';
import { afterEach, beforeEach, expect, test } from 'vitest';
import { letFrame } from './let-frame.ts';

let server: ReturnType<ReturnType<typeof express>['listen']>;
beforeEach(async () => {
  const app = express();
  app.use((_req, res, next) => {
    res.setHeader('content-security-policy', "default-src 'self';frame-ancestors 'none'");
    res.setHeader('x-frame-options', 'DENY');
    next();
  });
  app.get(
    '/practice/:practiceToken',
    letFrame((token) => (token === 'framed' ? ['https://class.example'] : [])),
  );
  app.get('/{*splat}', (_req, res) => void res.send(''));
  server = app.listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
});
afterEach(() => void server.close());

const headersOf = async (path: string) => {
  const { port } = server.address() as { port: number };
  const { headers } = await fetch(`http://127.0.0.1:${port}${path}`);
  return [headers.get('content-security-policy')?.split(';')[1], headers.get('x-frame-options')];
};

test('only the sites that a teacher names may frame a practice page, and no other page may be framed', async () => {
  expect(await headersOf('/practice/framed')).toEqual(['frame-ancestors https://class.example', null]);
  expect(await headersOf('/practice/another')).toEqual(["frame-ancestors 'none'", 'DENY']);
  expect(await headersOf('/today')).toEqual(["frame-ancestors 'none'", 'DENY']);
});

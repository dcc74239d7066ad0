import path from 'node:path';
import type { Express } from 'express';
import expressStaticGzip from 'express-static-gzip';

/** Brotli before gzip, where the browser takes it and the build wrote it; else the file as it is. */
const compressed = { enableBrotli: true, orderPreference: ['br', 'gz'], index: false };

/** The built pages: hashed files for ever, the shell never from a cache; every other address is the shell's to read. */
export function serveWeb(app: Express, webDir: string): void {
  app.use(
    '/assets',
    expressStaticGzip(path.join(webDir, 'assets'), {
      ...compressed,
      serveStatic: { immutable: true, maxAge: '365d', fallthrough: false },
    }),
  );
  app.use(expressStaticGzip(webDir, compressed));
  app.get('/{*splat}', (_req, res) => {
    res.set('cache-control', 'no-cache').sendFile(path.join(webDir, 'index.html'));
  });
}

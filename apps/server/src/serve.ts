import type { Server } from 'node:http';
import type { Express } from 'express';

/** Listens, and stops cleanly on SIGINT and SIGTERM. Resolves once the port is open. */
export function serve(
  app: Express,
  { port, host }: { port: number; host: string },
  onStop: () => void,
): Promise<Server> {
  return new Promise((resolve, reject) => {
    const server = app.listen(port, host, (error) => {
      // Express 5 hands listen errors to this callback.
      if (error) reject(error);
      else resolve(server);
    });
    for (const signal of ['SIGINT', 'SIGTERM'] as const)
      process.once(signal, () => {
        server.close(onStop);
        server.closeAllConnections();
      });
  });
}

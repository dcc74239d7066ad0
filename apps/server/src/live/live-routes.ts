import type { Handlers } from '../http/serve-route.ts';
import type { LiveChannel } from './live-channel.ts';

export function liveHandlers(live: LiveChannel): Pick<Handlers, 'watch'> {
  return {
    watch: async ({ actor, req, res }) => {
      const { on, since } = req.query;
      const topics = [on].flat().filter((topic) => typeof topic === 'string');
      // A browser that lost its line says by itself what it was told last.
      const last = req.headers['last-event-id'] ?? since;
      await live.watch(actor, topics, typeof last === 'string' ? last : null, req, res);
      return undefined;
    },
  };
}

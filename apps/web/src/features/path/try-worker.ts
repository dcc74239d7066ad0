import { tryRoutes } from '@semita/core/checks';
import type { Lesson } from '@semita/core/lesson';

self.onmessage = ({ data }: MessageEvent<Lesson>) => self.postMessage(tryRoutes(data));

import { type Lesson, tryRoutes } from '@semita/core';

self.onmessage = ({ data }: MessageEvent<Lesson>) => self.postMessage(tryRoutes(data));

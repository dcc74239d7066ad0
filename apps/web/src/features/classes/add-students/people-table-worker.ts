import { type PeopleSource, tableOf } from './people-table.ts';

self.onmessage = ({ data }: MessageEvent<PeopleSource>) => self.postMessage(tableOf(data));

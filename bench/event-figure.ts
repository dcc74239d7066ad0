import { type ChildProcess, fork } from 'node:child_process';
import { once } from 'node:events';
import http from 'node:http';
import type { LearnerEventBody } from '@semita/core/attempt';
import { v7 } from 'uuid';
import { type Figure, medianRatio } from './compare.ts';

const connections = 30;
const roundMs = 1_500;

interface Walker {
  readonly path: string;
  readonly cookie: string;
  readonly sittingId: string;
}

async function start<T>(file: string, args: readonly string[] = []): Promise<{ child: ChildProcess; told: T }> {
  const child = fork(new URL(file, import.meta.url), args);
  const [told] = (await once(child, 'message')) as [T];
  return { child, told };
}

const agent = new http.Agent({ keepAlive: true, maxSockets: connections });

function post(port: number, path: string, body: string, cookie = ''): Promise<void> {
  return new Promise((resolve, reject) => {
    const headers = { 'content-type': 'application/json', 'content-length': Buffer.byteLength(body), cookie };
    const request = http.request({ host: '127.0.0.1', port, path, method: 'POST', agent, headers }, (response) => {
      response.resume();
      response.on('end', () => (response.statusCode === 200 ? resolve() : reject(new Error(`${response.statusCode}`))));
    });
    request.on('error', reject);
    request.end(body);
  });
}

/** Requests a second over a round, with every connection asking again as soon as it is answered. */
async function requestsPerSecond(ask: (connection: number) => Promise<void>): Promise<number> {
  const startedAt = performance.now();
  let count = 0;
  const run = async (connection: number) => {
    while (performance.now() - startedAt < roundMs) {
      await ask(connection);
      count++;
    }
  };
  await Promise.all(Array.from({ length: connections }, (_, connection) => run(connection)));
  return (1000 * count) / (performance.now() - startedAt);
}

/** A server runs for days: what it takes in its first seconds, while its code is still being compiled, says nothing. */
async function warmUp(round: () => Promise<number>): Promise<void> {
  let before = 0;
  for (let rounds = 0; rounds < 8; rounds++) {
    const now = await round();
    if (now < before * 1.03) return;
    before = now;
  }
}

/** What a student sends while going on with the film: small steps, no more than really fit into the time. */
const steps: readonly LearnerEventBody[] = [
  { type: 'met', partId: 'clip', fromMs: 10_000, toMs: 10_020, rate: 1 },
  { type: 'paused', partId: 'clip', atMs: 10_020 },
  { type: 'sought', partId: 'clip', fromMs: 10_020, toMs: 10_000 },
  { type: 'met', partId: 'clip', fromMs: 10_000, toMs: 10_010, rate: 1 },
  { type: 'hidden' },
];
/** What changes the state's length each time, so that nothing can be written over in its place. */
const comingAndGoing: readonly LearnerEventBody[] = [{ type: 'hidden' }, { type: 'shown' }];

interface Load {
  readonly stopCount: number;
  readonly bodies: readonly LearnerEventBody[];
}

/** Requests a second of a school, for each that a bare route takes, which inserts one row. */
async function measureLoad({ stopCount, bodies }: Load): Promise<number> {
  const school = await start<{ port: number; walkers: Walker[] }>('./event-school.ts', [String(stopCount)]);
  const bare = await start<{ port: number }>('./bare-express.ts');
  const numbers = new Array<number>(connections).fill(0);
  const sendBatch = (connection: number) => {
    const { path, cookie, sittingId } = school.told.walkers[connection] as Walker;
    const events = bodies.map((body) => {
      const n = numbers[connection] as number;
      numbers[connection] = n + 1;
      return { ...body, id: v7(), sittingId, n, at: Date.now() };
    });
    return post(school.told.port, path, JSON.stringify({ events }), cookie);
  };
  const body = JSON.stringify(bodies[0]);
  const insertOne = () => post(bare.told.port, '/events', JSON.stringify({ id: v7(), body }));
  const ours = () => requestsPerSecond(sendBatch);
  const baseline = () => requestsPerSecond(insertOne);
  await warmUp(ours);
  await warmUp(baseline);
  const ratio = await medianRatio(5, ours, baseline);
  school.child.disconnect();
  bare.child.disconnect();
  await Promise.all([once(school.child, 'exit'), once(bare.child, 'exit')]);
  return ratio;
}

export async function measureEvents(): Promise<Figure[]> {
  const perEvent = steps.length * (await measureLoad({ stopCount: 20, bodies: steps }));
  const at20 = await measureLoad({ stopCount: 20, bodies: comingAndGoing });
  const at200 = await measureLoad({ stopCount: 200, bodies: comingAndGoing });
  agent.destroy();
  const bare = 'bare Express, one INSERT a request';
  return [
    { name: `Events a second, in batches of 5 ÷ ${bare}`, ratio: perEvent, goal: 1.5, better: 'higher' },
    { name: `Requests a second at 20 stops, batches of 2 ÷ ${bare}`, ratio: at20, goal: 0.75, better: 'higher' },
    { name: `Requests a second at 200 stops, batches of 2 ÷ ${bare}`, ratio: at200, goal: 0.65, better: 'higher' },
  ];
}

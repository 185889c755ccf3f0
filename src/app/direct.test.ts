import { randomUUID } from 'node:crypto';
import { Agent, createServer, get, type IncomingMessage, request, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { text } from 'node:stream/consumers';
import { until } from '@testing/until';
import { afterAll, afterEach, beforeAll, beforeEach, expect, it, vi } from 'vitest';
import { CALLS } from '@/core/calls';
import { SIGN_IN_COOKIE, signInAs } from '@/server/auth/sign-ins';
import { WITH_ANSWERS, WITH_EVERYTHING } from '@/server/headers';
import { MOST_STREAMS } from '@/server/live/streams';
import { prepareRun } from '@/server/runs';
import { makeClass, NOON, testDatabase, testDatabaseUrl } from '@/server/testing/studio';
import { log } from '@/server/watch/log';
import { metrics } from '@/server/watch/metrics';
import { serveDirectly } from './api/direct';

/** What is answered by node itself is answered as a handler does it, and nothing else is. */

const db = testDatabase();
let server: Server;
let url: string;
let runId: string;
let cookie: string;

beforeAll(async () => {
  process.env.DATABASE_URL = testDatabaseUrl();
  server = createServer((asked, response) => {
    if (!serveDirectly(asked, response)) response.writeHead(404).end('the application');
  });
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => {
  server.closeAllConnections();
  server.close();
});
afterEach(() => {
  vi.restoreAllMocks();
});
beforeEach(async () => {
  server.closeAllConnections();
  await until(async () => expect(await connections()).toBe(0));
  vi.setSystemTime(NOON);
  const studio = await makeClass(db());
  const { sessionId, teacherId } = studio;
  runId = (await prepareRun(db(), studio, { sessionId, now: NOON, speaker: null, teacherId })).id;
  cookie = `${SIGN_IN_COOKIE}=${await signInAs(db(), studio.teacherId, NOON)}`;
});

const device = randomUUID();
const event = (type: string, note?: string) => ({ id: randomUUID(), at: NOON, type, note });
const send = (body: unknown, headers: object = {}) =>
  fetch(`${url}/api/runs/${runId}/events`, {
    method: 'POST',
    headers: { cookie, 'content-type': 'application/json', ...headers },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });
const live = () =>
  new Promise<IncomingMessage>((resolve, reject) => {
    get(`${url}/api/runs/${runId}/live`, { headers: { cookie } }, resolve).on('error', reject);
  });

it('appends what happens, and says nothing but what the contract says, with the headers of every answer', async () => {
  const answer = await send({ device, events: [event('started')], after: 0 });
  expect(answer.status).toBe(200);
  for (const [name, value] of Object.entries({ ...WITH_EVERYTHING, ...WITH_ANSWERS })) {
    expect([name, answer.headers.get(name)]).toEqual([name, value]);
  }
  expect(answer.headers.get('cache-control')).toBe('no-store');
  const { events, leader } = CALLS.sendEvents.answers.parse(await answer.json());
  expect([events.map((e) => e.type), leader]).toEqual([['started'], device]);
  const time = await fetch(`${url}/api/time`, { headers: { cookie } });
  expect(await time.json()).toMatchObject({ now: NOON });
});

it('refuses as a handler does', async () => {
  const good = { device, events: [event('started')], after: 0 };
  const refused = async (answer: Promise<Response>) => {
    const { status, headers } = await answer;
    expect(headers.get('x-frame-options')).toBe('DENY');
    return status;
  };
  expect(await refused(send(good, { cookie: '' }))).toBe(401);
  expect(await refused(send(good, { 'sec-fetch-site': 'cross-site' }))).toBe(403);
  expect(await refused(send(good, { 'content-type': 'text/plain' }))).toBe(400);
  expect(await refused(send('{"device":'))).toBe(400);
  expect(await refused(send({ ...good, events: [{ type: 'dance' }] }))).toBe(400);
  const elsewhere = `${url}/api/runs/${randomUUID()}/lead`;
  const lead = { method: 'POST', headers: { cookie, 'content-type': 'application/json' } };
  expect(await refused(fetch(elsewhere, { ...lead, body: JSON.stringify({ device }) }))).toBe(404);
});

it('says that something is too large, however it comes, and may be asked again on the same line', async () => {
  const agent = new Agent({ keepAlive: true, maxSockets: 1 });
  const large = `"${' '.repeat(3_000_000)}"`;
  const post = (body: string, length?: number) =>
    new Promise<[number | undefined, string]>((resolve, reject) => {
      const headers = {
        cookie,
        'content-type': 'application/json',
        ...(length !== undefined && { 'content-length': length }),
      };
      const path = `${url}/api/runs/${runId}/events`;
      const asked = request(path, { method: 'POST', headers, agent }, async (answer) =>
        resolve([answer.statusCode, await text(answer)]),
      );
      asked.on('error', reject);
      asked.write(body.slice(0, 1000));
      asked.end(body.slice(1000));
    });
  for (const length of [large.length, undefined]) {
    const [status, said] = await post(large, length);
    expect([status, said]).toEqual([413, expect.stringContaining('too-large')]);
    const good = JSON.stringify({ device, events: [event('parked', 'Which oil?')], after: 0 });
    expect((await post(good))[0]).toBe(200);
  }
  expect(await connections()).toBe(1);
  agent.destroy();
});

it('leaves everything else to the application', async () => {
  const asked: [string, string][] = [
    ['GET', `/api/runs/${runId}/events`],
    ['PUT', `/api/runs/${runId}/events`],
    ['OPTIONS', '/api/time'],
    ['GET', '/api/time/'],
    ['GET', `/api/runs/${runId}/x/live`],
    ['POST', '/api/sessions/1/close'],
    ['GET', '/'],
  ];
  for (const [method, path] of asked) {
    const answer = await fetch(url + path, { method });
    expect([path, await answer.text()]).toEqual([path, 'the application']);
  }
});

it('holds a live stream open until whoever hears it has gone, and then has room for another', async () => {
  const streams = await Promise.all(Array.from({ length: MOST_STREAMS }, live));
  expect(new Set(streams.map(({ statusCode }) => statusCode))).toEqual(new Set([200]));
  let heard = '';
  streams[0]?.on('data', (part: Buffer) => {
    heard += part;
  });
  await send({ device, events: [event('started')], after: 0 });
  await until(() => expect(heard).toContain('"started"'));
  expect((await live()).statusCode).toBe(429);
  for (const stream of streams) stream.destroy();
  await until(async () => {
    const again = await live();
    again.destroy();
    expect(again.statusCode).toBe(200);
  });
});

it('tells a fault that nobody expected without what was asked, and goes on', async () => {
  const told = vi.spyOn(log(), 'error').mockReturnValue();
  const before = await faults();
  await db().raw('alter table run_events rename to away');
  const answer = await send({ device, events: [event('started')], after: 0 });
  await db().raw('alter table away rename to run_events');
  expect([answer.status, await answer.text()]).toEqual([500, '']);
  expect(await faults()).toBe(before + 1);
  expect(JSON.stringify(told.mock.calls)).toContain('/api/runs/[id]/events');
  expect(JSON.stringify(told.mock.calls)).not.toContain(runId);
  expect((await send({ device, events: [event('started')], after: 0 })).status).toBe(200);
});

it('takes it calmly where whoever asks goes away in the middle', async () => {
  const told = vi.spyOn(log(), 'error').mockReturnValue();
  const headers = { cookie, 'content-type': 'application/json', 'content-length': '1000' };
  const asked = request(`${url}/api/runs/${runId}/events`, { method: 'POST', headers });
  asked.on('error', () => {});
  asked.write('{"device":');
  await until(async () => expect(await connections()).toBe(1));
  asked.destroy();
  await until(async () => expect(await connections()).toBe(0));
  expect((await send({ device, events: [event('started')], after: 0 })).status).toBe(200);
  expect(told).not.toHaveBeenCalled();
});

async function faults(): Promise<number> {
  const { values } = await metrics().errors.get();
  return values.find(({ labels }) => labels.where === 'route')?.value ?? 0;
}

const connections = () =>
  new Promise<number>((resolve) => server.getConnections((_, count) => resolve(count)));

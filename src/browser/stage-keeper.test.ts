import { readFileSync } from 'node:fs';
import path from 'node:path';
import { beforeEach, expect, it, vi } from 'vitest';

/** The service worker as browsers load it, on a store and a server of the test's own. */

const CODE = readFileSync(
  path.join(import.meta.dirname, '..', '..', 'public', 'stage-keeper.js'),
  'utf8',
);
const ORIGIN = 'http://hall.example';
const stageOf = (n: number) => `/lead/00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;

let stored: Map<string, Response>;
let server: (path: string) => Response;
let tell: (message: object) => Promise<unknown>;
/** What the worker answers to somebody who goes to a page; undefined where it lets it pass. */
let visit: (
  path: string,
  mode?: string,
  headers?: Record<string, string>,
) => Promise<Response | undefined>;
let away: boolean;

beforeEach(() => {
  stored = new Map();
  server = (url) => new Response(`what stands at ${url}`);
  const address = (of: string | Request) =>
    new URL(typeof of === 'string' ? of : of.url, ORIGIN).href;
  const store = {
    match: async (of: string | Request) => stored.get(address(of)),
    put: async (of: string | Request, answer: Response) => void stored.set(address(of), answer),
    delete: async (of: string | Request) => stored.delete(address(of)),
    keys: async () => [...stored.keys()].map((url) => new Request(url)),
  };
  const heard = new Map<string, (event: object) => void>();
  const self = {
    location: new URL(ORIGIN),
    addEventListener: (name: string, on: (event: object) => void) => heard.set(name, on),
  };
  const load = new Function('self', 'caches', 'fetch', CODE);
  away = false;
  const fetched = async (of: string | Request) => {
    if (away) throw new TypeError('away');
    return server(typeof of === 'string' ? of : new URL(of.url, ORIGIN).pathname);
  };
  load(self, { open: async () => store, delete: async () => stored.clear() }, fetched);
  visit = async (path, mode = 'navigate', headers = {}) => {
    let answer: Promise<Response> | undefined;
    const request = { url: ORIGIN + path, method: 'GET', mode, headers: new Headers(headers) };
    const respondWith = (given: Promise<Response>) => {
      answer = given;
    };
    heard.get('fetch')?.({ request, respondWith });
    return answer;
  };
  tell = async (data) => {
    let done: Promise<unknown> = Promise.resolve();
    heard.get('message')?.({ data, waitUntil: (work: Promise<unknown>) => (done = work) });
    return done;
  };
});

const kept = () => [...stored.keys()].map((url) => url.slice(ORIGIN.length)).sort();
const part = (name: string) => `/_next/static/${name}.js`;
const said = (text: string) => `/api/speech?text=${text}`;

it('keeps a page, the parts it names, and what is said in it', async () => {
  server = (url) => new Response(url === stageOf(1) ? `<script src="${part('named')}">` : 'x');
  await tell({ page: stageOf(1), parts: [part('a')], spoken: [said('one')] });
  expect(kept()).toEqual([part('a'), part('named'), said('one'), stageOf(1)].sort());
});

it('lets go of the page before, with the parts that only it had; what was said stays', async () => {
  await tell({ page: stageOf(1), parts: [part('a'), part('old')], spoken: [said('one')] });
  await tell({ page: stageOf(2), parts: [part('a'), part('new')], spoken: [said('two')] });
  expect(kept()).toEqual([part('a'), part('new'), said('one'), said('two'), stageOf(2)].sort());
});

it('keeps no more of what was said in earlier classes than two hours', async () => {
  const many = Array.from({ length: 900 }, (_, i) => said(`cue-${i}`));
  await tell({ page: stageOf(1), parts: [], spoken: many });
  await tell({ page: stageOf(2), parts: [], spoken: [said('new')] });
  const left = kept().filter((url) => url.startsWith('/api/speech'));
  expect(left).toHaveLength(801);
  expect(left).toContain(said('cue-899'));
  expect(left).not.toContain(said('cue-99'));
});

it('keeps what it had where the page cannot be fetched, and nothing that is no stage', async () => {
  await tell({ page: stageOf(1), parts: [], spoken: [] });
  server = () => new Response('no', { status: 404 });
  await tell({ page: stageOf(2), parts: [], spoken: [] });
  await tell({ page: '/people', parts: [], spoken: [] });
  expect(kept()).toEqual([stageOf(1)]);
});

it('opens a page while the server is away for a day, and then forgets all of it', async () => {
  const now = vi.spyOn(Date, 'now').mockReturnValue(0);
  server = () => new Response('Ada and Ben');
  await tell({ page: stageOf(1), parts: [part('a')], spoken: [] });
  away = true;
  const day = 24 * 3_600_000;
  now.mockReturnValue(day - 1);
  expect(await (await visit(stageOf(1)))?.text()).toBe('Ada and Ben');
  now.mockReturnValue(day);
  await expect(visit(stageOf(1))).rejects.toThrow('away');
  expect(kept()).toEqual([]);
  now.mockRestore();
});

it('keeps a class that is followed, and what was said in it after nobody says it any more', async () => {
  const said = '/api/follow/speech?text=Soft+jaw';
  await tell({ page: '/follow/K7P3WX', parts: [], spoken: [said] });
  expect(kept()).toEqual([said, '/follow/K7P3WX']);
  server = () => new Response('{"code":"not-following"}', { status: 401 });
  expect(await (await visit(said, 'cors'))?.text()).toBe(`what stands at ${said}`);
  expect((await visit('/api/follow/speech?text=Other', 'cors'))?.status).toBe(401);
});

it('keeps the page of classes to do again beside whichever class comes next', async () => {
  await tell({ page: '/follow/again', parts: [], spoken: [] });
  await tell({ page: '/follow/K7P3WX', parts: [], spoken: [] });
  await tell({ page: stageOf(1), parts: [], spoken: [] });
  expect(kept()).toEqual(['/follow/again', stageOf(1)]);
  expect(await visit('/follow/nothing')).toBeUndefined();
});

it('keeps the music of the class, plays it without the server, and lets go of what the next one does not play', async () => {
  const [tide, own] = ['/api/music/tide', '/api/music/00000000-0000-4000-8000-000000000009'];
  await tell({ page: stageOf(1), parts: [], spoken: [tide, own] });
  away = true;
  expect(await (await visit(tide, 'cors'))?.text()).toBe(`what stands at ${tide}`);
  // Whoever asks for a part of it is no class that is led.
  expect(await visit(tide, 'no-cors', { range: 'bytes=0-' })).toBeUndefined();
  away = false;
  expect(await (await visit('/api/music/lamp', 'cors'))?.text()).toBe(
    'what stands at /api/music/lamp',
  );
  await tell({ page: stageOf(2), parts: [], spoken: [own] });
  expect(kept()).toEqual([own, stageOf(2)]);
});

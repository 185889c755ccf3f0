// @vitest-environment happy-dom
import { afterEach, expect, it, vi } from 'vitest';
import { CALLS } from '@/core/calls';
import { Refused, Unreachable } from './api';
import { type HowFar, takeFile } from './take-file';

const ID = '4a1c6f0e-8a55-4b6e-9d4f-1f2e3d4c5b6a';
const asked = { id: ID, body: { as: 'wav', counts: 'yes' } };
const answer = (response: (signal: AbortSignal) => Response | Promise<Response>) =>
  vi.stubGlobal('fetch', (url: string, { signal }: { signal: AbortSignal }) => {
    expect(url).toBe(`/api/classes/${ID}/audio?as=wav&counts=yes`);
    return response(signal);
  });
afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

const take = (signal = new AbortController().signal) => {
  const told: HowFar[] = [];
  const file = takeFile(CALLS.takeSound, asked, {
    signal,
    onProgress: (howFar) => told.push(howFar),
  });
  return { file, told };
};
const parts = (...all: string[]) =>
  new ReadableStream({
    start(controller) {
      for (const part of all) controller.enqueue(new TextEncoder().encode(part));
      controller.close();
    },
  });

it('tells how far it is, and gives the file whole', async () => {
  const headers = { 'content-length': '7', 'content-type': 'audio/wav' };
  answer(() => new Response(parts('wide', 'jaw'), { headers }));
  const { file, told } = take();
  expect(await (await file).text()).toBe('widejaw');
  expect(told).toEqual([
    { state: 'sending', bytes: 4, of: 7 },
    { state: 'sending', bytes: 7, of: 7 },
  ]);
});

it('says why the server does not, also where it is busy or lacks something', async () => {
  const body = { code: 'no-encoder', message: 'This machine has no ffmpeg.' };
  answer(() => Response.json(body, { status: 503 }));
  await expect(take().file).rejects.toMatchObject({
    code: 'no-encoder',
    message: 'This machine has no ffmpeg.',
  });
  await expect(take().file).rejects.toBeInstanceOf(Refused);
  answer(() => new Response('<html>', { status: 502 }));
  await expect(take().file).rejects.toBeInstanceOf(Unreachable);
});

it('keeps nothing of a file that breaks off', async () => {
  const broken = new ReadableStream({
    pull(controller) {
      controller.error(new TypeError('network error'));
    },
  });
  answer(() => new Response(broken));
  await expect(take().file).rejects.toBeInstanceOf(Unreachable);
  answer(() => Promise.reject(new TypeError('no connection')));
  await expect(take().file).rejects.toBeInstanceOf(Unreachable);
});

it('ends where it is stopped, for that reason', async () => {
  const controller = new AbortController();
  answer(
    (signal) =>
      new Promise((_, reject) => signal.addEventListener('abort', () => reject(signal.reason))),
  );
  const { file } = take(controller.signal);
  controller.abort(new Error('stopped'));
  await expect(file).rejects.toThrow('stopped');
});

it('asks how far it is until it comes, with a ticket of its own and the token of whoever asks', async () => {
  vi.useFakeTimers();
  const looks = [
    Response.json({ state: 'waiting', before: 2 }),
    // Another process makes it, or the network is away: the file itself tells what there is to tell.
    Response.json({ state: 'none' }),
    new Response('<html>', { status: 502 }),
    Response.json({ state: 'making', share: 0.5 }),
  ];
  const asked: string[] = [];
  let send = (_: Response) => {};
  vi.stubGlobal('fetch', (url: string, { headers }: { headers: Record<string, string> }) => {
    expect(headers.Authorization).toBe('Bearer of-hers');
    asked.push(url);
    if (url.includes('/sounds/')) return Promise.resolve(looks.shift());
    return new Promise((resolve) => {
      send = resolve;
    });
  });
  const told: HowFar[] = [];
  const file = takeFile(
    CALLS.takeHomeSound,
    { id: ID, body: { as: 'mp3' } },
    {
      signal: new AbortController().signal,
      home: 'of-hers',
      look: CALLS.lookAtHomeSound,
      onProgress: (howFar) => told.push(howFar),
    },
  );
  await vi.advanceTimersByTimeAsync(1700);
  const ticket = new URL(asked[0] ?? '', 'http://upbeat').searchParams.get('ticket');
  expect(asked.slice(1)).toEqual(Array(4).fill(`/api/home/sounds/${ticket}`));
  expect(told).toEqual([
    { state: 'waiting', before: 2 },
    { state: 'making', share: 0.5 },
  ]);
  send(new Response(parts('jaw')));
  expect(await (await file).text()).toBe('jaw');
  await vi.advanceTimersByTimeAsync(5000);
  expect(asked).toHaveLength(5);
  expect(told.at(-1)).toEqual({ state: 'sending', bytes: 3, of: null });
});

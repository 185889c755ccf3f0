// @vitest-environment happy-dom
import { afterEach, expect, it, vi } from 'vitest';
import { CALLS } from '@/core/calls';
import { Refused, Unreachable } from './api';
import { takeFile } from './take-file';

const ID = '4a1c6f0e-8a55-4b6e-9d4f-1f2e3d4c5b6a';
const asked = { id: ID, body: { as: 'wav', counts: 'yes' } };
const answer = (response: (signal: AbortSignal) => Response | Promise<Response>) =>
  vi.stubGlobal('fetch', (url: string, { signal }: { signal: AbortSignal }) => {
    expect(url).toBe(`/api/classes/${ID}/audio?as=wav&counts=yes`);
    return response(signal);
  });
afterEach(() => vi.unstubAllGlobals());

const take = (signal = new AbortController().signal) => {
  const told: [number, number | null][] = [];
  const file = takeFile(CALLS.takeSound, asked, {
    signal,
    onBytes: (bytes, of) => told.push([bytes, of]),
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
    [4, 7],
    [7, 7],
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

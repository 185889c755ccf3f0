// @vitest-environment happy-dom
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { CALLS } from '@/core/calls';
import { MOST_WAITING, PRACTISED_PATH, practised, sendPractised } from './practised';
import { keepHome } from './settings';

/** A server that counts by id, and may be away, in trouble or refuse. */
const server = {
  answers: 'well' as 'well' | 'away' | 'trouble' | 'busy' | 'page' | 'no',
  stored: new Map(),
};
beforeEach(() => {
  localStorage.clear();
  server.answers = 'well';
  server.stored = new Map();
  vi.stubGlobal('fetch', async (path: string, { headers, body }: RequestInit) => {
    if (server.answers === 'away') throw new TypeError('no connection');
    if (server.answers === 'trouble') return new Response('', { status: 503 });
    if (server.answers === 'busy') return Response.json({ message: 'Wait.' }, { status: 429 });
    // Some networks answer everything with a page of their own.
    if (server.answers === 'page') return new Response('<html>', { status: 200 });
    if (server.answers === 'no') {
      return Response.json({ code: 'asked-enough', message: 'Too often.' }, { status: 409 });
    }
    expect(path).toBe(CALLS.logAlone.path);
    const asked = CALLS.logAlone.asks.parse(JSON.parse(String(body)));
    server.stored.set(asked.id, { ...asked, by: new Headers(headers).get('authorization') });
    return Response.json({});
  });
});
afterEach(() => vi.unstubAllGlobals());

it('goes where the contract says', () => expect(PRACTISED_PATH).toBe(CALLS.logAlone.path));

it('waits without a connection or with a server in trouble or busy, and is counted once later', async () => {
  keepHome('/home/abc_1');
  const first = practised(360, 5000);
  const second = practised(90, 9000);
  for (const answers of ['away', 'trouble', 'busy', 'page'] as const) {
    server.answers = answers;
    expect(await sendPractised()).toEqual({ waits: [first, second], refused: {} });
  }
  server.answers = 'well';
  const [one, other] = await Promise.all([sendPractised(), sendPractised()]);
  expect([one.waits, other.waits]).toEqual([[], []]);
  expect([...server.stored.values()]).toEqual([
    { id: first, at: 5000, seconds: 360, by: 'Bearer abc_1' },
    { id: second, at: 9000, seconds: 90, by: 'Bearer abc_1' },
  ]);
});

it('tells why something is not counted, and does not ask again', async () => {
  keepHome('/home/abc_1');
  server.answers = 'no';
  const id = practised(60);
  expect(await sendPractised()).toEqual({
    waits: [],
    refused: { [String(id)]: { code: 'asked-enough', message: 'Too often.' } },
  });
  expect(await sendPractised()).toEqual({ waits: [], refused: {} });
});

it('is nobody’s where the device has no page of anybody', async () => {
  expect(practised(60)).toBeNull();
  expect(await sendPractised()).toEqual({ waits: [], refused: {} });
});

it(`holds ${MOST_WAITING} at most, and the oldest goes`, async () => {
  keepHome('/home/abc_1');
  server.answers = 'away';
  const ids = Array.from({ length: MOST_WAITING + 2 }, () => practised(60));
  expect((await sendPractised()).waits).toEqual(ids.slice(2));
});

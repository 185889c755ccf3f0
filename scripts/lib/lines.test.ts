import { createServer, type IncomingMessage, request as send } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  allThere,
  canBeRead,
  leads,
  lines,
  MOST_SENT,
  MOST_STRANGERS,
  MOST_WAITING,
} from './lines.mjs';

const lineOf = lines();
const signedIn = (who: string) => ({ cookie: `other=1; upbeat_sign_in=${who}` });
const of = (url: string, headers: { cookie?: string } = {}, method = 'GET') =>
  lineOf({ url, method, headers })?.owner;

it('knows an address that cannot be read', () => {
  for (const url of ['/people/%FF', '/%', '/a%2', '/%C3%28?from=1'])
    expect(canBeRead(url)).toBe(false);
  for (const url of ['/', '/people?find=%FF', '/follow/B%C3%BCro', '/%25', undefined]) {
    expect(canBeRead(url)).toBe(true);
  }
});

describe('in whose line a request waits', () => {
  it('is that of its sign-in, apart for what takes long', () => {
    expect(of('/classes', signedIn('ada'))).toBe(of('/today?day=1', signedIn('ada')));
    expect(of('/classes', signedIn('ada'))).not.toBe(of('/classes', signedIn('ben')));
    const long = of('/api/speech/lengths', signedIn('ada'), 'POST');
    expect(long).not.toBe(of('/classes', signedIn('ada')));
    expect(of('/classes', { cookie: '__Host-upbeat_sign_in=ada' })).toBe(
      of('/classes', signedIn('ada')),
    );
  });

  it.each([
    '/api/runs/a/events',
    '/api/sessions/a/roll',
    '/api/time',
    '/api/speech?text=Hi',
    '/_next/static/a.js',
  ])('is none for %s, which a class is led with', (url) => {
    expect(of(url, signedIn('ada'))).toBeUndefined();
    expect(of(url)).toBeUndefined();
  });

  it('is no line of one for sound, which has a queue of its own', async () => {
    const line = lineOf({
      url: '/api/classes/a/audio?as=mp3',
      method: 'GET',
      headers: signedIn('ada'),
    });
    const pack = lineOf({ url: '/api/classes/b/pack', method: 'GET', headers: signedIn('ada') });
    expect(pack).toEqual(line);
    const entered = await Promise.all([1, 2, 3, 4].map(() => line?.gate.enter(line.owner)));
    expect(entered).not.toContain(null);
    let comesIn = false;
    const fifth = line?.gate.enter(line.owner).then((leave) => {
      comesIn = true;
      return leave;
    });
    await Promise.resolve();
    expect(comesIn).toBe(false);
    for (const leave of entered) leave?.();
    (await fifth)?.();
  });

  it('is one for all pages of strangers, and of whoever comes in to follow with whatever cookie', () => {
    const urls = ['/', '/follow', '/follow/ABC234', '/home/abc', '/sign-in?back=/classes'];
    expect(urls.map((url) => of(url))).toEqual(urls.map(() => 'strangers'));
    expect(of('/follow/ABC234', signedIn('made-up'))).toBe('strangers');
    expect(of('/followed', signedIn('ada'))).not.toBe('strangers');
  });

  it.each(['/health', '/ready', '/metrics', '/feed/abc', '/stage-keeper.js', '/icons/icon.png'])(
    'is none for %s, which strangers cannot hold up',
    (url) => expect(of(url)).toBeUndefined(),
  );

  it('is none for what strangers send, which may come slowly; who comes in sends little, and waits', () => {
    expect(of('/sign-in', {}, 'POST')).toBeUndefined();
    const coming = lineOf({ url: '/follow/ABC234', method: 'POST', headers: signedIn('made-up') });
    expect(coming).toMatchObject({ owner: 'who come in', sends: true });
  });

  it('goes after what a class is led with, for strangers alone', () => {
    const press = { url: '/api/runs/a/events', method: 'POST', headers: signedIn('ada') };
    expect(leads(press)).toBe(true);
    for (const other of [{ method: 'GET' }, { headers: {} }, { url: '/classes?/api/runs/' }]) {
      expect(leads({ ...press, ...other }), JSON.stringify(other)).toBe(false);
    }
    const givesWay = (url: string, headers: { cookie?: string }, method = 'GET') =>
      lineOf({ url, method, headers })?.givesWay;
    expect(givesWay('/follow/ABC234', signedIn('made-up'), 'POST')).toBe(true);
    expect(givesWay('/', {})).toBe(true);
    expect(givesWay('/', signedIn('ada'))).toBeUndefined();
  });
});

it('strangers are more than one sign-in may have waiting, since a full hall comes in at once', async () => {
  const full = lines();
  const enter = (headers: { cookie?: string }) => {
    const line = full({ url: '/follow', method: 'GET', headers });
    return line?.gate.enter(line.owner);
  };
  const asked = Array.from({ length: 1 + MOST_STRANGERS }, () => enter({}));
  expect(MOST_STRANGERS).toBeGreaterThan(MOST_WAITING);
  expect(await enter({})).toBeNull();
  for (const leave of asked) (await leave)?.();
  expect(await enter({})).not.toBeNull();
});

describe('what is sent by whoever comes in', () => {
  let take = (_: IncomingMessage) => {};
  const server = createServer((request, response) => {
    take(request);
    response.on('error', () => {});
  });
  let port = 0;
  beforeAll(async () => {
    await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
    port = (server.address() as AddressInfo).port;
  });
  afterAll(() => {
    server.closeAllConnections();
    server.close();
  });
  const sending = async (headers: Record<string, string | number>, first = '') => {
    const came = new Promise<IncomingMessage>((resolve) => {
      take = resolve;
    });
    const sent = send({ port, method: 'POST', headers });
    sent.on('error', () => {});
    sent.flushHeaders();
    if (first) sent.write(first);
    return { sent, request: await came };
  };

  it('waits until it is there, and is left for who reads it', async () => {
    const { sent, request } = await sending({ 'content-length': 11 }, 'name=');
    let there: boolean | null = null;
    const whole = allThere(request).then((is) => {
      there = is;
    });
    await new Promise<void>((soon) => request.once('readable', () => setImmediate(soon)));
    expect(there).toBeNull();
    sent.end('Maren!');
    await whole;
    expect(there).toBe(true);
    let read = '';
    for await (const part of request) read += part;
    expect(read).toBe('name=Maren!');
  });

  it('is refused where it is much, does not say how much, or breaks off', async () => {
    const much = await sending({ 'content-length': MOST_SENT + 1 });
    expect(await allThere(much.request)).toBe(false);
    const unsaid = await sending({ 'transfer-encoding': 'chunked' }, 'name=');
    expect(await allThere(unsaid.request)).toBe(false);
    const broken = await sending({ 'content-length': 11 }, 'name=');
    const whole = allThere(broken.request);
    broken.sent.destroy();
    expect(await whole).toBe(false);
  });

  it('nothing at all is there at once', async () => {
    const { request } = await sending({ 'content-length': 0 });
    expect(await allThere(request)).toBe(true);
  });
});

import { randomUUID } from 'node:crypto';
import { createServer, get, type IncomingMessage, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { libraryMove } from '@library';
import { afterAll, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { type FollowDocument, type FollowNews, followDocumentSchema } from '@/core/follow';
import { isRoomEvent, type NewRunEvent } from '@/core/run';
import {
  AFTER_MS,
  behindTyped,
  type Door,
  endDoor,
  openDoor,
  openTo,
  shutDoor,
} from '@/server/follow/doors';
import { MOST_A_SECOND } from '@/server/follow/flood';
import {
  askQuestion,
  comeIn,
  followerOf,
  followersOf,
  forgetFollowers,
  MOST_FOLLOWERS,
  MOST_QUESTIONS,
  MOST_QUESTIONS_IN_ALL,
  turnAway,
  UNSEEN_MS,
} from '@/server/follow/followers';
import { MOST_LINES_EACH } from '@/server/follow/limits';
import { crowds, serveFollowers } from '@/server/follow/serve';
import { followedSpeech } from '@/server/follow/speech';
import { appendEvents, prepareRun } from '@/server/runs';
import {
  makeClass,
  NOON,
  type TestClass,
  testDatabase,
  testDatabaseUrl,
} from '@/server/testing/studio';

const db = testDatabase();
let studio: TestClass;
let sessionId: string;
let door: Door;
let server: Server;
let url: string;
let now = NOON;

beforeAll(async () => {
  process.env.DATABASE_URL = testDatabaseUrl();
  process.env.UPBEAT_SPEECH = 'off';
  server = createServer((request, response) => {
    if (!serveFollowers(request, response)) response.writeHead(404).end();
  });
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(async () => {
  crowds().close();
  server.closeAllConnections();
  server.close();
});
beforeEach(async () => {
  now = NOON;
  vi.setSystemTime(NOON);
  studio = await makeClass(db());
  sessionId = studio.sessionId;
  door = await openDoor(db(), studio, sessionId, now);
});

const from = (address = 'hall') => ({ address, now });
const enter = async (code = door.code, name: string | null = 'Maren') =>
  comeIn(db(), await behindTyped(db(), code, from()), { name }, now);
const prepare = (wordsPerMinute?: number) =>
  prepareRun(db(), studio, {
    ...{ sessionId, now, wordsPerMinute },
    ...{ speaker: null, teacherId: studio.teacherId },
  });
const event = (what: object) => ({ id: randomUUID(), at: now, ...what }) as NewRunEvent;
const happen = async (runId: string, ...what: object[]) =>
  appendEvents(db(), studio, { runId, drafts: what.map(event), now });
const ask = (path: string, token?: string) =>
  fetch(`${url}${path}`, { headers: token ? { Cookie: `upbeat_follow=${token}` } : {} });

/** A line as a browser holds it open; what came on it so far. */
async function listen(token: string, after = 0) {
  const response = await new Promise<IncomingMessage>((resolve, reject) => {
    const headers = { Cookie: `upbeat_follow=${token}` };
    get(`${url}/api/follow/live?after=${after}`, { headers }, resolve).on('error', reject);
  });
  let text = '';
  let ended = false;
  const waiting: (() => void)[] = [];
  const wake = () => {
    for (const go of waiting.splice(0)) go();
  };
  response.on('data', (part: Buffer) => {
    text += part.toString();
    wake();
  });
  response.on('close', () => {
    ended = true;
    wake();
  });
  const until = async (done: () => boolean) => {
    while (!done()) await new Promise<void>((go) => waiting.push(go));
  };
  const news = () =>
    [...text.matchAll(/^data: (\{"events.*)$/gm)].map((m) => JSON.parse(m[1] ?? '') as FollowNews);
  return {
    response,
    news,
    text: () => text,
    heard: (type: string) => until(() => news().some((n) => n.events.some((e) => e.type === type))),
    made: (least: number) => until(() => news().some((n) => n.made >= least)),
    gone: () => until(() => ended && text.includes('event: gone')),
    ended: () => until(() => ended),
  };
}

describe('the door', () => {
  it('has a code that leads to this class and no other, as people type it', async () => {
    const other = await makeClass(db());
    const theirDoor = await openDoor(db(), other, other.sessionId, now);
    expect(theirDoor.code).not.toBe(door.code);
    const typed = ` ${door.code.slice(0, 3).toLowerCase()}-${door.code.slice(3)}`;
    expect(await behindTyped(db(), typed, from())).toMatchObject({ sessionId, shut: false });
    await expect(shutDoor(db(), other, sessionId, now)).rejects.toMatchObject({ code: 'not-open' });
    await expect(openDoor(db(), other, sessionId, now)).rejects.toMatchObject({
      code: 'not-found',
    });
  });

  it('keeps its code when it is shut and opened again, and lets nobody in meanwhile', async () => {
    const token = await enter();
    expect((await shutDoor(db(), studio, sessionId, now)).shut).toBe(true);
    await expect(enter()).rejects.toMatchObject({ code: 'door-shut' });
    expect(await followerOf(db(), token, now)).toMatchObject({ sessionId, name: 'Maren' });
    expect((await openDoor(db(), studio, sessionId, now)).code).toBe(door.code);
    await enter();
  });

  it('is dead a while after the class is closed, and a new one has another code', async () => {
    const token = await enter();
    await endDoor(db(), studio, sessionId, now);
    now += AFTER_MS - 1;
    expect(await behindTyped(db(), door.code, from())).toMatchObject({ sessionId });
    now += 2;
    await expect(behindTyped(db(), door.code, from())).rejects.toMatchObject({
      code: 'no-such-code',
    });
    await expect(followerOf(db(), token, now)).rejects.toMatchObject({ code: 'not-following' });
    await forgetFollowers(db(), now + 25 * 3_600_000);
    expect(await db()('followers').where({ session_id: sessionId })).toEqual([]);
  });

  it('is not found by guessing: wrong codes wait longer each time, right ones are not counted', async () => {
    const guess = (code: string, address: string) => behindTyped(db(), code, from(address));
    for (let n = 0; n < 150; n++) await guess(door.code, 'choir');
    let refused = '';
    for (let n = 0; n < 101 && !refused.includes('tries'); n++) {
      refused = await guess('CCCCCC', 'stranger').then(
        () => 'found',
        (e: { code: string }) => e.code,
      );
    }
    expect(refused).toBe('too-many-tries');
    await expect(guess(door.code, 'stranger')).rejects.toMatchObject({ code: 'too-many-tries' });
    expect(await guess(door.code, 'choir')).toMatchObject({ sessionId });
  });
});

it('a person’s own page leads to the class they are booked on while its door is open, and to no other', async () => {
  const other = await makeClass(db());
  await openDoor(db(), other, other.sessionId, now);
  expect(await openTo(db(), studio, studio.ada, now)).toMatchObject({ sessionId });
  expect(await openTo(db(), other, studio.ada, now)).toBeNull();
  await shutDoor(db(), studio, sessionId, now);
  expect(await openTo(db(), studio, studio.ada, now)).toBeNull();
  await openDoor(db(), studio, sessionId, now);
  expect(await openTo(db(), studio, studio.ada, door.endsAt + 1)).toBeNull();
});

describe('whoever comes in', () => {
  it('is seen by the teacher, and may be turned away for good', async () => {
    const person = studio.ada;
    const token = await enter();
    const inside = await behindTyped(db(), door.code, from());
    await comeIn(db(), inside, { name: 'Ada', participantId: person }, now + 1);
    const all = await followersOf(db(), studio, sessionId, now);
    expect(all.map((f) => [f.name, f.participantId, f.there])).toEqual([
      ['Ada', person, true],
      ['Maren', null, true],
    ]);
    expect((await followersOf(db(), studio, sessionId, now + UNSEEN_MS + 2))[0]?.there).toBe(false);
    const id = all[1]?.id ?? '';
    const other = await makeClass(db());
    const away = { sessionId, followerId: id, now };
    await expect(turnAway(db(), other, away)).rejects.toMatchObject({ code: 'not-found' });
    await turnAway(db(), studio, away);
    await expect(followerOf(db(), token, now)).rejects.toMatchObject({ code: 'turned-away' });
    expect(await db()('followers').where({ id }).first('name')).toEqual({ name: null });
  });

  it(`is one of ${MOST_FOLLOWERS} at most`, async () => {
    const rows = Array.from({ length: MOST_FOLLOWERS }, () => ({
      id: randomUUID(),
      studio_id: studio.studioId,
      session_id: sessionId,
      token_hash: randomUUID(),
      joined_at: new Date(now),
      seen_at: new Date(now),
    }));
    await db().batchInsert('followers', rows.slice(1), 200);
    await enter();
    await expect(enter()).rejects.toMatchObject({ code: 'too-many-followers' });
  });

  it('asks some questions, with a name or without, which are parked in the log', async () => {
    const follower = await followerOf(db(), await enter(), now);
    const put = (question: string, withName: boolean, id = randomUUID()) =>
      askQuestion(db(), follower, { id, question, withName, now });
    // Its answer may be lost: sent again, it is one question.
    const often = randomUUID();
    for (const again of [often, often]) await put('How often a week?', true, again);
    for (let n = 1; n < MOST_QUESTIONS; n++) await put('And why?', false);
    await expect(put('Once more?', false)).rejects.toMatchObject({ code: 'asked-enough' });
    const notes = await db()('run_events').where({ type: 'parked' }).orderBy('seq').select('data');
    const mine = notes.map((row) => row.data.note).filter((note) => /week|why/.test(note));
    expect(mine).toEqual(['Maren: How often a week?', 'And why?', 'And why?']);
    await db()('followers').where({ id: follower.id }).update({ asked: MOST_QUESTIONS_IN_ALL });
    const another = await followerOf(db(), await enter(), now);
    const question = { id: randomUUID(), question: 'And I?', withName: false, now };
    await expect(askQuestion(db(), another, question)).rejects.toMatchObject({
      code: 'asked-enough',
    });
  });
});

describe('what leaves for followers', () => {
  it('is the class as its schema cuts it out, and nothing of anybody', async () => {
    await db()('participants').where({ id: studio.ada }).update({ name: 'Zora of the pier' });
    const token = await enter();
    expect((await ask('/api/follow/score', token)).status).toBe(409);
    const run = await prepare();
    const walksIn = { type: 'walkedIn', participantId: randomUUID(), name: 'Zora of the pier' };
    await happen(run.id, walksIn, { type: 'parked', note: 'Zora asked' }, { type: 'started' });
    const response = await ask('/api/follow/score', token);
    const body = (await response.json()) as { made: number; document: FollowDocument };
    expect(followDocumentSchema.parse(body.document)).toEqual(body.document);
    expect(JSON.stringify(body)).not.toContain('Zora');
    const line = await listen(token);
    await line.heard('started');
    expect(line.text()).not.toContain('Zora');
    expect(line.news().flatMap((n) => n.events.filter((e) => isRoomEvent(e as never)))).toEqual([]);
    const again = await fetch(`${url}/api/follow/score`, {
      headers: {
        Cookie: `upbeat_follow=${token}`,
        'If-None-Match': response.headers.get('etag') ?? '',
      },
    });
    expect(again.status).toBe(304);
    line.response.destroy();
  });

  it('goes to nobody else: no cookie, a made-up one, one that was turned away', async () => {
    await prepare();
    const token = await enter();
    const [follower] = await followersOf(db(), studio, sessionId, now);
    await turnAway(db(), studio, { sessionId, followerId: follower?.id ?? '', now });
    for (const path of ['/api/follow/score', '/api/follow/live']) {
      expect([path, (await ask(path)).status]).toEqual([path, 401]);
      expect([path, (await ask(path, 'x'.repeat(32))).status]).toEqual([path, 401]);
      expect([path, (await ask(path, token)).status]).toEqual([path, 403]);
      expect((await fetch(`${url}${path}`, { method: 'POST' })).status).toBe(404);
    }
  });

  it('is told to all with the same bytes, from whatever they know on', async () => {
    const run = await prepare();
    const [a, b] = [await enter(), await enter()];
    await happen(run.id, { type: 'started' });
    const first = await listen(a);
    const second = await listen(b, 1);
    await Promise.all([first.heard('started'), second.made(1)]);
    expect(second.news()[0]?.events).toEqual([]);
    await happen(run.id, { type: 'paused' });
    await Promise.all([first.heard('paused'), second.heard('paused')]);
    const last = (text: string) => text.trim().split('\n\n').at(-1);
    expect(last(first.text())).toBe(last(second.text()));
    await happen(run.id, { type: 'resumed' }, { type: 'finished' });
    await Promise.all([first.heard('finished'), second.heard('finished')]);
    expect(first.news().at(-1)?.ended).toBe(true);
    first.response.destroy();
    second.response.destroy();
  });

  it('tells of a class that is made ready anew, and hangs up on who is turned away', async () => {
    const line = await listen(await enter());
    expect(line.response.statusCode).toBe(200);
    await prepare();
    await line.made(1);
    await prepare(200);
    await line.made(2);
    const [follower] = await followersOf(db(), studio, sessionId, now);
    await turnAway(db(), studio, { sessionId, followerId: follower?.id ?? '', now });
    await line.gone();
  });

  it(`is heard on ${MOST_LINES_EACH} lines of one device at most`, async () => {
    const token = await enter();
    const lines = [];
    for (let n = 0; n < MOST_LINES_EACH; n++) lines.push(await listen(token));
    expect((await ask('/api/follow/live', token)).status).toBe(429);
    for (const line of lines) line.response.destroy();
  });

  it('says only what the class says, at its rate', async () => {
    const run = await prepare();
    const follower = await followerOf(db(), await enter(), now);
    const [cue] = run.score.cues;
    const said = { text: cue?.text ?? '', language: 'en' as const };
    const rate = run.score.wordsPerMinute;
    const hear = (utterance: object) =>
      followedSpeech(db(), follower, { ...said, wordsPerMinute: rate, ...utterance });
    // There is no voice here, so what may be said is refused for that reason only.
    await expect(hear({})).rejects.toMatchObject({ code: 'no-voice' });
    const german = libraryMove('tall-o-cheek-lift')?.text.de?.setup[0];
    await expect(hear({ text: german, language: 'de' })).rejects.toMatchObject({
      code: 'no-voice',
    });
    await expect(hear({ text: 'Say this instead.' })).rejects.toMatchObject({ code: 'not-found' });
    await expect(hear({ wordsPerMinute: rate + 1 })).rejects.toMatchObject({ code: 'not-found' });
  });
});

it('lets so many in at a second and no more', async () => {
  const { Flood } = await import('@/server/follow/flood');
  const flood = new Flood(MOST_A_SECOND);
  const passed = Array.from({ length: 100 }, (_, n) => flood.passes(NOON + n));
  expect(passed.filter(Boolean)).toHaveLength(MOST_A_SECOND);
  expect(flood.passes(NOON + 1000)).toBe(true);
});

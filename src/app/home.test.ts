import { randomUUID } from 'node:crypto';
import { LIBRARY, libraryMove } from '@library';
import { planOf } from '@testing/plans';
import { beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { versionForAll } from '@/core/draft';
import { concerns, inVariant, type Move } from '@/core/move';
import { wavMs } from '@/core/speech';
import { createClass } from '@/server/classes/classes';
import { giveHomeClass } from '@/server/people/home';
import { addParticipant } from '@/server/people/people';
import { dropHome, LOG_BACK_DAYS, MOST_A_DAY, makeHome } from '@/server/people/practice';
import { wordedClass } from '@/server/take-away/worded';
import {
  makeClass,
  NOON,
  type TestClass,
  testDatabase,
  testDatabaseUrl,
} from '@/server/testing/studio';
import { GET } from './api/home/classes/[id]/audio/route';
import { POST } from './api/home/practice/route';
import { GET as LOOK } from './api/home/sounds/[id]/route';

const db = testDatabase();
const DAY_MS = 86_400_000;
let studio: TestClass;
let ada: string;
let token: string;

beforeAll(() => {
  process.env.DATABASE_URL = testDatabaseUrl();
});
beforeEach(async () => {
  vi.setSystemTime(NOON);
  studio = await makeClass(db());
  const person = { name: 'Ada', contact: null };
  ada = await addParticipant(db(), studio, { person, joinedOn: '2026-01-01', now: NOON });
  token = await makeHome(db(), studio, ada);
});

const log = async (entry: object, shows = `Bearer ${token}`) => {
  const request = new Request('http://hall.example/api/home/practice', {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', Authorization: shows },
    body: JSON.stringify({ id: randomUUID(), at: NOON - 1000, seconds: 360, ...entry }),
  });
  const response = await POST(request, { params: Promise.resolve({}) });
  return [response.status, (await response.json()).code];
};
const stored = () =>
  db()('practice').where({ participant_id: ada }).orderBy('at').select('at', 'seconds');

it('what was done alone is counted for whose page it is, once, also when it is sent twice', async () => {
  const id = randomUUID();
  expect(await log({ id })).toEqual([200, undefined]);
  expect(await log({ id })).toEqual([200, undefined]);
  expect(await stored()).toEqual([{ at: new Date(NOON - 1000), seconds: 360 }]);
});

it('a device whose clock is ahead logs it for now', async () => {
  expect(await log({ at: NOON + 5 * DAY_MS })).toEqual([200, undefined]);
  expect(await stored()).toEqual([{ at: new Date(NOON), seconds: 360 }]);
});

it('is refused for what was too long ago, too often, not as asked, or without a page', async () => {
  expect(await log({ at: NOON - (LOG_BACK_DAYS + 1) * DAY_MS })).toEqual([409, 'practice-then']);
  expect(await log({ seconds: 0 })).toEqual([400, 'not-as-asked']);
  expect(await log({}, 'Bearer nobody')).toEqual([401, 'no-such-home']);
  expect(await log({}, token)).toEqual([401, 'no-such-home']);
  for (let n = 0; n < MOST_A_DAY; n++) expect(await log({})).toEqual([200, undefined]);
  expect(await log({})).toEqual([409, 'practice-enough']);
  await dropHome(db(), studio, ada);
  expect(await log({})).toEqual([401, 'no-such-home']);
  expect(await stored()).toHaveLength(MOST_A_DAY);
});

describe('a class to do at home, as sound', () => {
  const moves = [
    { move: 'tall-o-cheek-lift', rounds: 1 },
    { move: 'slow-belly-breaths', rounds: 1 },
  ];
  const give = async (lines = moves) => {
    const classId = await createClass(db(), studio, planOf(lines), NOON);
    await giveHomeClass(db(), studio, { participantId: ada, classId, now: NOON });
    return classId;
  };
  const carry = (caution: 'jaw' | null) =>
    db()('participants')
      .where({ id: ada })
      .update({
        cautions: JSON.stringify(caution ? [{ caution }] : []),
        cautions_consent_on: '2026-01-01',
      });
  const asked = (classId: string, shows: string, ticket = randomUUID()) => {
    const url = `http://hall.example/api/home/classes/${classId}/audio?as=wav&ticket=${ticket}`;
    const request = new Request(url, { headers: { Authorization: shows } });
    return GET(request, { params: Promise.resolve({ id: classId }) });
  };
  const take = async (classId: string, shows = `Bearer ${token}`) => {
    const response = await asked(classId, shows);
    const type = response.headers.get('content-type');
    if (type !== 'audio/wav') return { status: response.status, ...(await response.json()) };
    return { status: 200, ms: wavMs(new Uint8Array(await response.arrayBuffer())) };
  };
  /** How long it is with some moves alone. */
  const lengthOf = async (lines: typeof moves) => {
    const id = await createClass(db(), studio, planOf(lines), NOON);
    const teacher = { id: studio.teacherId, studioId: studio.studioId };
    return (await wordedClass(db(), teacher, id)).score.totalMs;
  };

  it('is all of it for somebody who carries nothing, and without what they are to leave out', async () => {
    const id = await give();
    expect(Math.abs((await take(id)).ms - (await lengthOf(moves)))).toBeLessThan(2);
    await carry('jaw');
    // What is against the jaw has no version that is not.
    const left = moves.filter(({ move }) => {
      const of = libraryMove(move);
      return of && concerns(of, [{ caution: 'jaw' }]).length === 0;
    });
    expect(left).toHaveLength(1);
    const { ms } = await take(id);
    const { easier } = libraryMove('tall-o-cheek-lift')?.variants ?? {};
    const gentle =
      easier &&
      concerns(inVariant(libraryMove('tall-o-cheek-lift') as Move, 'easier'), [{ caution: 'jaw' }])
        .length === 0;
    if (!gentle) expect(Math.abs(ms - (await lengthOf(left)))).toBeLessThan(2);
    else expect(ms).toBeGreaterThan(await lengthOf(left));
  });

  it('is refused where nothing of it is left, where it was not given, and without a page', async () => {
    const against = LIBRARY.find(
      (m) => 'against' in versionForAll(m, [{ cautions: [{ caution: 'jaw' }] }]),
    );
    const id = await give([{ move: against?.id ?? '', rounds: 1 }]);
    await carry('jaw');
    expect(await take(id)).toMatchObject({ status: 409, code: 'nothing-left' });
    await carry(null);
    expect(await take(id)).toMatchObject({ status: 200 });
    const other = await createClass(db(), studio, planOf(moves), NOON);
    expect(await take(other)).toMatchObject({ status: 404, code: 'not-found' });
    expect(await take(randomUUID())).toMatchObject({ status: 404 });
    expect(await take(id, 'Bearer nobody')).toMatchObject({ status: 401, code: 'no-such-home' });
    await dropHome(db(), studio, ada);
    expect(await take(id)).toMatchObject({ status: 401, code: 'no-such-home' });
  });

  it('is looked at, how far it is, by whose page it is alone', async () => {
    const id = await give();
    const ticket = randomUUID();
    const look = async (shows: string) => {
      const url = `http://hall.example/api/home/sounds/${ticket}`;
      const request = new Request(url, { headers: { Authorization: shows } });
      const response = await LOOK(request, { params: Promise.resolve({ id: ticket }) });
      return [response.status, await response.json()];
    };
    const none = [200, { state: 'none' }];
    const person = { name: 'Ben', contact: null };
    const ben = await addParticipant(db(), studio, { person, joinedOn: '2026-01-01', now: NOON });
    const another = await makeHome(db(), studio, ben);
    expect(await look(`Bearer ${token}`)).toEqual(none);
    const response = await asked(id, `Bearer ${token}`, ticket);
    // It is made, and nobody has read it yet.
    expect(await look(`Bearer ${token}`)).toEqual([200, { state: 'making', share: 1 }]);
    expect(await look(`Bearer ${another}`)).toEqual(none);
    expect(await look('Bearer nobody')).toMatchObject([401, { code: 'no-such-home' }]);
    await response.arrayBuffer();
    await expect.poll(() => look(`Bearer ${token}`)).toEqual(none);
  });
});

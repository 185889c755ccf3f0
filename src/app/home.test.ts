import { randomUUID } from 'node:crypto';
import { beforeAll, beforeEach, expect, it, vi } from 'vitest';
import { addParticipant } from '@/server/people/people';
import { dropHome, LOG_BACK_DAYS, MOST_A_DAY, makeHome } from '@/server/people/practice';
import {
  makeClass,
  NOON,
  type TestClass,
  testDatabase,
  testDatabaseUrl,
} from '@/server/testing/studio';
import { POST } from './api/home/practice/route';

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

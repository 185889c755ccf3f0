import { randomUUID } from 'node:crypto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { signIn, signOutEverywhere, teacherOf } from '../auth/sign-ins';
import { listClasses } from '../classes/classes';
import { sessionsBetween } from '../sessions/sessions';
import { DAY, everybodyOf, makeStudio, NOON, testDatabase } from '../testing/studio';
import { demoStudioId, ensureSessionToday, removeDemo, seedDemo } from './seed';
import { MOST_VISITS, sweepVisits, visitDemo } from './visits';

const db = testDatabase();

beforeEach(() => void vi.stubEnv('UPBEAT_DEMO', '1'));
afterEach(() => void vi.unstubAllEnvs());

describe('the demo studio', () => {
  it('has classes that fit their slots, people with different streaks, and eight weeks behind it', async () => {
    const email = await seedDemo(db(), 'demo password', NOON);
    const studio = { studioId: (await demoStudioId(db())) ?? '' };
    expect((await listClasses(db(), studio)).map((c) => c.slotSeconds / 60).sort()).toEqual([
      20, 30, 5,
    ]);
    const people = await everybodyOf(db(), studio);
    expect(people).toHaveLength(18);
    const streaks = new Set(people.flatMap((p) => p.best?.streak.current ?? []));
    expect(streaks.size).toBeGreaterThanOrEqual(5);
    const past = await sessionsBetween(db(), studio, NOON - 60 * DAY, NOON - 1);
    expect(past.filter((s) => s.status === 'held')).toHaveLength(22);
    expect(past.filter((s) => s.status === 'cancelled')).toHaveLength(2);
    const answer = await signIn(db(), { email, password: 'demo password', address: 'x' }, NOON);
    expect(answer.ok).toBe(true);
  });

  it('has one session later today, on whatever day it is opened', async () => {
    const studio = { studioId: (await demoStudioId(db())) ?? '' };
    for (const opened of [NOON, NOON + 3 * DAY, NOON + 3 * DAY + 60_000]) {
      await ensureSessionToday(db(), opened);
      const later = await sessionsBetween(db(), studio, opened, opened + 12 * 3_600_000);
      expect(later.filter((s) => s.status === 'planned')).toHaveLength(1);
    }
  });

  it('can be taken away without touching another studio', async () => {
    const other = await makeStudio(db());
    await removeDemo(db());
    expect(await demoStudioId(db())).toBeUndefined();
    expect(await db()('studios').where({ id: other.studioId })).toHaveLength(1);
  });
});

describe('a visit of a public demo', () => {
  const device = { name: 'Firefox on Linux', token: 'x' };
  const visit = (address: string, now: number) => visitDemo(db(), { address, device, now });
  afterEach(async () => {
    await removeDemo(db());
    await db()('sign_in_attempts').delete();
  });

  it('is a studio of its own, which another visitor neither sees nor ends, and is swept after a day', async () => {
    const [one, other] = [await visit('a', NOON), await visit('b', NOON)];
    const [ines, second] = [await teacherOf(db(), one, NOON), await teacherOf(db(), other, NOON)];
    if (!ines || !second) throw new Error('both should be signed in');
    expect(ines.studioId).not.toBe(second.studioId);
    expect((await listClasses(db(), ines)).length).toBeGreaterThan(2);
    // It is none that everybody shares.
    expect(await demoStudioId(db())).toBeUndefined();
    await signOutEverywhere(db(), second.id, NOON);
    expect(await teacherOf(db(), one, NOON)).not.toBeNull();
    const day = 86_400_000;
    expect(await teacherOf(db(), one, NOON + day - 1)).not.toBeNull();
    expect(await teacherOf(db(), one, NOON + day)).toBeNull();
    await sweepVisits(db(), NOON + day);
    expect(await db()('studios').where({ id: ines.studioId })).toEqual([]);
  });

  it('is limited from one address, and in all', async () => {
    for (let i = 0; i < 5; i++) await visit('one', NOON);
    await expect(visit('one', NOON)).rejects.toThrow('Too many tries. Wait a second');
    const at = new Date(NOON + 1000);
    const rows = Array.from({ length: MOST_VISITS - 5 }, () => ({
      id: randomUUID(),
      name: 'A visit',
      time_zone: 'UTC',
      is_demo: true,
      visit_ends_at: at,
      created_at: new Date(NOON),
    }));
    await db()('studios').insert(rows);
    await expect(visit('another', NOON)).rejects.toMatchObject({ code: 'demo-full' });
    await visit('another', NOON + 1000);
  });
});

import { describe, expect, it } from 'vitest';
import { signIn } from '../auth/sign-ins';
import { listClasses } from '../classes/classes';
import { sessionsBetween } from '../sessions/sessions';
import { DAY, everybodyOf, makeStudio, NOON, testDatabase } from '../testing/studio';
import { demoStudioId, ensureSessionToday, removeDemo, seedDemo } from './seed';

const db = testDatabase();

describe('the demo studio', () => {
  it('has classes that fit their slots, people with different streaks, and eight weeks behind it', async () => {
    const email = await seedDemo(db(), 'demo password', NOON);
    const studio = { studioId: (await demoStudioId(db())) ?? '' };
    expect((await listClasses(db(), studio)).map((c) => c.plan.slotSeconds / 60).sort()).toEqual([
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

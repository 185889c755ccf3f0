import { describe, expect, it } from 'vitest';
import { localOf, readCalendarFile } from '@/core/calendar';
import { closuresOf } from '../closed/closed';
import { sessionsBetween } from '../sessions/sessions';
import { DAY, makeClass, NOON, type TestClass, testDatabase, weekly } from '../testing/studio';
import { feedOf, makeFeed } from './feed';
import { type Brought, bringIn, foreseeBrought, planSessions } from './plan';

const db = testDatabase();
const ZONE = 'Europe/Dublin';
const NOWHERE = { teacherId: null, place: null, link: null, roomFor: null };
const half = { from: '2026-12-07', to: '2026-12-13', name: 'Half-term' };

const plan = (c: TestClass, start: string, count: number) => {
  const wish = { ...NOWHERE, start, time: '18:30', rule: weekly(count), classIds: [c.classId] };
  return planSessions(db(), c, { wish, zone: ZONE, now: NOON });
};

/** What is to come, as the clock on the wall shows it. */
async function toCome(c: TestClass): Promise<string[]> {
  const all = await sessionsBetween(db(), c, NOON + 1, NOON + 400 * DAY);
  return all.map((s) => `${localOf(s.startsAt, ZONE)} ${s.status}`);
}

async function feedIn(c: TestClass): Promise<Brought[]> {
  const token = await makeFeed(db(), { of: 'teachers', id: c.teacherId, studioId: c.studioId });
  const text = (await feedOf(db(), { token, now: NOON })) ?? '';
  const read = readCalendarFile(text, { zone: ZONE, now: NOON + 1 });
  if (!read.ok) throw new Error(read.problem);
  return read.series.map((found) => ({ found, classId: c.classId, where: NOWHERE }));
}

describe('what a calendar file has', () => {
  it('stands on the calendar as it stood on the one that it comes from', async () => {
    const [from, to] = [await makeClass(db()), await makeClass(db())];
    await plan(from, '2027-03-16', 4);
    const brought = (await feedIn(from)).map((one) => ({ ...one, classId: to.classId }));
    const done = await bringIn(db(), to, { brought, closures: [], zone: ZONE, now: NOON });
    expect(done).toEqual({ sessions: Array(4).fill(expect.any(String)), cancelled: [] });
    expect(await toCome(to)).toEqual(await toCome(from));
    expect(await toCome(to)).toContain('2027-03-30T18:30 planned');
  });

  it('closes days first, each span once, and cancels what falls into them', async () => {
    const c = await makeClass(db());
    await plan(c, '2026-12-01', 3);
    const brought = await feedIn(c);
    const seen = await foreseeBrought(db(), c, { found: seriesOf(brought), where: NOWHERE });
    expect(seen).toEqual({ closed: 0, conflicts: 0 });
    const here = { ...NOWHERE, place: 'Hall 2' };
    await db()('sessions').where({ studio_id: c.studioId }).update({ place: 'hall 2' });
    const busy = await foreseeBrought(db(), c, { found: seriesOf(brought), where: here });
    expect(busy.conflicts).toBe(1);
    const closures = [half, half];
    const of = { brought: brought.slice(1, 2), closures, zone: ZONE, now: NOON };
    expect(await bringIn(db(), c, of)).toEqual({
      sessions: [expect.any(String)],
      cancelled: [expect.any(String)],
    });
    expect(await bringIn(db(), c, { ...of, brought: [] })).toEqual({ sessions: [], cancelled: [] });
    expect(await closuresOf(db(), c)).toHaveLength(1);
    expect(await toCome(c)).toEqual([
      '2026-12-01T18:30 planned',
      '2026-12-08T18:30 cancelled',
      '2026-12-08T18:30 cancelled',
      '2026-12-15T18:30 planned',
    ]);
  });

  it('comes wholly or not at all', async () => {
    const [c, other] = [await makeClass(db()), await makeClass(db())];
    await plan(c, '2026-12-01', 2);
    const [first, second] = await feedIn(c);
    if (!first || !second) throw new Error('nothing to bring');
    const before = await toCome(c);
    for (const wrong of [
      { ...second, classId: other.classId },
      { ...second, where: { ...NOWHERE, teacherId: other.teacherId } },
    ]) {
      const of = { brought: [first, wrong], closures: [half], zone: ZONE, now: NOON };
      await expect(bringIn(db(), c, of)).rejects.toMatchObject({ code: 'not-found' });
    }
    expect(await toCome(c)).toEqual(before);
    expect(await closuresOf(db(), c)).toEqual([]);
  });
});

function seriesOf([first]: Brought[]) {
  if (!first) throw new Error('nothing to bring');
  return first.found;
}

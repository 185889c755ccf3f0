import { randomUUID } from 'node:crypto';
import { eventId } from '@testing/plans';
import { describe, expect, it } from 'vitest';
import { came } from '@/core/attendance';
import { explain } from '@/core/streak';
import { callOff } from '../calendar/change';
import { erasePerson } from '../people/erase';
import { addParticipant } from '../people/people';
import { appendEvents, closeSession, prepareRun } from '../runs';
import { roll } from '../sessions/register';
import { getSession, planSession } from '../sessions/sessions';
import { DAY, MINUTE, makeClass, NOON, type TestClass, testDatabase } from '../testing/studio';
import { changesOf, correct, MOST_CHANGES, type Said, takeBack } from './correct';
import { registerOf } from './grid';
import { lineAfter } from './line';

const db = testDatabase();
const by = { by: 'Ines', now: NOON };
const term = { from: NOON - 60 * DAY, to: NOON + 60 * DAY, zone: 'Europe/Dublin', now: NOON };

const register = (c: TestClass) => registerOf(db(), c, { classId: c.classId, ...term });
const plan = (c: TestClass, days: number) =>
  planSession(db(), c, { classId: c.classId, startsAt: NOON + days * DAY, now: NOON });
const say = (c: TestClass, sessionId: string, participantId: string, said: Said | null) =>
  correct(db(), c, { line: { sessionId, participantId }, said, ...by });
const lineOf = async (c: TestClass, id: string) => {
  const line = (await register(c)).lines.find((l) => l.participantId === id);
  if (!line) throw new Error('not in the register');
  return line;
};

/** A session that was led for twenty minutes, where Ada came and Ben did not. */
async function led(c: TestClass): Promise<string> {
  const sessionId = await plan(c, -7);
  const at = NOON - 7 * DAY;
  const run = await prepareRun(db(), c, { sessionId, now: at, speaker: null });
  const here = { id: eventId(2), type: 'marked' as const, at, participantId: c.ada };
  const drafts = [
    { id: eventId(1), type: 'started' as const, at },
    { ...here, mark: 'here' as const },
  ];
  await appendEvents(db(), c, { runId: run.id, drafts, now: at });
  const end = at + 20 * MINUTE;
  await closeSession(db(), c, { sessionId, draft: { id: eventId(3), at: end }, now: end });
  // The class itself was shorter than that; here it is one of twenty minutes.
  await db()('runs')
    .where({ id: run.id })
    .update({ finished_at: new Date(end) });
  return sessionId;
}

describe('the register of a class', () => {
  it('has everybody by every session, with totals both ways', async () => {
    const c = await makeClass(db());
    const sessionId = await led(c);
    const off = await plan(c, -14);
    await callOff(db(), c, { id: off, which: 'this', word: null, now: NOON });
    const { sessions, lines, className } = await register(c);
    expect(className).toBe((await getSession(db(), c, sessionId)).className);
    expect(sessions.map((s) => s.status)).toEqual(['cancelled', 'held', 'planned']);
    const told = lines.map((l) => [l.name, l.came, l.of, l.cells.map((x) => x.attendance.mark)]);
    expect(told).toEqual([
      ['Ada', 1, 1, ['here']],
      ['Ben', 0, 1, ['absent']],
    ]);
    const all = lines.flatMap((l) => l.cells).filter((x) => came(x.attendance.mark));
    expect(all).toHaveLength((await getSession(db(), c, sessionId)).came);
    expect([...(lines[0]?.expected ?? [])].sort()).toEqual([sessionId, off, c.sessionId].sort());
  });

  it('keeps in its totals who was erased since', async () => {
    const c = await makeClass(db());
    const sessionId = await led(c);
    await erasePerson(db(), c, c.ada);
    const { sessions, lines } = await register(c);
    expect(lines.map((l) => l.name)).toEqual(['Ben']);
    expect(sessions.find((s) => s.id === sessionId)?.nameless).toEqual({ came: 1, marked: 1 });
    expect((await getSession(db(), c, sessionId)).came).toBe(1);
  });
});

describe('a correction', () => {
  it('changes a streak, says who made it and when, and is taken back', async () => {
    const c = await makeClass(db());
    const sessionId = await led(c);
    expect((await lineOf(c, c.ben)).streak?.streak.current).toBe(0);
    const id = await say(c, sessionId, c.ben, { mark: 'late', lateMinutes: 5 });
    const ben = await lineOf(c, c.ben);
    expect(ben.streak?.streak.current).toBe(1);
    expect(explain(ben.streak?.streak ?? { beats: [] }).map((line) => line.says)).toContain(
      'came late, which counts. That makes 1.',
    );
    expect(ben.cells[0]).toMatchObject({
      lateMs: 5 * MINUTE,
      tookMs: 15 * MINUTE,
      changed: true,
    });
    const [change] = await changesOf(db(), c, [sessionId]);
    expect(change).toMatchObject({ id, name: 'Ben', by: 'Ines', at: NOON });
    expect([change?.before?.mark, change?.after?.mark]).toEqual(['absent', 'late']);
    await takeBack(db(), c, { id: id ?? '', ...by });
    expect((await lineOf(c, c.ben)).streak?.streak.current).toBe(0);
    expect(await changesOf(db(), c, [sessionId])).toHaveLength(2);
    await expect(takeBack(db(), c, { id: id ?? '', ...by })).rejects.toMatchObject({
      code: 'changed-since',
    });
  });

  it('is made once, and taken back once, however often the device asks for it', async () => {
    const c = await makeClass(db());
    const sessionId = await led(c);
    const line = { sessionId, participantId: c.ben };
    const [id, as] = [randomUUID(), randomUUID()];
    const late = { line, said: { mark: 'late' as const }, id, ...by };
    expect(await correct(db(), c, late)).toBe(id);
    // Somebody else says something new before the device asks again, since it heard no answer.
    await say(c, sessionId, c.ben, { mark: 'excused' });
    expect(await correct(db(), c, late)).toBe(id);
    expect((await lineOf(c, c.ben)).cells[0]?.attendance.mark).toBe('excused');
    await say(c, sessionId, c.ben, { mark: 'late' });
    await takeBack(db(), c, { id, as, ...by });
    await say(c, sessionId, c.ben, { mark: 'here' });
    expect(await takeBack(db(), c, { id, as, ...by })).toEqual(line);
    expect((await lineOf(c, c.ben)).cells[0]?.attendance.mark).toBe('here');
  });

  it('is taken back after what came later was, one after the other, and not over what stands', async () => {
    const c = await makeClass(db());
    const sessionId = await led(c);
    const mark = async () => (await lineOf(c, c.ben)).cells[0]?.attendance.mark;
    const said = ['here', 'late', 'excused'] as const;
    const ids: string[] = [];
    for (const value of said) ids.push((await say(c, sessionId, c.ben, { mark: value })) ?? '');
    const seen = [];
    for (const id of [...ids].reverse()) {
      await takeBack(db(), c, { id, ...by });
      seen.push(await mark());
    }
    expect(seen).toEqual(['late', 'here', 'absent']);
    await expect(takeBack(db(), c, { id: ids[2] ?? '', ...by })).rejects.toMatchObject({
      code: 'changed-since',
    });
  });

  it('leaves no line of somebody who was marked by mistake and is not booked', async () => {
    const c = await makeClass(db());
    const sessionId = await led(c);
    const person = { name: 'Ylva', contact: null };
    const ylva = await addParticipant(db(), c, { person, joinedOn: '2026-01-01', now: NOON });
    const of = { ...term, sessionId, participantId: ylva, from: '2026-09-07' };
    await say(c, sessionId, ylva, { mark: 'here' });
    expect((await lineAfter(db(), c, of))?.name).toBe('Ylva');
    await say(c, sessionId, ylva, null);
    expect(await lineAfter(db(), c, of)).toBeNull();
  });

  it('of nothing is none', async () => {
    const c = await makeClass(db());
    const sessionId = await led(c);
    expect(await say(c, sessionId, c.ben, { mark: 'absent' })).toBeNull();
    expect(await changesOf(db(), c, [sessionId])).toEqual([]);
  });

  it('keeps minutes: who left early, and who was marked here again', async () => {
    const c = await makeClass(db());
    const sessionId = await led(c);
    await say(c, sessionId, c.ada, { mark: 'here', leftMinutes: 8 });
    expect((await lineOf(c, c.ada)).cells[0]).toMatchObject({
      leftMs: 8 * MINUTE,
      tookMs: 12 * MINUTE,
    });
    await say(c, sessionId, c.ada, { mark: 'here', leftMinutes: 0 });
    expect((await lineOf(c, c.ada)).cells[0]).toMatchObject({ leftMs: 0, tookMs: 20 * MINUTE });
    await say(c, sessionId, c.ada, { mark: 'excused' });
    expect((await lineOf(c, c.ada)).cells[0]?.attendance).toEqual({
      mark: 'excused',
      arrivedAt: null,
      leftAt: null,
    });
    // Somebody who left before they came was there for no time at all.
    await say(c, sessionId, c.ada, { mark: 'late', lateMinutes: 19, leftMinutes: 18 });
    expect((await lineOf(c, c.ada)).cells[0]?.tookMs).toBe(0);
  });

  it('before a session can only excuse; after one that nobody led it makes it one that was held', async () => {
    const c = await makeClass(db());
    const [next, before] = [await plan(c, 7), await plan(c, -7)];
    await expect(say(c, next, c.ada, { mark: 'here' })).rejects.toMatchObject({
      code: 'not-yet-met',
    });
    await say(c, next, c.ada, { mark: 'excused' });
    const known = (await roll(db(), c, next)).find((e) => e.participantId === c.ada);
    expect(known?.attendance?.mark).toBe('excused');
    await say(c, before, c.ada, { mark: 'here' });
    expect((await getSession(db(), c, before)).status).toBe('held');
  });

  it('is refused for a session that was cancelled, of another studio, or with too many already', async () => {
    const [c, other] = [await makeClass(db()), await makeClass(db())];
    const off = await plan(c, -7);
    await callOff(db(), c, { id: off, which: 'this', word: null, now: NOON });
    await expect(say(c, off, c.ada, { mark: 'here' })).rejects.toMatchObject({ code: 'cancelled' });
    for (const [session, person] of [
      [other.sessionId, c.ada],
      [c.sessionId, other.ada],
    ] as const) {
      await expect(say(c, session, person, { mark: 'excused' })).rejects.toMatchObject({
        code: 'not-found',
      });
    }
    const sessionId = await led(c);
    await db().raw(
      `insert into attendance_changes (id, studio_id, session_id, participant_id, by_name, at)
        select gen_random_uuid(), ?, ?, ?, '', now() from generate_series(1, ?)`,
      [c.studioId, sessionId, c.ada, MOST_CHANGES],
    );
    await expect(say(c, sessionId, c.ben, { mark: 'here' })).rejects.toMatchObject({
      code: 'too-many-changes',
    });
  });

  it('made on the device that led, after the close, is noted as well', async () => {
    const c = await makeClass(db());
    const sessionId = await led(c);
    const run = await db()('runs').where({ session_id: sessionId }).first('id');
    const late = { id: eventId(9), type: 'marked' as const, at: NOON, participantId: c.ben };
    const drafts = [{ ...late, mark: 'here' as const }];
    await appendEvents(db(), c, { runId: run.id, drafts, now: NOON, by: 'Ines' });
    expect(await changesOf(db(), c, [sessionId])).toMatchObject([{ name: 'Ben', by: 'Ines' }]);
  });
});

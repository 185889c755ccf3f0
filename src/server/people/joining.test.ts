import { randomUUID } from 'node:crypto';
import { eventId } from '@testing/plans';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MARKS } from '@/core/attendance';
import type { NewRunEvent } from '@/core/run';
import { correct } from '../register/correct';
import { appendEvents, closeSession, getLog, prepareRun } from '../runs';
import { mark, roll } from '../sessions/register';
import { getSession, planSession } from '../sessions/sessions';
import { lettersOf, writeLetter } from '../studio/letters';
import { DAY, makeClass, NOON, personOf, type TestClass, testDatabase } from '../testing/studio';
import { keepCautions } from './carried';
import { erasePerson } from './erase';
import { heldAbout } from './held';
import { joinPeople, lastJoin, UNDO_JOIN_MS, undoJoin } from './join';
import { addParticipant, book, changePerson, pause } from './people';
import { logPractice } from './practice';
import { PERSON_TABLES } from './tables';

const db = testDatabase();
const ZONE = 'Europe/Dublin';
const AT_NOON = { zone: ZONE, now: NOON };

const add = (c: TestClass, name: string) =>
  addParticipant(db(), c, { person: { name, contact: null }, joinedOn: '2026-02-01', now: NOON });

async function past(c: TestClass, days: number): Promise<string> {
  const startsAt = NOON - days * DAY;
  const id = await planSession(db(), c, { classId: c.classId, startsAt, now: NOON });
  await db()('sessions').where({ id }).update({ status: 'held' });
  return id;
}

/** Every row that names some people, as text, whatever the order. */
async function rowsOf(ids: readonly string[]): Promise<string[]> {
  const all: string[] = [];
  for (const { name } of PERSON_TABLES) {
    const rows = await db()(`${name} as t`)
      .whereIn('t.participant_id', [...ids])
      .select(db().raw('to_jsonb(t)::text as row'));
    all.push(...rows.map((r) => `${name} ${r.row}`));
  }
  const people = await db()('participants as p')
    .whereIn('p.id', [...ids])
    .select(db().raw('to_jsonb(p)::text as row'));
  return [...all, ...people.map((r) => `participants ${r.row}`)].sort();
}

describe('two entries that are one person', () => {
  it('become one: the better mark stays, cautions of both are carried on, and logs still find them', async () => {
    const c = await makeClass(db());
    const slip = await add(c, 'Adda');
    const [both, one] = [await past(c, 14), await past(c, 7)];
    const now = NOON;
    await mark(db(), c, { sessionId: both, participantId: c.ada, value: 'absent', now });
    await mark(db(), c, { sessionId: both, participantId: slip, value: 'here', now });
    await mark(db(), c, { sessionId: one, participantId: slip, value: 'late', now });
    const of = { consentOn: '2026-03-01' };
    await keepCautions(db(), c, { participantId: c.ada, cautions: [{ caution: 'jaw' }], ...of });
    await keepCautions(db(), c, { participantId: slip, cautions: [{ caution: 'neck' }], ...of });
    await joinPeople(db(), c, { keptId: c.ada, goneId: slip, now });
    const ada = await personOf(db(), c, c.ada);
    expect(ada.cautions).toHaveLength(2);
    expect(ada.sessions.map((s) => s.mark)).toEqual([null, 'late', 'here']);
    await expect(personOf(db(), c, slip)).rejects.toMatchObject({ code: 'not-found' });
    // A device that has not heard of it still marks them.
    await mark(db(), c, { sessionId: c.sessionId, participantId: slip, value: 'here', now });
    const line = (await roll(db(), c, c.sessionId)).find((e) => e.participantId === c.ada);
    expect(line?.attendance?.mark).toBe('here');
  });

  it('become two again for a day, with what came since left to the one who was kept', async () => {
    const c = await makeClass(db());
    const slip = await add(c, 'Adda');
    const sessionId = await past(c, 7);
    const line = { sessionId, participantId: slip };
    await correct(db(), c, { line, said: { mark: 'here' }, by: 'Ines', now: NOON });
    const id = await joinPeople(db(), c, { keptId: c.ada, goneId: slip, now: NOON });
    const since = { participantId: c.ada, at: NOON, seconds: 60, byTeacher: true };
    await logPractice(db(), c, { ...since, ...AT_NOON });
    expect(await lastJoin(db(), c, { keptId: c.ada, now: NOON })).toMatchObject({ name: 'Adda' });
    const late = NOON + UNDO_JOIN_MS + 1;
    await expect(undoJoin(db(), c, { id, now: late })).rejects.toMatchObject({ code: 'not-found' });
    await undoJoin(db(), c, { id, now: NOON });
    expect((await personOf(db(), c, slip)).sessions.map((s) => s.mark)).toEqual(['here']);
    expect((await personOf(db(), c, c.ada)).practice).toHaveLength(1);
    await expect(undoJoin(db(), c, { id, now: NOON })).rejects.toMatchObject({ code: 'not-found' });
  });

  it('are joined and parted in turn, the latest first', async () => {
    const c = await makeClass(db());
    const [cleo, dina] = [await add(c, 'Cleo'), await add(c, 'Dina')];
    const before = await rowsOf([c.ada, cleo, dina]);
    const first = await joinPeople(db(), c, { keptId: cleo, goneId: dina, now: NOON });
    const second = await joinPeople(db(), c, { keptId: c.ada, goneId: cleo, now: NOON + 1 });
    await expect(undoJoin(db(), c, { id: first, now: NOON + 2 })).rejects.toMatchObject({
      code: 'not-found',
    });
    await undoJoin(db(), c, { id: second, now: NOON + 2 });
    await mark(db(), c, { sessionId: c.sessionId, participantId: dina, value: 'here', now: NOON });
    expect((await roll(db(), c, c.sessionId)).find((e) => e.attendance)?.name).toBe('Cleo');
    await mark(db(), c, { sessionId: c.sessionId, participantId: dina, value: null, now: NOON });
    await undoJoin(db(), c, { id: first, now: NOON + 2 });
    expect(await rowsOf([c.ada, cleo, dina])).toEqual(before);
  });

  it('whatever they have, are as they were once it is undone', async () => {
    const c = await makeClass(db());
    const sessions = [await past(c, 21), await past(c, 14), await past(c, 7)];
    const some = fc.record({
      marks: fc.array(fc.option(fc.constantFrom(...MARKS)), { minLength: 3, maxLength: 3 }),
      contact: fc.option(fc.constantFrom('a@example.org', 'b@example.org')),
      jaw: fc.boolean(),
      booked: fc.boolean(),
      off: fc.boolean(),
      practised: fc.boolean(),
    });
    const make = async (
      name: string,
      of: typeof some extends fc.Arbitrary<infer T> ? T : never,
    ) => {
      const id = await add(c, name);
      await changePerson(db(), c, { id, name, contact: of.contact, greet: of.jaw });
      if (of.booked) await book(db(), c, { participantId: id, classId: c.classId, now: NOON });
      for (const [i, value] of of.marks.entries()) {
        const sessionId = sessions[i] ?? '';
        const line = { sessionId, participantId: id };
        if (value) await correct(db(), c, { line, said: { mark: value }, by: 'Ines', now: NOON });
      }
      if (of.jaw) {
        const cautions = [{ caution: 'jaw' as const }];
        await keepCautions(db(), c, { participantId: id, cautions, consentOn: '2026-03-01' });
      }
      const span = { from: '2026-11-01', to: '2026-11-02' };
      if (of.off) await pause(db(), c, { participantId: id, span, now: NOON });
      const log = { participantId: id, at: NOON, seconds: null, byTeacher: true };
      if (of.practised) await logPractice(db(), c, { ...log, ...AT_NOON });
      return id;
    };
    await fc.assert(
      fc.asyncProperty(some, some, async (a, b) => {
        const [keptId, goneId] = [await make('Ada', a), await make('Ada', b)];
        const before = await rowsOf([keptId, goneId]);
        const id = await joinPeople(db(), c, { keptId, goneId, now: NOON });
        const marks = (await personOf(db(), c, keptId)).sessions.filter((s) => s.mark).length;
        const expected = a.marks.filter((m, i) => m !== null || b.marks[i] !== null).length;
        expect(marks).toBe(expected);
        await undoJoin(db(), c, { id, now: NOON });
        expect(await rowsOf([keptId, goneId])).toEqual(before);
      }),
      { numRuns: 25 },
    );
  });

  it('are not one and the same, and not of another studio', async () => {
    const [c, other] = [await makeClass(db()), await makeClass(db())];
    const same = { keptId: c.ada, goneId: c.ada, now: NOON };
    await expect(joinPeople(db(), c, same)).rejects.toMatchObject({ code: 'same-person' });
    const theirs = { keptId: c.ada, goneId: other.ada, now: NOON };
    await expect(joinPeople(db(), c, theirs)).rejects.toMatchObject({ code: 'not-found' });
  });
});

describe('somebody who is erased', () => {
  /** Tables in which a text stands, in whatever column. */
  async function tablesWith(text: string): Promise<string[]> {
    const { rows } = await db().raw(
      "select table_name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'",
    );
    const found: string[] = [];
    for (const { table_name: table } of rows) {
      const hit = await db()(`${table} as t`)
        .whereRaw('t::text ilike ?', [`%${text}%`])
        .first('*');
      if (hit) found.push(table);
    }
    return found;
  }

  it('is found nowhere in the database, while that somebody came stays', async () => {
    const c = await makeClass(db());
    const { id: runId } = await prepareRun(db(), c, {
      sessionId: c.sessionId,
      now: NOON,
      speaker: null,
    });
    const person = randomUUID();
    const of = { at: NOON, participantId: person };
    const drafts: NewRunEvent[] = [
      { id: eventId(1), type: 'started', at: NOON },
      { id: eventId(2), type: 'walkedIn', name: 'Quillorin', ...of },
      {
        id: eventId(3),
        type: 'corrected',
        moveId: 'tall-o-cheek-lift',
        note: 'Quillorin frowns',
        ...of,
      },
      { id: eventId(4), type: 'parked', at: NOON, note: 'What may quillorin do? Quillorins?' },
    ];
    await appendEvents(db(), c, { runId, drafts, now: NOON });
    const draft = { id: eventId(5), at: NOON + 1 };
    await closeSession(db(), c, { sessionId: c.sessionId, draft, now: NOON + 1 });
    const contact = 'quillorin@harbour.example';
    const named = { name: 'Quillorin', contact };
    await changePerson(db(), c, { id: person, ...named, greet: true });
    const slip = await add(c, 'Quillorin W');
    await joinPeople(db(), c, { keptId: person, goneId: slip, now: NOON });
    const letter = { recipient: contact, subject: 'For Quillorin', body: 'Dear Quillorin' };
    await writeLetter(db(), c, { letter, now: NOON, post: null });
    const line = { sessionId: c.sessionId, participantId: person };
    await correct(db(), c, { line, said: { mark: 'late' }, by: 'Ines', now: NOON + 2 });
    const held = JSON.stringify(await heldAbout(db(), c, { id: person, ...AT_NOON }));
    for (const known of [contact, 'Quillorin frowns', 'Dear Quillorin', 'late']) {
      expect(held).toContain(known);
    }
    expect((await tablesWith('quillorin')).length).toBeGreaterThan(4);
    const before = (await getSession(db(), c, c.sessionId)).came;
    await erasePerson(db(), c, person);
    // The word that only begins like the name is another word.
    await db()('run_events')
      .where({ run_id: runId, type: 'parked' })
      .whereRaw("data->>'note' = ?", ['What may somebody do? Quillorins?'])
      .update({ data: '{}' });
    expect(await tablesWith('quillorin')).toEqual([]);
    expect((await getSession(db(), c, c.sessionId)).came).toBe(before);
    await expect(personOf(db(), c, person)).rejects.toMatchObject({ code: 'not-found' });
  });

  it('leaves the letters of others to the same address, which they may still need', async () => {
    const c = await makeClass(db());
    const contact = 'home@harbour.example';
    for (const id of [c.ada, c.ben]) await changePerson(db(), c, { id, contact });
    for (const body of ['Hello Ada,\n\nstorm', 'Hello Ben,\n\nstorm', 'To all: storm', 'For you']) {
      const subject = body === 'For you' ? 'To Ada' : 'Storm';
      const letter = { recipient: contact, subject, body };
      await writeLetter(db(), c, { letter, now: NOON, post: null });
    }
    const left = async () => (await lettersOf(db(), c)).map((l) => l.body).sort();
    await erasePerson(db(), c, c.ada);
    expect(await left()).toEqual(['Hello Ben,\n\nstorm', 'To all: storm']);
    await erasePerson(db(), c, c.ben);
    expect(await left()).toEqual([]);
  });

  it('is passed over by a device that has not heard of it, and its log is still one that can be led', async () => {
    const c = await makeClass(db());
    const { id: runId } = await prepareRun(db(), c, {
      sessionId: c.sessionId,
      now: NOON,
      speaker: null,
    });
    await erasePerson(db(), c, c.ada);
    const marked = { id: eventId(1), type: 'marked' as const, at: NOON, participantId: c.ada };
    const drafts = [{ ...marked, mark: 'here' as const }];
    await appendEvents(db(), c, { runId, drafts, now: NOON });
    expect((await getLog(db(), c, runId)).events).toHaveLength(1);
    expect((await roll(db(), c, c.sessionId)).map((e) => e.name)).toEqual(['Ben']);
  });
});

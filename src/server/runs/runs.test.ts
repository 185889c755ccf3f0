import { randomUUID } from 'node:crypto';
import { until } from '@testing/until';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { RollEntry } from '@/core/calls';
import {
  isRoomEvent,
  type NewRunEvent,
  onRoll,
  type Present,
  position,
  type RunEvent,
} from '@/core/run';
import { callOff } from '../calendar/change';
import { getClass, savePlan } from '../classes/classes';
import { Hub } from '../live/hub';
import { addParticipant, book } from '../people/people';
import { mark, roll } from '../sessions/register';
import { getSession, planSession } from '../sessions/sessions';
import {
  DAY,
  MINUTE,
  makeClass,
  NOON,
  shortPlan,
  testDatabase,
  testDatabaseUrl,
} from '../testing/studio';
import {
  appendEvents,
  basisOf,
  closeSession,
  getLog,
  getRun,
  openLog,
  prepareRun,
  takeLead,
} from '.';
import { MOST_LOGGED } from './append';

const db = testDatabase();

const event = (type: 'started' | 'paused' | 'resumed' | 'next', at: number): NewRunEvent => ({
  id: randomUUID(),
  type,
  at,
});
const HOUR = 60 * MINUTE;

async function prepared() {
  const c = await makeClass(db());
  const run = await prepareRun(db(), c, { sessionId: c.sessionId, now: NOON });
  const append = async (events: NewRunEvent[], now = NOON + HOUR) =>
    (await appendEvents(db(), c, { runId: run.id, drafts: events, now })).events;
  return { c, run, append };
}

describe('preparing a run', () => {
  it('takes up edits of the class until it is started, and none after', async () => {
    const { c, run, append } = await prepared();
    const { plan } = await getClass(db(), c, c.classId);
    await savePlan(db(), c, {
      id: c.classId,
      plan: { ...plan, name: 'Renamed' },
      basedOn: 1,
      now: NOON,
    });
    expect((await prepareRun(db(), c, { sessionId: c.sessionId, now: NOON })).score.name).toBe(
      'Renamed',
    );
    await append([event('started', NOON)]);
    await savePlan(db(), c, {
      id: c.classId,
      plan: { ...plan, name: 'Too late' },
      basedOn: 2,
      now: NOON,
    });
    const again = await prepareRun(db(), c, { sessionId: c.sessionId, now: NOON });
    expect([again.id, again.score.name]).toEqual([run.id, 'Renamed']);
  });

  it('tells from what, in another word when the class changes, and where newcomers are told more, when one comes', async () => {
    const { c, run, append } = await prepared();
    const { sessionId, classId } = c;
    const basis = async () =>
      basisOf(db(), c, { classId, expected: await roll(db(), c, sessionId) });
    const prepare = () => prepareRun(db(), c, { sessionId, now: NOON, speaker: null });
    const newcomer = async (name: string, since: number) => {
      const person = { name, contact: null };
      const joined = { person, joinedOn: '2026-11-24', now: NOON };
      const participantId = await addParticipant(db(), c, joined);
      await book(db(), c, { participantId, classId, now: since });
    };
    expect(run.basis).toBe(await basis());
    await newcomer('Cleo', NOON - 2 * DAY);
    expect(await basis()).toBe(run.basis);

    const { plan } = await getClass(db(), c, classId);
    const rules = { ...plan.rules, explain: 'new-in-room' as const };
    await savePlan(db(), c, { id: classId, plan: { ...plan, rules }, basedOn: 1, now: NOON });
    expect(await basis()).not.toBe(run.basis);
    const before = await planSession(db(), c, { classId, startsAt: NOON - DAY, now: NOON - DAY });
    const day = NOON - DAY;
    const held = await prepareRun(db(), c, { sessionId: before, now: day, speaker: null });
    for (const { participantId } of await roll(db(), c, before))
      await mark(db(), c, { sessionId: before, participantId, value: 'here', now: day });
    const drafts = [event('started', day)];
    await appendEvents(db(), c, { runId: held.id, drafts, now: day });
    const draft = { id: randomUUID(), type: 'finished', at: day + HOUR } as const;
    await closeSession(db(), c, { sessionId: before, draft, now: day + HOUR });
    const known = await prepare();
    expect(known.basis).toBe(await basis());
    await newcomer('Dorrit', NOON - MINUTE);
    expect(await basis()).not.toBe(known.basis);
    const explained = await prepare();
    expect(explained.basis).toBe(await basis());
    expect(explained.score.totalMs).toBeGreaterThan(known.score.totalMs);
    await append([event('started', NOON)]);
    expect((await prepare()).basis).toBeNull();
  });

  it('is refused for a cancelled session and for an empty class', async () => {
    const off = await makeClass(db());
    await callOff(db(), off, { id: off.sessionId, which: 'this', word: null, now: NOON });
    await expect(
      prepareRun(db(), off, { sessionId: off.sessionId, now: NOON }),
    ).rejects.toMatchObject({
      code: 'cancelled',
    });
    const c = await makeClass(db());
    const { phases } = shortPlan();
    const empty = { ...phases, work: [], warmUp: [] };
    await savePlan(db(), c, {
      id: c.classId,
      plan: { ...shortPlan(), phases: empty },
      basedOn: 1,
      now: NOON,
    });
    await expect(prepareRun(db(), c, { sessionId: c.sessionId, now: NOON })).rejects.toThrow(
      /still empty/,
    );
  });

  it('measures every cue in the voice of the machine', async () => {
    const { run } = await prepared();
    expect(run.score.speech).toBe('measured');
  });
});

describe('the log of a run', () => {
  it('stores each event once, in order, numbered without gaps', async () => {
    const { c, run, append } = await prepared();
    const [start, pause] = [event('started', NOON), event('paused', NOON + 5000)];
    await append([start]);
    await append([start, pause]);
    const log = await append([pause, event('resumed', NOON + 9000)]);
    expect(log.map((e) => [e.seq, e.type, e.at - NOON])).toEqual([
      [1, 'started', 0],
      [2, 'paused', 5000],
      [3, 'resumed', 9000],
    ]);
    expect((await getRun(db(), c, run.id)).events).toEqual(log);
  });

  it('answers with what came after the event that is known, whatever is sent again, and when', async () => {
    const types = ['paused', 'resumed', 'next'] as const;
    await fc.assert(
      fc.asyncProperty(
        fc.array(
          fc.record({
            /** Drafts that were sent before, by their place. */
            again: fc.array(fc.nat(30), { maxLength: 3 }),
            fresh: fc.array(fc.record({ type: fc.constantFrom(...types), at: fc.nat(90_000) }), {
              maxLength: 3,
            }),
            after: fc.nat(12),
            now: fc.nat(60_000),
          }),
          { minLength: 1, maxLength: 6 },
        ),
        async (sent) => {
          const { c, run } = await prepared();
          const drafts: NewRunEvent[] = [];
          const log: RunEvent[] = [];
          for (const { again, fresh, after, now } of sent) {
            const made = fresh.map(({ type, at }) => event(type, NOON + at));
            const old = again.flatMap((i) => drafts[i] ?? []);
            drafts.push(...made);
            // As simply as it can be said.
            for (const draft of [...old, ...made]) {
              if (log.some(({ id }) => id === draft.id)) continue;
              const at = Math.max(log.at(-1)?.at ?? 0, Math.min(draft.at, NOON + now + 2000));
              log.push({ ...draft, at, seq: log.length + 1 });
            }
            const asked = { runId: run.id, drafts: [...old, ...made], after, now: NOON + now };
            const { events } = await appendEvents(db(), c, asked);
            expect(events).toEqual(log.slice(after));
          }
          expect((await getLog(db(), c, run.id)).events).toEqual(log);
        },
      ),
      { numRuns: 12 },
    );
  });

  it('keeps its order when two devices write at once', async () => {
    const { append } = await prepared();
    await append([event('started', NOON)]);
    await Promise.all(Array.from({ length: 8 }, (_, i) => append([event('next', NOON + i)])));
    const log = await append([event('paused', NOON + 100)]);
    expect(log.map((e) => e.seq)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10]);
    expect(log.map((e) => e.at)).toEqual([...log.map((e) => e.at)].sort((a, b) => a - b));
  });

  it('lets no time run backwards or ahead of the server', async () => {
    const { append } = await prepared();
    const log = await append(
      [event('started', NOON), event('paused', NOON - 5000), event('resumed', NOON + HOUR)],
      NOON + MINUTE,
    );
    expect(log.map((e) => e.at - NOON)).toEqual([0, 0, MINUTE + 2000]);
  });
});

describe('what happens in the room', () => {
  const room = (what: object, at = NOON): NewRunEvent =>
    ({ id: randomUUID(), at, ...what }) as NewRunEvent;

  it('goes into the log and the register at once, and once', async () => {
    const { c, append } = await prepared();
    const cleo = randomUUID();
    const events = [
      room({ type: 'marked', participantId: c.ada, mark: 'late' }, NOON + MINUTE),
      room({ type: 'walkedIn', participantId: cleo, name: 'Cleo' }, NOON + 2 * MINUTE),
      room({ type: 'left', participantId: c.ada, gone: true }, NOON + 9 * MINUTE),
      room({ type: 'left', participantId: c.ben, gone: true }, NOON + 9 * MINUTE),
    ];
    await append(events);
    await append(events);
    const entries = await roll(db(), c, c.sessionId);
    expect(entries.map((e) => [e.name, e.booked, e.attendance])).toEqual([
      ['Ada', true, { mark: 'late', arrivedAt: NOON + MINUTE, leftAt: NOON + 9 * MINUTE }],
      ['Ben', true, null],
      ['Cleo', false, { mark: 'here', arrivedAt: NOON + 2 * MINUTE, leftAt: null }],
    ]);
  });

  it('is not there where its session is removed at the same moment', async () => {
    const c = await makeClass(db());
    const removing = await db().transaction();
    await removing('sessions').where({ id: c.sessionId }).delete();
    const opening = openLog(db(), c, c.sessionId, NOON).catch((error) => error);
    const waits = db()('pg_stat_activity')
      .whereRaw("wait_event_type = 'Lock' and datname = current_database()")
      .first('pid');
    await until(async () => expect(await waits.clone()).toBeDefined());
    await removing.commit();
    expect(await opening).toMatchObject({ code: 'not-found' });
  });

  it('shows on a device the same as the register holds, whatever happens', async () => {
    const c = await makeClass(db());
    const { id } = await openLog(db(), c, c.sessionId, NOON);
    const base = await roll(db(), c, c.sessionId);
    const cleo = randomUUID();
    const who = fc.constantFrom(c.ada, c.ben, cleo);
    const anything = fc.oneof(
      fc.record({
        type: fc.constant('marked'),
        participantId: who,
        mark: fc.constantFrom('here', 'late', 'absent', null),
      }),
      fc.record({ type: fc.constant('left'), participantId: who, gone: fc.boolean() }),
    );
    await appendEvents(db(), c, {
      runId: id,
      drafts: [room({ type: 'walkedIn', participantId: cleo, name: 'Cleo' })],
      now: NOON,
    });
    await fc.assert(
      fc.asyncProperty(fc.array(anything, { maxLength: 12 }), async (all) => {
        const drafts = all.map((what, i) => room(what, NOON + i));
        const { events } = await appendEvents(db(), c, { runId: id, drafts, now: NOON + HOUR });
        const newcomer = (p: Present) => ({
          greet: true,
          lastAt: null,
          ...p,
          waiting: false,
          away: false,
          timesBefore: 0,
          cautions: [],
          notes: [],
          met: [],
        });
        const shown = events
          .filter(isRoomEvent)
          .reduce<readonly RollEntry[]>((entries, e) => onRoll(entries, e, newcomer), base)
          // Somebody who walked in and whose mark was taken back is nobody to the register.
          .filter((p) => p.booked || p.attendance);
        const known = ({ participantId, attendance }: Present) => [participantId, attendance];
        expect(shown.map(known)).toEqual((await roll(db(), c, c.sessionId)).map(known));
      }),
      { numRuns: 30 },
    );
  });

  it('turns corrections that were not struck out into notes on form when the class is closed', async () => {
    const { c, append } = await prepared();
    const corrected = (note: string) =>
      room({ type: 'corrected', participantId: c.ada, moveId: 'tall-o-cheek-lift', note });
    const [kept, struck] = [corrected('brow stays quiet'), corrected('wrong person')];
    await append([event('started', NOON), kept, struck, room({ type: 'struck', of: struck.id })]);
    await closeSession(db(), c, {
      sessionId: c.sessionId,
      draft: event('next', NOON),
      now: NOON + 20 * MINUTE,
    });
    const [ada] = await roll(db(), c, c.sessionId);
    expect(ada?.notes).toEqual([
      { moveId: 'tall-o-cheek-lift', note: 'brow stays quiet', at: NOON },
    ]);
    expect(ada?.met).toEqual([]);
  });

  it('brings notes on form up with what a device sends that had no connection when another closed the class', async () => {
    const { c, append } = await prepared();
    const corrected = (participantId: string, note: string) =>
      room({ type: 'corrected', participantId, moveId: 'tall-o-cheek-lift', note });
    const [known, wrong] = [corrected(c.ada, 'brow stays quiet'), corrected(c.ada, 'not her')];
    await append([event('started', NOON), known, wrong]);
    const draft = event('next', NOON);
    const close = (now: number) => closeSession(db(), c, { sessionId: c.sessionId, draft, now });
    await close(NOON + 20 * MINUTE);
    const [late, slip] = [corrected(c.ben, 'chin stays down'), corrected(c.ben, 'a slip')];
    const after = [room({ type: 'struck', of: wrong.id }), late, slip];
    await append([...after, room({ type: 'struck', of: slip.id })]);
    await append(after);
    await close(NOON + 21 * MINUTE);
    const notes = (await roll(db(), c, c.sessionId)).map((p) => p.notes.map(({ note }) => note));
    expect(notes).toEqual([['brow stays quiet'], ['chin stays down']]);
  });
});

describe('an event about somebody who is not of the studio', () => {
  it.each(['corrected', 'marked', 'left'] as const)(
    'is refused when it comes: %s',
    async (type) => {
      const { c, run, append } = await prepared();
      const other = await makeClass(db());
      for (const participantId of [other.ada, randomUUID()]) {
        const about = {
          corrected: { moveId: 'tall-o-cheek-lift', note: 'x' },
          marked: { mark: 'here' },
          left: { gone: true },
        }[type];
        const at = { id: randomUUID(), at: NOON };
        const told = { ...at, type, participantId, ...about } as NewRunEvent;
        await expect(append([event('started', NOON), told])).rejects.toMatchObject({
          code: 'not-found',
        });
      }
      expect((await getLog(db(), c, run.id)).events).toEqual([]);
    },
  );

  it('is refused by the database as well, when its transaction ends', async () => {
    const { c, run } = await prepared();
    const row = (participantId: string, seq: number) => ({
      studio_id: c.studioId,
      run_id: run.id,
      seq,
      id: randomUUID(),
      at_ms: NOON,
      type: 'corrected',
      data: JSON.stringify({ participantId, moveId: 'smile-pulses', note: '' }),
      received_at: new Date(NOON),
    });
    await db()('run_events').insert(row(c.ada, 1));
    await expect(db()('run_events').insert(row(randomUUID(), 2))).rejects.toMatchObject({
      constraint: 'run_event_names_a_person',
    });
  });

  it('which stands in a log of before does not keep the class from being closed', async () => {
    const { c, run, append } = await prepared();
    await append([event('started', NOON)]);
    await db().transaction(async (trx) => {
      await trx.raw('set local session_replication_role = replica');
      await trx('run_events').insert({
        studio_id: c.studioId,
        run_id: run.id,
        seq: 2,
        id: randomUUID(),
        at_ms: NOON,
        type: 'corrected',
        data: JSON.stringify({ participantId: randomUUID(), moveId: 'smile-pulses', note: 'x' }),
        received_at: new Date(NOON),
      });
    });
    const draft = event('next', NOON + MINUTE);
    await closeSession(db(), c, { sessionId: c.sessionId, draft, now: NOON + MINUTE });
    expect(await db()('form_notes').where({ studio_id: c.studioId })).toEqual([]);
  });
});

describe('a log', () => {
  it('is limited, but for the end of the class', async () => {
    const { c, run, append } = await prepared();
    await append([event('started', NOON)]);
    const rows = Array.from({ length: MOST_LOGGED - 1 }, (_, i) => ({
      studio_id: c.studioId,
      run_id: run.id,
      seq: i + 2,
      id: randomUUID(),
      at_ms: NOON,
      type: i % 2 ? 'resumed' : 'paused',
      data: '{}',
      received_at: new Date(NOON),
    }));
    for (let at = 0; at < rows.length; at += 1000) {
      await db()('run_events').insert(rows.slice(at, at + 1000));
    }
    await expect(append([event('paused', NOON)])).rejects.toMatchObject({ code: 'log-full' });
    const draft = event('next', NOON + MINUTE);
    await closeSession(db(), c, { sessionId: c.sessionId, draft, now: NOON + MINUTE });
    expect((await getSession(db(), c, c.sessionId)).status).toBe('held');
  });

  it('tells a screen that everybody sees nothing of the people', async () => {
    const { c, run, append } = await prepared();
    const told = (what: object) => ({ id: randomUUID(), at: NOON, ...what }) as NewRunEvent;
    await append([
      told({ type: 'marked', participantId: c.ada, mark: 'here' }),
      event('started', NOON),
      told({ type: 'walkedIn', participantId: randomUUID(), name: 'Cleo' }),
      told({ type: 'corrected', participantId: c.ada, moveId: 'smile-pulses', note: 'quiet brow' }),
      told({ type: 'parked', note: 'Ada asks about lenses' }),
      told({ type: 'felt', felt: 3 }),
      event('paused', NOON),
    ]);
    const { events } = await getLog(db(), c, run.id, { forScreen: true });
    expect(events.map((e) => e.type)).toEqual(['started', 'paused']);
    expect(JSON.stringify(events)).not.toMatch(/Cleo|Ada|brow/);
  });
});

describe('who leads', () => {
  it('is the device that starts; another may tell of the room, but bend the run only after taking over', async () => {
    const { c, run } = await prepared();
    const [first, second] = [randomUUID(), randomUUID()];
    const from = (device: string, ...events: NewRunEvent[]) =>
      appendEvents(db(), c, { runId: run.id, drafts: events, now: NOON + HOUR, device });
    await from(first, event('started', NOON));
    const marked = { id: randomUUID(), at: NOON, participantId: c.ada, mark: 'here' } as const;
    await from(second, { ...marked, type: 'marked' });
    await expect(from(second, event('paused', NOON + 10))).rejects.toMatchObject({
      code: 'not-leading',
    });
    await takeLead(db(), c, run.id, second);
    await from(second, event('paused', NOON + 20));
    await expect(from(first, event('resumed', NOON + 30))).rejects.toMatchObject({
      code: 'not-leading',
    });
    const log = await getLog(db(), c, run.id);
    expect([log.leader, log.events.map((e) => e.type)]).toEqual([
      second,
      ['started', 'marked', 'paused'],
    ]);
  });

  it('lets an answer that was lost be asked for again after a take-over', async () => {
    const { c, run } = await prepared();
    const [first, second] = [randomUUID(), randomUUID()];
    const started = event('started', NOON);
    await appendEvents(db(), c, { runId: run.id, drafts: [started], now: NOON, device: first });
    await takeLead(db(), c, run.id, second);
    const log = await appendEvents(db(), c, {
      runId: run.id,
      drafts: [started],
      now: NOON,
      device: first,
    });
    expect(log).toMatchObject({ events: [{ seq: 1 }], leader: second });
  });
});

describe('everybody who listens', () => {
  it('is told of what is new, and asked to look again after the database was away', async () => {
    const { run, append } = await prepared();
    const hub = new Hub(testDatabaseUrl());
    let looked = () => {};
    const next = () => new Promise<void>((resolve) => (looked = resolve));
    const opened = next();
    const stop = hub.listen(run.id, () => looked());
    await opened;
    const told = next();
    await append([event('started', NOON)]);
    await told;
    const again = next();
    await db().raw(
      "select pg_terminate_backend(pid) from pg_stat_activity where query like 'listen %' and datname = current_database()",
    );
    await again;
    stop();
  });
});

describe('closing a session', () => {
  it('stores the end, the register and the session as held, once', async () => {
    const { c, run, append } = await prepared();
    await append([event('started', NOON)]);
    const close = () =>
      closeSession(db(), c, {
        sessionId: c.sessionId,
        draft: event('next', NOON + 20 * MINUTE),
        now: NOON + 20 * MINUTE,
      });
    await close();
    await close();
    const { score, events } = await getRun(db(), c, run.id);
    expect(events.map((e) => e.type)).toEqual(['started', 'finished']);
    const end = position(score, events, NOON + HOUR).endedAt;
    expect(await getSession(db(), c, c.sessionId)).toMatchObject({
      status: 'held',
      runStartedAt: NOON,
      runFinishedAt: end,
    });
    expect(end).toBe(NOON + score.totalMs);
    expect((await roll(db(), c, c.sessionId)).map((e) => e.attendance?.mark)).toEqual([
      'absent',
      'absent',
    ]);
  });

  it('is refused while the class was never started', async () => {
    const { c } = await prepared();
    await expect(
      closeSession(db(), c, { sessionId: c.sessionId, draft: event('next', NOON), now: NOON }),
    ).rejects.toThrow(/not been started/);
  });
});

import { randomUUID } from 'node:crypto';
import { RUNS } from '@testing/arbitrary';
import { until } from '@testing/until';
import fc from 'fast-check';
import knex from 'knex';
import { afterAll, beforeAll, beforeEach, describe, expect, it, onTestFinished, vi } from 'vitest';
import { MOST_EVENTS } from '@/core/calls';
import type { FollowNews } from '@/core/follow';
import type { NewRunEvent } from '@/core/run';
import { announce, hub } from '../live/hub';
import { appendEvents, eventsOf, prepareRun, takeLead } from '../runs';
import { makeClass, NOON, type TestClass, testDatabase, testDatabaseUrl } from '../testing/studio';
import { Crowd, type Line, MOST_BEHIND, type Place } from './crowd';
import { behind, type Door, letTakeHome, openDoor } from './doors';
import { comeIn, followerOf } from './followers';

const db = testDatabase();
let studio: TestClass;
let door: Door;
let place: Place;

const { DATABASE_URL } = process.env;
beforeAll(() => {
  process.env.DATABASE_URL = testDatabaseUrl();
});
afterAll(() => {
  process.env.DATABASE_URL = DATABASE_URL;
});
beforeEach(async () => {
  vi.setSystemTime(NOON);
  studio = await makeClass(db());
  const { sessionId, studioId } = studio;
  place = { sessionId, studioId };
  door = await openDoor(db(), studio, sessionId, NOON);
});

const prepare = () =>
  prepareRun(db(), studio, { ...place, now: NOON, speaker: null, teacherId: studio.teacherId });
const event = (what: object) => ({ id: randomUUID(), at: NOON, ...what }) as NewRunEvent;
const happen = (runId: string, ...what: object[]) =>
  appendEvents(db(), studio, { runId, drafts: what.map(event), now: NOON });

const lineOf = (behind = 0) => {
  const got: string[] = [];
  const line: Line = {
    write: (bytes) => got.push(bytes.toString()) > 0,
    end: () => got.push('end'),
    destroy: () => got.push('destroyed'),
    writableLength: behind,
  };
  return { line, got };
};

const newsIn = (got: readonly string[]) =>
  got.flatMap((text) =>
    [...text.matchAll(/^data: (\{"events.*)$/gm)].map((m) => JSON.parse(m[1] ?? '') as FollowNews),
  );
const eventsIn = (got: readonly string[]) => newsIn(got).flatMap(({ events }) => events);

/** With anything more it is too long for a notice, and has to be looked up. */
const TOO_LONG = Array.from({ length: MOST_EVENTS - 1 }, () => ({ type: 'roundAdded' }));

const home = (takeHome: boolean) => ({ sessionId: place.sessionId, takeHome, now: NOON });

/** What is asked of the database meanwhile that only a crowd asks. */
async function looksDuring(work: () => Promise<unknown>): Promise<number> {
  let looks = 0;
  const note = ({ sql }: { sql: string }) => {
    if (sql.includes('as turned_away')) looks++;
  };
  db().on('query', note);
  await work();
  db().removeListener('query', note);
  return looks;
}

function pool(max = 2) {
  const made = knex({ client: 'pg', connection: testDatabaseUrl(), pool: { min: 0, max } });
  onTestFinished(() => made.destroy());
  return made;
}

/** A crowd with somebody in it, who has heard of the beginning. */
async function crowdOf(runId: string, on = db()) {
  const crowd = new Crowd(on, place);
  // Nothing listens after a test, however it ends.
  onTestFinished(() => crowd.close());
  await crowd.open();
  const { line, got } = lineOf();
  crowd.enter(line, 'somebody', 0);
  const hears = (what: string) => until(() => expect(got.join('')).toContain(what));
  await happen(runId, { type: 'started' });
  await hears('"started"');
  return { crowd, got, hears };
}

describe('what happens in a class', () => {
  it('comes with the notice of it: nobody looks, and all get the same bytes', async () => {
    const run = await prepare();
    const { crowd, hears } = await crowdOf(run.id);
    const many = Array.from({ length: 200 }, () => lineOf());
    const leave = many.map(({ line }, i) => crowd.enter(line, `${i}`, 0));
    const looks = await looksDuring(async () => {
      await happen(run.id, { type: 'paused' });
      await happen(run.id, { type: 'parked', note: 'Which oil was that?' });
      await happen(run.id, { type: 'resumed' });
      await hears('"resumed"');
    });
    expect(looks).toBe(0);
    expect(new Set(many.map(({ got }) => got.slice(-2).join('')))).toHaveProperty('size', 1);
    expect(many[0]?.got.join('')).not.toContain('Which oil');
    for (const go of leave) go();
    expect(crowd.size).toBe(1);
  });

  it('is looked up once where it is too long for a notice, or comes without one', async () => {
    const run = await prepare();
    const { hears, got } = await crowdOf(run.id);
    const looks = await looksDuring(async () => {
      await happen(run.id, ...TOO_LONG, { type: 'closing' });
      await hears('"closing"');
    });
    expect([looks, eventsIn(got).length]).toEqual([1, 1 + MOST_EVENTS]);
    const unsaid = await looksDuring(async () => {
      await letTakeHome(db(), studio, home(true));
      await hears('"takeHome":true');
    });
    expect(unsaid).toBe(1);
  });

  it('is told once where it comes while it is being looked up', async () => {
    const run = await prepare();
    const one = pool(1);
    const { got, hears } = await crowdOf(run.id, one);
    // A look waits for the one connection, and knows already after which event it looks.
    const held = await one.transaction();
    await announce(db(), run.id);
    await until(() => expect(one.client.pool.numPendingAcquires()).toBe(2));
    let noticed = 0;
    const stop = hub().listen(run.id, () => noticed++);
    await happen(run.id, { type: 'paused' });
    await until(() => expect(noticed).toBe(1));
    await held.rollback();
    await hears('"paused"');
    await happen(run.id, { type: 'resumed' });
    await hears('"resumed"');
    expect(eventsIn(got).map((e) => e.seq)).toEqual([1, 2, 3]);
    stop();
  });

  it('is told once, in order and whole, whoever tells it and however much at once', async () => {
    const step = fc.record({
      what: fc.constantFrom('paused', 'resumed', 'again', 'parked', 'parked', 'next'),
      times: fc.integer({ min: 1, max: 3 }),
      /** By this process, by one of the version before, unheard while the database was away, or no event at all. */
      by: fc.constantFrom('us', 'us', 'us', 'before', 'unheard', 'lead', 'door', 'together'),
      /** Without waiting for what came before it. */
      atOnce: fc.boolean(),
    });
    const run = await prepare();
    const { got } = await crowdOf(run.id);
    // Another process has connections of its own.
    const theirs = pool();
    const before = async (type: string, isHeard: boolean) =>
      theirs.transaction(async (trx) => {
        await trx('runs').where({ id: run.id }).forUpdate().first('id');
        const newest = await trx('run_events').where({ run_id: run.id }).max('seq as seq').first();
        const row = { run_id: run.id, studio_id: place.studioId, seq: newest?.seq + 1 };
        const data = type === 'parked' ? { note: 'Anything' } : {};
        const rest = { id: randomUUID(), at_ms: NOON, type, data, received_at: new Date(NOON) };
        await trx('run_events').insert({ ...row, ...rest });
        if (isHeard) await trx.raw("select pg_notify('upbeat_run', ?)", [run.id]);
      });
    // The database gives the same notice of one transaction once.
    const together = (draft: object) =>
      db().transaction(async (trx) => {
        const long = Array.from({ length: 90 }, () => event(draft));
        for (const drafts of [[event(draft)], [event(draft)], long]) {
          await appendEvents(trx, studio, { runId: run.id, drafts, now: NOON });
        }
      });
    await fc.assert(
      fc.asyncProperty(fc.array(step, { minLength: 1, maxLength: 6 }), async (steps) => {
        const under: Promise<unknown>[] = [];
        for (const { what, times, by, atOnce } of steps) {
          const { take_home: takeHome } = await db()('classes')
            .where({ id: studio.classId })
            .first();
          const draft = { type: what, ...(what === 'parked' && { note: 'Anything' }) };
          if (!atOnce) await Promise.all(under);
          if (by === 'before' || by === 'unheard') under.push(before(what, by === 'before'));
          else if (by === 'together') under.push(together(draft));
          else if (by === 'door') under.push(letTakeHome(db(), studio, home(!takeHome)));
          else if (by === 'lead') under.push(takeLead(db(), studio, run.id, randomUUID()));
          else under.push(happen(run.id, ...Array.from({ length: times }, () => draft)));
        }
        await Promise.all(under);
        // What nobody was told of is found with the next that they are.
        if (steps.some(({ by }) => by === 'unheard')) await happen(run.id, { type: 'next' });
        const all = await eventsOf(db(), studio, run.id, { forScreen: true });
        await until(() => expect(eventsIn(got).at(-1)?.seq).toBe(all.at(-1)?.seq));
        expect(eventsIn(got)).toEqual(all);
        const { take_home: takeHome } = await db()('classes').where({ id: studio.classId }).first();
        await until(() => expect(newsIn(got).at(-1)?.takeHome).toBe(takeHome));
      }),
      // All of them write in one log, which has an end.
      { numRuns: Math.min(30, Math.ceil(RUNS / 8)) },
    );
  });
});

describe('a crowd', () => {
  it('is there again once the database is, without anything having happened', async () => {
    const crowd = new Crowd(db(), place);
    await crowd.open();
    const { line, got } = lineOf();
    crowd.enter(line, 'somebody', 0);
    const { id } = await prepare();
    // No look succeeds for as long as this table is away.
    await db().raw('alter table follow_doors rename to away');
    await happen(id, { type: 'started' }, ...TOO_LONG);
    await until(() => expect(got).toContain('end'));
    await db().raw('alter table away rename to follow_doors');
    await crowd.open();
    const other = lineOf();
    crowd.enter(other.line, 'another', 0);
    expect(other.got.join('')).toContain('"started"');
    crowd.close();
  });

  it('lets go of who reads too slowly, and of nobody else', async () => {
    const run = await prepare();
    const crowd = new Crowd(db(), place);
    await crowd.open();
    const [slow, quick] = [lineOf(MOST_BEHIND + 1), lineOf()];
    crowd.enter(slow.line, 'slow', 0);
    crowd.enter(quick.line, 'quick', 0);
    await happen(run.id, { type: 'started' });
    await until(() => expect(quick.got.join('')).toContain('"started"'));
    expect([slow.got.at(-1), quick.got.includes('destroyed')]).toEqual(['destroyed', false]);
    crowd.close();
  });

  it('notes who is there, and ends when the door is dead', async () => {
    const behindDoor = await behind(db(), door.code, NOON);
    if (!behindDoor) throw new Error('the door leads nowhere');
    const follower = await followerOf(
      db(),
      await comeIn(db(), behindDoor, { name: 'Maren' }, NOON),
      NOON,
    );
    const crowd = new Crowd(db(), follower);
    await crowd.open();
    const { line, got } = lineOf();
    crowd.enter(line, follower.id, 0);
    vi.setSystemTime(NOON + 60_000);
    await crowd.beat();
    const row = await db()('followers').where({ id: follower.id }).first('seen_at');
    expect(row.seen_at.getTime()).toBe(NOON + 60_000);
    vi.setSystemTime(door.endsAt + 1);
    await crowd.beat();
    expect(got.at(-1)).toBe('end');
    crowd.close();
  });
});

import { randomUUID } from 'node:crypto';
import { RUNS } from '@testing/arbitrary';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Refusal } from '@/core/calls';
import type { NewRunEvent } from '@/core/run';
import type { Db } from '../db';
import { MINUTE, makeClass, NOON, testDatabase } from '../testing/studio';
import { appendEvents, eventsOf, getLog, prepareRun, takeLead } from '.';
import { MOST_LOGGED } from './append';

const db = testDatabase();
const [first, second] = [randomUUID(), randomUUID()];
const event = (type: string, at = NOON, more: object = {}) =>
  ({ id: randomUUID(), at, type, ...more }) as NewRunEvent;

/** A class that the first device leads. */
async function led() {
  const c = await makeClass(db());
  const run = await prepareRun(db(), c, { sessionId: c.sessionId, now: NOON });
  const append = (drafts: readonly NewRunEvent[], after = 0, { device = first, on = db() } = {}) =>
    appendEvents(on, c, { runId: run.id, drafts, after, now: NOON + MINUTE, device });
  await append([event('started')]);
  return { c, run, append };
}

async function queriesDuring(work: () => Promise<unknown>): Promise<string[]> {
  const queries: string[] = [];
  const note = ({ sql }: { sql: string }) => void queries.push(sql);
  db().on('query', note);
  await work();
  db().removeListener('query', note);
  return queries;
}

describe('a press in a class that runs', () => {
  it('is one way to the database and back, where whoever leads knows all that has happened', async () => {
    const { append } = await led();
    expect(await queriesDuring(() => append([event('paused')], 1))).toHaveLength(1);
    expect(await queriesDuring(() => append([event('resumed'), event('next')], 2))).toHaveLength(1);
    const unknowing = await queriesDuring(() => append([event('again')], 2));
    expect(unknowing.length).toBeGreaterThan(1);
  });

  it('is there once, whether sent twice at the same moment or beside another', async () => {
    const { c, run, append } = await led();
    const [twice, other] = [event('paused'), event('next')];
    const all = [append([twice], 1), append([twice], 1), append([other], 1)];
    for (const { events } of await Promise.all(all)) expect(events[0]?.seq).toBe(2);
    const { events } = await getLog(db(), c, run.id);
    expect(events.map((e) => e.seq)).toEqual([1, 2, 3]);
    expect(new Set(events.slice(1).map((e) => e.id))).toEqual(new Set([twice.id, other.id]));
  });

  it('is refused in a log that is full, and to a device that leads no more', async () => {
    const { c, run, append } = await led();
    await db()('run_events').insert({
      ...{ studio_id: c.studioId, run_id: run.id, seq: MOST_LOGGED, id: randomUUID() },
      ...{ at_ms: NOON, type: 'paused', data: {}, received_at: new Date(NOON) },
    });
    await append([event('finished')], 1);
    await expect(append([event('next')], MOST_LOGGED + 1)).rejects.toMatchObject({
      code: 'log-full',
    });
    await takeLead(db(), c, run.id, second);
    await expect(append([event('finished')], MOST_LOGGED + 1)).rejects.toMatchObject({
      code: 'not-leading',
    });
  });

  it('does the same as one that is taken in its turn, whatever is sent by whom', async () => {
    const step = fc.record({
      events: fc.array(
        fc.record({
          type: fc.constantFrom('paused', 'resumed', 'again', 'started', 'parked', 'next'),
          /** Earlier than what was before, or further ahead than a clock may be. */
          at: fc.integer({ min: NOON - MINUTE, max: NOON + 2 * MINUTE }),
          sentBefore: fc.option(fc.nat(20), { freq: 8 }),
        }),
        { minLength: 1, maxLength: 3 },
      ),
      /** How many of the newest are not known where they are sent from. */
      unknown: fc.constantFrom(0, 0, 0, 0, 1, 3),
      device: fc.constantFrom(first, first, first, second),
      takesLead: fc.option(fc.constantFrom(first, second), { freq: 6 }),
    });
    let atOnce = 0;
    const counts = ({ sql }: { sql: string }) => {
      if (sql.includes('jsonb_populate_recordset')) atOnce++;
    };
    db().on('query', counts);
    await fc.assert(
      fc.asyncProperty(fc.array(step, { minLength: 1, maxLength: 8 }), async (steps) => {
        const [quick, slow] = [await led(), await led()];
        const sent: NewRunEvent[] = [];
        let newest = 1;
        for (const { events, unknown, device, takesLead } of steps) {
          const drafts = events.map(({ type, at, sentBefore }) => {
            const more = type === 'parked' ? { note: 'Which oil?' } : {};
            return sent[sentBefore ?? sent.length] ?? event(type, at, more);
          });
          sent.push(...drafts);
          const outcome = async ({ append, c, run }: typeof quick, on: Db) => {
            if (takesLead) await takeLead(db(), c, run.id, takesLead);
            try {
              const { events, leader } = await append(drafts, newest - unknown, { device, on });
              return { events, leader };
            } catch (error) {
              if (error instanceof Refusal) return error.code;
              throw error;
            }
          };
          const one = await outcome(quick, db());
          // In a transaction of somebody else nothing is tried that may break it off.
          const other = await db().transaction((trx) => outcome(slow, trx));
          expect(alike(one, sent)).toEqual(alike(other, sent));
          if (typeof one === 'object') newest = one.events.at(-1)?.seq ?? newest;
        }
        const logOf = ({ c, run }: typeof quick) => eventsOf(db(), c, run.id);
        const [ours, theirs] = [await logOf(quick), await logOf(slow)];
        expect(alike(ours, sent)).toEqual(alike(theirs, sent));
        expect(ours.map((e) => e.seq)).toEqual(ours.map((_, n) => n + 1));
      }),
      { numRuns: Math.ceil(RUNS / 8) },
    );
    db().removeListener('query', counts);
    expect(atOnce).toBeGreaterThan(10);
  });
});

/** What two logs say of the same, where the beginning of each class has an id of its own. */
function alike(what: unknown, sent: readonly NewRunEvent[]): unknown {
  const known = new Set(sent.map(({ id }) => id));
  return JSON.parse(JSON.stringify(what), (key, value) =>
    key === 'id' && !known.has(value) ? 'its own' : value,
  );
}

import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { forgetOld, SCORES_KEPT_MS } from '../studio/studios';
import { makeClass, NOON, testDatabase } from '../testing/studio';
import { appendEvents, getLog, getRun, MOST_BEFORE, openLog, prepareRun } from '.';

const db = testDatabase();
const RATES = [100, 130, 160, 200] as const;

/** A class that devices make ready, each at its own rate. */
async function planned() {
  const c = await makeClass(db());
  const { sessionId } = c;
  const made = async (wordsPerMinute: number, now = NOON) => {
    const run = await prepareRun(db(), c, { sessionId, now, speaker: null, wordsPerMinute });
    return { number: run.made, rate: run.score.wordsPerMinute };
  };
  const id = async () => (await openLog(db(), c, sessionId, NOON)).id;
  const begin = async (number: number | undefined, now = NOON) => {
    const started = { id: randomUUID(), type: 'started', at: now, made: number } as const;
    const asked = { runId: await id(), drafts: [started], now, device: randomUUID() };
    return appendEvents(db(), c, asked);
  };
  /** The rate of everything that is stored of what is led, and its number. */
  const led = async () => {
    const row = await db()('runs').where({ session_id: sessionId }).first();
    const rates = [row.score, row.easier, row.follow.score].map((s) => s.wordsPerMinute);
    return { number: row.prepared as number, rates: [...new Set(rates)] };
  };
  const keptBefore = async () => (await db()('scores_before').where({ run_id: await id() })).length;
  return { c, made, begin, led, keptBefore, id };
}

describe('what a class is led with', () => {
  it('is what the device has that begins it, whoever made it ready before and after', async () => {
    const acts = fc.array(fc.record({ device: fc.nat(2), rate: fc.constantFrom(...RATES) }), {
      minLength: 1,
      maxLength: MOST_BEFORE,
    });
    await fc.assert(
      fc.asyncProperty(acts, fc.nat(2), async (list, starter) => {
        const { c, made, begin, led, keptBefore, id } = await planned();
        const has = new Map<number, { number: number; rate: number }>();
        const known = new Map<number, number>();
        for (const { device, rate } of list) {
          const now = await made(rate);
          // A number stands for one score and no other.
          expect(known.get(now.number) ?? rate).toBe(rate);
          known.set(now.number, rate);
          has.set(device, now);
        }
        const [first] = has.values();
        const begins = has.get(starter) ?? first;
        if (!begins) throw new Error('nobody has it');
        const answer = await begin(begins.number);
        expect(await led()).toEqual({ number: begins.number, rates: [begins.rate] });
        expect([answer.made, await keptBefore()]).toEqual([begins.number, 0]);
        // It stands, whoever asks for another one after.
        expect(await made(230)).toEqual(begins);
        const again = await getRun(db(), c, await id());
        expect([again.made, again.score.wordsPerMinute]).toEqual([begins.number, begins.rate]);
      }),
      { numRuns: 12 },
    );
  });

  it('has a number of its own where it is another one, and keeps it where it is the same', async () => {
    const { made, keptBefore } = await planned();
    expect([await made(100), await made(100), await made(160), await made(100)]).toEqual([
      { number: 1, rate: 100 },
      { number: 1, rate: 100 },
      { number: 2, rate: 160 },
      { number: 3, rate: 100 },
    ]);
    expect(await keptBefore()).toBe(2);
  });

  it('is the newest where the device does not say, or says what is not known any more', async () => {
    const silent = await planned();
    await silent.made(100);
    await silent.made(160);
    await silent.begin(undefined);
    expect(await silent.led()).toEqual({ number: 2, rates: [160] });
    const long = await planned();
    for (let n = 0; n < MOST_BEFORE + 3; n++) await long.made(100 + n);
    expect(await long.keptBefore()).toBe(MOST_BEFORE);
    const newest = { number: MOST_BEFORE + 3, rates: [100 + MOST_BEFORE + 2] };
    expect((await long.begin(1)).made).toBe(newest.number);
    expect(await long.led()).toEqual(newest);
  });

  it('reaches back as far as is promised', async () => {
    const { made, begin, led } = await planned();
    for (let n = 0; n <= MOST_BEFORE; n++) await made(100 + n);
    await begin(1);
    expect(await led()).toEqual({ number: 1, rates: [100] });
  });

  it('keeps the number out of the log, which tells it beside', async () => {
    const { c, made, begin, id } = await planned();
    const { number } = await made(100);
    await begin(number);
    const log = await getLog(db(), c, await id());
    expect(log.events).toEqual([{ id: expect.any(String), type: 'started', at: NOON, seq: 1 }]);
    expect(log.made).toBe(number);
  });

  it('forgets the ones before of a class that never begins, after a week', async () => {
    const { made, keptBefore } = await planned();
    await made(100);
    await made(160);
    await forgetOld(db(), NOON + SCORES_KEPT_MS - 1);
    expect(await keptBefore()).toBe(1);
    await forgetOld(db(), NOON + SCORES_KEPT_MS + 1);
    expect(await keptBefore()).toBe(0);
  });

  it('is not taken from another studio’s class', async () => {
    const [ours, theirs] = [await planned(), await planned()];
    await theirs.made(200);
    await theirs.made(160);
    await ours.made(100);
    await ours.made(130);
    await ours.begin(1);
    expect(await ours.led()).toEqual({ number: 1, rates: [100] });
    expect([await theirs.led(), await theirs.keptBefore()]).toEqual([
      { number: 2, rates: [160] },
      1,
    ]);
  });
});

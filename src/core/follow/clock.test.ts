import { RUNS } from '@testing/arbitrary';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DRIFT, Exchanges, FAR_MS, sampleOf, slewed } from './clock';
import { CODE_LENGTH, CODE_SIGNS, codeOf, readCode, shownCode } from './code';

/** A device that is so far off, and a way there and back that takes so long. */
const trips = fc.array(
  fc.record({
    waitMs: fc.integer({ min: 0, max: 60_000 }),
    thereMs: fc.integer({ min: 0, max: 400 }),
    atWorkMs: fc.integer({ min: 0, max: 50 }),
    backMs: fc.integer({ min: 0, max: 400 }),
  }),
  { minLength: 1, maxLength: 30 },
);

describe('the time of the server', () => {
  it('is as near as the way there and back lets it be known, whatever happens on the way', () => {
    fc.assert(
      fc.property(trips, fc.integer({ min: -1e12, max: 1e12 }), (all, trueOffset) => {
        const exchanges = new Exchanges();
        let device = 0;
        for (const { waitMs, thereMs, atWorkMs, backMs } of all) {
          const sentAt = device + waitMs;
          const arrived = sentAt + thereMs + trueOffset;
          device = sentAt + thereMs + atWorkMs + backMs;
          exchanges.add({ sentAt, arrived, answered: arrived + atWorkMs, receivedAt: device });
        }
        const known = exchanges.known(device);
        expect(Math.abs((known?.offsetMs ?? 0) - trueOffset)).toBeLessThanOrEqual(
          (known?.errorMs ?? 0) + 0.001,
        );
        // No way there and no way back of the latest was quicker than both that are believed.
        const latest = all.slice(-16);
        const least = (ways: number[]) => Math.min(...ways);
        const there = least(latest.map(({ thereMs }) => thereMs));
        const back = least(latest.map(({ backMs }) => backMs));
        expect(known?.errorMs).toBeLessThanOrEqual((there + back) / 2 + 1 + DRIFT * 16 * 61_000);
        const quickest = least(latest.map(({ thereMs, backMs }) => thereMs + backMs));
        expect(known?.delayMs).toBeLessThanOrEqual(quickest + DRIFT * 16 * 61_000 * 2);
      }),
      { numRuns: RUNS },
    );
  });

  it('is read from one round trip as it is written in RFC 5905, section 8', () => {
    // T1 to T4 of a device that is 2 s behind, 30 ms there, 5 ms at work, 10 ms back.
    const sample = sampleOf({ sentAt: 1000, arrived: 3030, answered: 3035, receivedAt: 1045 });
    expect(sample).toEqual({ offsetMs: 2010, delayMs: 40, at: 1045 });
  });

  it('is known by the quickest way there and the quickest way back, of whichever round trip', () => {
    const exchanges = new Exchanges();
    // A device that shows the server's time, 10 ms there and 90 back, and then the other way round.
    exchanges.add({ sentAt: 0, arrived: 10, answered: 10, receivedAt: 100 });
    expect(exchanges.known(100)).toEqual({ offsetMs: -40, errorMs: 51, delayMs: 100 });
    exchanges.add({ sentAt: 100, arrived: 190, answered: 190, receivedAt: 200 });
    const known = exchanges.known(200);
    expect(known?.offsetMs).toBeCloseTo(0, 1);
    expect(known?.errorMs).toBeCloseTo(11, 1);
  });

  it('goes by the quickest round trip where a clock was set between two of them', () => {
    const exchanges = new Exchanges();
    exchanges.add({ sentAt: 0, arrived: 5, answered: 5, receivedAt: 10 });
    exchanges.add({ sentAt: 100, arrived: 5105, answered: 5105, receivedAt: 106 });
    expect(exchanges.known(106)).toMatchObject({ offsetMs: 5002, delayMs: 6 });
  });

  it('is not known before anything was heard, nor after the device has slept', () => {
    const exchanges = new Exchanges();
    expect(exchanges.known(0)).toBeNull();
    exchanges.add({ sentAt: 0, arrived: 5, answered: 5, receivedAt: 10 });
    exchanges.forget();
    expect([exchanges.known(10), exchanges.count]).toEqual([null, 0]);
  });
});

describe('a clock that is set right', () => {
  it('never runs backwards, and gets there', () => {
    const looks = fc.array(fc.integer({ min: 0, max: 1000 }), { minLength: 1, maxLength: 200 });
    const offset = fc.integer({ min: -5000, max: 5000 });
    fc.assert(
      fc.property(looks, offset, offset, (passed, from, to) => {
        let [device, shown] = [0, from];
        let last = shown;
        let total = 0;
        for (const ms of passed) {
          device += ms;
          total += ms;
          shown = slewed(shown, to, ms);
          expect(device + shown).toBeGreaterThanOrEqual(last);
          last = device + shown;
        }
        const slow = Math.min(Math.abs(to - from), FAR_MS) * 10 + Math.abs(to - from);
        if (total > slow) expect(shown).toBe(to);
      }),
      { numRuns: RUNS },
    );
  });

  it('goes ahead at once where it is far behind, and a tenth of the time where it is near', () => {
    expect(slewed(0, FAR_MS + 1, 16)).toBe(FAR_MS + 1);
    expect(slewed(0, 500, 100)).toBe(10);
    expect(slewed(slewed(slewed(-10, 1, 18), 1, 2), 1, 102)).toBe(1);
    expect(slewed(0, -500, 100)).toBe(-10);
    expect(slewed(0, -3000, 100)).toBe(-100);
  });
});

describe('a code', () => {
  it('is made of signs that are not taken for one another, each as likely as any other', () => {
    for (const alike of ['0O', '1IL', '2Z', '5S', '8B', '6G', 'UV']) {
      expect([...alike].filter((sign) => CODE_SIGNS.includes(sign)).length).toBeLessThan(2);
    }
    const every = Array.from({ length: 256 }, (_, n) => n);
    const seen = new Map<string, number>();
    for (const n of every) {
      const sign = codeOf(Array.from({ length: CODE_LENGTH }, () => n))?.[0];
      if (sign) seen.set(sign, (seen.get(sign) ?? 0) + 1);
    }
    expect(new Set(seen.values()).size).toBe(1);
    expect(codeOf([1, 2, 3])).toBeNull();
  });

  it('is read as people type it, and nothing else is', () => {
    expect(readCode(' k7p-3wx ')).toBe('K7P3WX');
    expect(readCode(shownCode('K7P3WX'))).toBe('K7P3WX');
    for (const wrong of ['', 'K7P3W', 'K7P3WXX', 'K7P3W0', 'AAAAAA', '\u0000K7P3W']) {
      expect(readCode(wrong)).toBeNull();
    }
  });
});

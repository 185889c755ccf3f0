import fc from 'fast-check';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { First } from './first.mjs';

beforeEach(() => {
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
});

it('lets what gives way go on as soon as nothing is under way, and after its patience in any case', async () => {
  const steps = fc.array(
    fc.oneof(
      fc.record({ does: fc.constantFrom('begin', 'wait') }),
      fc.record({ does: fc.constant('end'), which: fc.nat() }),
      fc.record({ does: fc.constant('pass'), ms: fc.integer({ min: 1, max: 150 }) }),
    ),
    { maxLength: 40 },
  );
  await fc.assert(
    fc.asyncProperty(steps, async (all) => {
      const first = new First();
      const ends: (() => void)[] = [];
      const gone: number[] = [];
      /** As somebody with a watch would tell it: who waits since when, and what is under way. */
      let underWay = 0;
      let now = 0;
      let waiting: { n: number; until: number }[] = [];
      const expected: number[] = [];
      for (const [n, step] of all.entries()) {
        if (step.does === 'begin') {
          ends.push(first.begin());
          underWay++;
        } else if (step.does === 'wait') {
          void first.giveWay(100).then(() => gone.push(n));
          if (underWay === 0) expected.push(n);
          else waiting.push({ n, until: now + 100 });
        } else if ('which' in step && ends.length > 0) {
          const [end] = ends.splice(step.which % ends.length, 1);
          // Twice is as good as once.
          end?.();
          end?.();
          if (--underWay === 0) {
            expected.push(...waiting.map((w) => w.n));
            waiting = [];
          }
        } else if ('ms' in step) {
          await vi.advanceTimersByTimeAsync(step.ms);
          now += step.ms;
          expected.push(...waiting.filter((w) => w.until <= now).map((w) => w.n));
          waiting = waiting.filter((w) => w.until > now);
        }
        await vi.advanceTimersByTimeAsync(0);
        expect(gone).toEqual(expected);
      }
      expect(vi.getTimerCount()).toBe(waiting.length);
      for (const end of ends) end();
      await vi.advanceTimersByTimeAsync(0);
      expect(vi.getTimerCount()).toBe(0);
    }),
    { numRuns: 200 },
  );
});

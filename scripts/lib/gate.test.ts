import fc from 'fast-check';
import { expect, it } from 'vitest';
import { Gate } from './gate.mjs';

const settled = () => new Promise((resolve) => setImmediate(resolve));

it('never has more at work of one owner, keeps their order, and forgets who has nothing left', async () => {
  const steps = fc.array(
    fc.record({ ask: fc.boolean(), owner: fc.constantFrom('a', 'b'), which: fc.nat() }),
    { maxLength: 40 },
  );
  await fc.assert(
    fc.asyncProperty(steps, fc.integer({ min: 1, max: 3 }), async (all, atOnce) => {
      const gate = new Gate({ atOnce, mostWaiting: 4 });
      /** What a line on paper would say: who works and who waits, in order. */
      const paper = {
        a: { works: [] as number[], waits: [] as number[] },
        b: { works: [] as number[], waits: [] as number[] },
      };
      const begun: number[] = [];
      const refused: number[] = [];
      const left = new Map<number, () => void>();
      const expected = { begun: [] as number[], refused: [] as number[] };
      for (const [n, { ask, owner, which }] of all.entries()) {
        const line = paper[owner];
        if (ask) {
          void gate.enter(owner).then((leave) => {
            if (!leave) refused.push(n);
            else {
              begun.push(n);
              left.set(n, leave);
            }
          });
          if (line.works.length < atOnce) {
            line.works.push(n);
            expected.begun.push(n);
          } else if (line.waits.length < 4) line.waits.push(n);
          else expected.refused.push(n);
        } else if (line.works.length > 0) {
          const [done = -1] = line.works.splice(which % line.works.length, 1);
          // Twice is as good as once.
          left.get(done)?.();
          left.get(done)?.();
          const next = line.waits.shift();
          if (next !== undefined) {
            line.works.push(next);
            expected.begun.push(next);
          }
        }
        await settled();
        expect([begun, refused]).toEqual([expected.begun, expected.refused]);
        const busy = Object.values(paper).filter((line) => line.works.length > 0).length;
        expect(gate.owners).toBe(busy);
      }
    }),
    { numRuns: 100 },
  );
});

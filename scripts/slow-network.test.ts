import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { RUNS } from '@testing/arbitrary';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { arrivals, slowNetwork } from './lib/slow-network.mjs';

it('nothing arrives before what was sent before it, nor sooner than it can', () => {
  const waits = fc.array(fc.nat({ max: 500 }), { maxLength: 50 });
  const badness = fc.record({
    delayMs: fc.nat({ max: 300 }),
    jitterMs: fc.nat({ max: 300 }),
    loss: fc.double({ min: 0, max: 1, noNaN: true }),
  });
  fc.assert(
    fc.property(
      waits,
      badness,
      fc.infiniteStream(fc.double({ min: 0, max: 0.999, noNaN: true })),
      (all, bad, dice) => {
        const arrives = arrivals(bad, () => dice.next().value ?? 0);
        let [sent, last] = [0, 0];
        for (const wait of all) {
          sent += wait;
          const at = arrives(sent);
          expect(at).toBeGreaterThanOrEqual(Math.max(last, sent + bad.delayMs));
          expect(at).toBeLessThanOrEqual(Math.max(last, sent + bad.delayMs + bad.jitterMs + 200));
          last = at;
        }
      },
    ),
    { numRuns: RUNS },
  );
});

it('passes on what is asked and what is answered, whole and in its order', async () => {
  const long = Array.from({ length: 200_000 }, (_, n) => n).join(' ');
  const server = createServer((request, response) => response.end(`${request.url} ${long}`));
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  const { port: to } = server.address() as AddressInfo;
  const network = await slowNetwork({ to, delayMs: 5, jitterMs: 5, loss: 0.1 });
  const answer = await fetch(`http://127.0.0.1:${network.port}/time`);
  expect(await answer.text()).toBe(`/time ${long}`);
  network.close();
  server.closeAllConnections();
  server.close();
});

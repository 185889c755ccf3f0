import { expect, it } from 'vitest';
import { keepRunning, PAUSES_MS, WELL_AFTER_MS } from './keep-running.mjs';

/** A program that lasts as long as the test says, on a clock that only pauses and lifetimes move. */
function program(lifetimes: number[]) {
  let time = 0;
  let starts = 0;
  let end = () => {};
  const pauses: number[] = [];
  const told: string[] = [];
  let stopped = 0;
  const kept = keepRunning({
    start: async () => {
      const lasts = lifetimes[starts++];
      if (lasts === undefined) {
        const ended = new Promise<void>((resolve) => {
          end = resolve;
        });
        const stop = async () => {
          stopped++;
          end();
        };
        return { ended, stop };
      }
      if (lasts < 0) return null;
      return {
        get ended() {
          time += lasts;
          return Promise.resolve();
        },
        stop: async () => {},
      };
    },
    tell: (sentence) => told.push(sentence),
    pause: async (ms) => {
      pauses.push(ms);
      time += ms;
    },
    now: () => time,
  });
  return { kept, pauses, told, starts: () => starts, stopped: () => stopped };
}
const turns = async () => {
  for (let i = 0; i < 50; i++) await Promise.resolve();
};

it('starts a program again that ended by itself, after pauses that grow', async () => {
  const { kept, pauses, starts, stopped } = program([10, 10, 10]);
  expect(await kept.running).toBe(true);
  await turns();
  expect([starts(), pauses]).toEqual([4, PAUSES_MS.slice(0, 3)]);
  await kept.stop();
  await kept.givenUp;
  expect([starts(), stopped()]).toEqual([4, 1]);
});

it('begins with the short pauses again after it ran well', async () => {
  const { kept, pauses } = program([10, 10, WELL_AFTER_MS, 10]);
  await turns();
  expect(pauses).toEqual([PAUSES_MS[0], PAUSES_MS[1], PAUSES_MS[0], PAUSES_MS[1]]);
  await kept.stop();
});

it('gives up with a reason when it ends again and again, or never comes up', async () => {
  for (const lasts of [5, -1]) {
    const { kept, pauses, told, starts } = program(Array(20).fill(lasts));
    expect(await kept.running).toBe(lasts > 0);
    await kept.givenUp;
    expect([starts(), pauses]).toEqual([PAUSES_MS.length + 1, PAUSES_MS]);
    expect(told.at(-1)).toMatch(/7 times in a row/);
  }
});

it('stops a program that is just being started again: none is left behind', async () => {
  let up = () => {};
  let starts = 0;
  let running = 0;
  const kept = keepRunning({
    start: async () => {
      if (++starts === 1) return { ended: Promise.resolve(), stop: async () => {} };
      running++;
      // It is at work already, and answers only later.
      await new Promise<void>((resolve) => {
        up = resolve;
      });
      return { ended: new Promise(() => {}), stop: async () => void running-- };
    },
    tell: () => {},
    pause: async () => {},
  });
  await turns();
  expect([starts, running]).toEqual([2, 1]);
  let over = false;
  const stopped = kept.stop().then(() => {
    over = true;
  });
  await turns();
  expect(over).toBe(false);
  up();
  await stopped;
  expect(running).toBe(0);
});

it('waits no pause out when it is stopped', async () => {
  const kept = keepRunning({
    start: async () => ({ ended: Promise.resolve(), stop: async () => {} }),
    tell: () => {},
    pause: () => new Promise(() => {}),
  });
  await turns();
  await kept.stop();
});

import { eventId, planOf } from '@testing/plans';
import { scoresOf, T0 } from '@testing/runs';
import { expect, it } from 'vitest';
import { LEFT_AFTER_MS, leftStanding, type NewRunEvent, position } from '.';

const { score } = scoresOf(planOf([{ move: 'pucker-hold' }]));
const MINUTE = 60_000;
type Kind = 'started' | 'paused' | 'resumed' | 'finished';

/** How a class stands so long after it began. */
function after(ms: number, ...events: [offsetMs: number, type: Kind][]) {
  const log = events.map(([at, type], i) => ({ id: eventId(i), at: T0 + at, type }) as NewRunEvent);
  return leftStanding(position(score, log, T0 + ms));
}

it('is left when it has stood paused for ten minutes', () => {
  const paused = [
    [0, 'started'],
    [5000, 'paused'],
  ] as [number, Kind][];
  expect(after(5000 + LEFT_AFTER_MS - 1, ...paused)).toBeNull();
  expect(after(5000 + LEFT_AFTER_MS, ...paused)).toEqual({ how: 'paused', since: T0 + 5000 });
  expect(after(60 * MINUTE, ...paused)?.since).toBe(T0 + 5000);
});

it('is left when it ran out by itself and nobody closed it', () => {
  const end = score.totalMs;
  expect(after(end - 1, [0, 'started'])).toBeNull();
  expect(after(end + LEFT_AFTER_MS - 1, [0, 'started'])).toBeNull();
  expect(after(end + LEFT_AFTER_MS, [0, 'started'])).toEqual({ how: 'over', since: T0 + end });
});

it('is not left before it begins, while it goes on, or once it is closed', () => {
  expect(after(24 * 60 * MINUTE)).toBeNull();
  expect(
    after(12 * MINUTE, [0, 'started'], [1000, 'paused'], [12 * MINUTE - 1000, 'resumed']),
  ).toBe(null);
  expect(after(24 * 60 * MINUTE, [0, 'started'], [5000, 'finished'])).toBeNull();
});

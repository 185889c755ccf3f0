import fc from 'fast-check';
import { expect, it } from 'vitest';
import { AudioClock } from './audio-clock';

it('puts an instant where it is on the audio clock, however some looks were interrupted', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 10 ** 7 }),
      // Up to four looks of nine come late by anything.
      fc.array(fc.integer({ min: 1, max: 400 }), { maxLength: 4 }),
      fc.integer({ min: 0, max: 60_000 }),
      (offsetMs, late, inMs) => {
        let [now, interrupted] = [1_000_000, 0];
        const clock = new AudioClock(
          () => (now + offsetMs) / 1000,
          () => now - interrupted,
        );
        for (let i = 0; i < 9; i++) {
          now += 100;
          interrupted = late[i] ?? 0;
          clock.look();
        }
        const at = now + inMs;
        expect(clock.secondsAt(at)).toBeCloseTo((at + offsetMs) / 1000, 6);
      },
    ),
  );
});

it('forgets where the clocks stood long ago, and never answers with the past', () => {
  let [now, offsetMs] = [0, 500];
  const clock = new AudioClock(
    () => (now + offsetMs) / 1000,
    () => now,
  );
  for (let i = 0; i < 9; i++) clock.look();
  offsetMs = 300;
  for (let i = 0; i < 9; i++) clock.look();
  now = 4000;
  expect(clock.secondsAt(5000)).toBe(5.3);
  expect(clock.secondsAt(1000)).toBe(4.3);
});

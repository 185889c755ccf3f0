import { expect, it } from 'vitest';
import { droppedAt } from './dropped-at';

const drag = (at: string, days: number, minutes: number) =>
  droppedAt(at, { days, minutes, from: '2026-11-23' });

it('moves by whole days and quarters of an hour, and keeps to the minute it was at', () => {
  expect(drag('2026-11-24T18:30', 2, 52)).toBe('2026-11-26T19:15');
  expect(drag('2026-11-24T18:20', 0, -7)).toBe('2026-11-24T18:20');
  expect(drag('2026-11-24T18:20', 0, -8)).toBe('2026-11-24T18:05');
});

it('stays within the week and the day', () => {
  expect(drag('2026-11-24T18:30', -9, 0)).toBe('2026-11-23T18:30');
  expect(drag('2026-11-24T18:30', 9, 0)).toBe('2026-11-29T18:30');
  expect(drag('2026-11-24T18:30', 0, 9000)).toBe('2026-11-24T23:55');
  expect(drag('2026-11-24T18:30', 0, -9000)).toBe('2026-11-24T00:00');
});

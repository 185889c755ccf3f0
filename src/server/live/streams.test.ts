import { expect, it } from 'vitest';
import { MOST_STREAMS, Streams } from './streams';

it('counts the streams of each teacher by themselves, and lets one more in when one has left', () => {
  const streams = new Streams();
  const leave = Array.from({ length: MOST_STREAMS }, () => streams.enter('ines'));
  expect([streams.isFull('ines'), streams.isFull('sten')]).toEqual([true, false]);
  leave[0]?.();
  expect(streams.isFull('ines')).toBe(false);
  for (const left of leave.slice(1)) left();
  const again = Array.from({ length: MOST_STREAMS - 1 }, () => streams.enter('ines'));
  expect(streams.isFull('ines')).toBe(false);
  expect(again).toHaveLength(MOST_STREAMS - 1);
});

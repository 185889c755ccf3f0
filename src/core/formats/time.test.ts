import { describe, expect, it } from 'vitest';
import { clock, parseSeconds, shortSeconds } from '.';

describe('lengths of time', () => {
  it.each([
    [0, '0:00'],
    [48_400, '0:48'],
    [59_600, '1:00'],
    [1_061_000, '17:41'],
    [3_725_000, '1:02:05'],
    [-139_000, '−2:19'],
    [-400, '0:00'],
  ])('%i ms reads %s', (ms, text) => expect(clock(ms)).toBe(text));

  it('shows short seconds with one decimal at most', () => {
    expect([shortSeconds(7430), shortSeconds(10_000)]).toEqual(['7.4 s', '10 s']);
  });

  it.each([
    ['30', 30],
    ['0:30', 30],
    ['2 min', 120],
    ['1,5 min', 90],
    ['45s', 45],
    ['1 h', 3600],
  ])('"%s" is %i seconds', (text, seconds) => expect(parseSeconds(text)).toBe(seconds));

  it('takes bare numbers as minutes where minutes are asked for', () => {
    expect(parseSeconds('20', 'min')).toBe(1200);
  });

  it.each(['', 'ten', '1:75', '-5', '5 breaths'])('does not guess at "%s"', (text) =>
    expect(parseSeconds(text)).toBeNull(),
  );
});

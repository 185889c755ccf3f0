import { describe, expect, it } from 'vitest';
import { greetingOf, type Known, marksOf } from '.';

const DAY = 86_400_000;
const NOW = Date.UTC(2026, 10, 24, 12);
const ago = (days: number) => NOW - days * DAY;
const says = (change: Partial<Known>) =>
  marksOf(
    { times: 12, lastAt: ago(7), beforeAt: ago(14), streak: null, greet: true, ...change },
    NOW,
  ).map((m) => m.says);

describe('marks of a person', () => {
  it('are none for most', () => expect(says({})).toEqual([]));

  it.each([
    [{ times: 0, lastAt: null, beforeAt: null }, ['has not come yet']],
    [{ lastAt: ago(35) }, ['not seen for five weeks']],
    [{ lastAt: ago(3), beforeAt: ago(45) }, ['back after six weeks']],
    // Three weeks later that is no news any more.
    [{ lastAt: ago(9), beforeAt: ago(51) }, []],
    [{ times: 24 }, ['class number 25 comes next']],
    [{ times: 25 }, ['25 classes reached']],
    [{ times: 25, lastAt: ago(20) }, []],
  ])('%#: of %j are %j', (change, expected) => expect(says(change)).toEqual(expected));

  it('tell of a long streak that one more miss would end, as long as somebody still comes', () => {
    const streak = { count: 7, words: '7 meetings in a row', ending: true };
    expect(says({ streak })).toEqual(['7 meetings in a row could end']);
    expect(says({ streak: { ...streak, ending: false } })).toEqual([]);
    expect(says({ streak: { ...streak, count: 3 } })).toEqual([]);
    expect(says({ streak, lastAt: ago(40) })).toEqual(['not seen for six weeks']);
  });

  it('leave streaks and round numbers alone for who does not want them', () => {
    const streak = { count: 7, words: '7 meetings in a row', ending: true };
    expect(says({ streak, times: 25, greet: false })).toEqual([]);
    expect(says({ lastAt: ago(35), greet: false })).toEqual(['not seen for five weeks']);
  });
});

describe('a greeting in the room', () => {
  const usual = { timesBefore: 12, lastAt: ago(7), greet: true };
  it.each([
    [{}, null],
    [{ timesBefore: 0, lastAt: null }, 'first class'],
    [{ lastAt: ago(35) }, 'back after five weeks'],
    [{ timesBefore: 24 }, 'class number 25'],
    [{ timesBefore: 24, greet: false }, null],
    [{ lastAt: ago(35), greet: false }, 'back after five weeks'],
  ])('%#: of %j is %j', (change, expected) =>
    expect(greetingOf({ ...usual, ...change }, NOW)).toBe(expected),
  );
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Expected, GAP_DAYS, isRoundCount, whoComes } from '.';

const DAY = 86_400_000;
const NOW = Date.UTC(2026, 10, 24, 18);
const MOVES = ['brow', 'jaw', 'lips', 'neck'].map((id) => ({ id, name: `The ${id}` }));
const ALL = new Set(MOVES.map((m) => m.id));
const regular = (name: string, more: Partial<Expected> = {}): Expected => ({
  participantId: name,
  name,
  timesBefore: 11,
  timesInClass: 11,
  lastAt: NOW - 7 * DAY,
  streak: 1,
  greet: true,
  met: ALL,
  ...more,
});
const lines = (people: Expected[]) =>
  whoComes(people, { moves: MOVES, startsAt: NOW }).map((line) => [
    line.people.map((p) => p.name).join(', '),
    line.says,
  ]);

describe('who comes', () => {
  it('says nothing of regulars of whom there is nothing to know', () => {
    expect(lines([regular('Marit'), regular('Wen')])).toEqual([]);
  });

  it('says each thing once, of all of whom it is true, new ones first and streaks last', () => {
    const without = (...ids: string[]) => new Set([...ALL].filter((id) => !ids.includes(id)));
    expect(
      lines([
        regular('Marit', { streak: 7 }),
        regular('Joss', { timesBefore: 24 }),
        regular('Tarek', { met: without('jaw') }),
        regular('Odile', { lastAt: NOW - 35 * DAY, met: without('jaw', 'lips', 'neck') }),
        regular('Wen', { met: without('jaw') }),
        regular('Halvor', { streak: 9 }),
        regular('Runa', { timesInClass: 0, met: new Set() }),
        regular('Sanna', { timesBefore: 0, timesInClass: 0, lastAt: null, met: new Set() }),
        regular('Colm', { lastAt: NOW - 200 * DAY }),
      ]),
    ).toEqual([
      ['Sanna', 'for the first time'],
      ['Odile', 'back after five weeks; three moves are new'],
      ['Colm', 'back after seven months'],
      ['Runa', 'new to this class'],
      ['Tarek, Wen', 'new: The jaw'],
      ['Joss', 'would reach 25 classes'],
      ['Marit', 'would make it 8 in a row'],
      ['Halvor', '9 in a row so far'],
    ]);
  });

  it('puts everybody in one line at most, and leaves out exactly those who are as usual', () => {
    const people = fc.array(
      fc.record({
        timesBefore: fc.nat(120),
        timesInClass: fc.nat(30),
        days: fc.option(fc.nat(300)),
        streak: fc.nat(60),
        greet: fc.constant(true),
        met: fc.subarray([...ALL]),
      }),
      { maxLength: 30 },
    );
    fc.assert(
      fc.property(people, (all) => {
        const expected = all.map(({ days, met, ...p }, i) =>
          regular(`P${i}`, {
            ...p,
            lastAt: days === null ? null : NOW - days * DAY,
            met: new Set(met),
          }),
        );
        const told = whoComes(expected, { moves: MOVES, startsAt: NOW });
        const names = told.flatMap((line) => line.people.map((p) => p.name));
        expect(new Set(names).size).toBe(names.length);
        expect(new Set(told.map((line) => line.says)).size).toBe(told.length);
        const usual = (p: (typeof all)[number]) =>
          p.timesBefore > 0 &&
          p.timesInClass > 0 &&
          (p.days ?? 0) < GAP_DAYS &&
          p.met.length === ALL.size &&
          !isRoundCount(p.timesBefore + 1) &&
          p.streak < 6 &&
          p.streak !== 3;
        expect(new Set(names)).toEqual(new Set(all.flatMap((p, i) => (usual(p) ? [] : [`P${i}`]))));
      }),
    );
  });
});

import { RUNS } from '@testing/arbitrary';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  addDays,
  conflictsOf,
  datesOf,
  daysBetween,
  instantsOf,
  lanesOf,
  localOf,
  MOST_IN_SERIES,
  mondayOf,
  moved,
  moveFrom,
  type Rule,
  recurrenceOf,
  type Taking,
  unfold,
  WEEKDAYS,
  weekNumber,
} from '.';

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
/** Two zones that change their clocks by different rules, one by half an hour, and one that never does. */
const ZONES = ['Europe/Dublin', 'America/Santiago', 'Australia/Lord_Howe', 'Asia/Tokyo'];

const clockOf = (timeZone: string) =>
  new Intl.DateTimeFormat('en', {
    timeZone,
    hourCycle: 'h23',
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
  });
const CLOCKS = new Map(ZONES.map((zone) => [zone, clockOf(zone)]));

/** What the clocks show, as the platform itself writes it. */
function shown(ms: number, zone: string): string {
  const parts = (CLOCKS.get(zone) ?? clockOf(zone)).formatToParts(ms);
  const of = (type: string) => parts.find((p) => p.type === type)?.value;
  return `${of('year')}-${of('month')}-${of('day')}T${of('hour')}:${of('minute')}`;
}

describe('local times', () => {
  it('are what the clocks of the zone show', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...ZONES),
        fc.integer({ min: Date.UTC(2020, 0), max: Date.UTC(2040, 0) }),
        (zone, ms) => {
          expect(localOf(ms, zone)).toBe(shown(ms, zone));
        },
      ),
      { numRuns: RUNS },
    );
  });

  it('come as often as looking at every quarter of an hour finds them', () => {
    const noon = fc.integer({ min: 0, max: 20 * 365 }).map((d) => Date.UTC(2020, 0, d, 12));
    const changes = [
      Date.UTC(2026, 2, 29),
      Date.UTC(2026, 9, 25),
      Date.UTC(2026, 3, 5),
      Date.UTC(2026, 8, 6),
      Date.UTC(2026, 9, 4),
    ];
    const day = fc.oneof(
      noon,
      fc.constantFrom(...changes).map((d) => d + 12 * HOUR),
    );
    fc.assert(
      fc.property(fc.constantFrom(...ZONES), day, fc.nat(95), (zone, around, quarter) => {
        const date = new Date(around).toISOString().slice(0, 10);
        const time = new Date(quarter * 15 * MINUTE).toISOString().slice(11, 16);
        const local = `${date}T${time}`;
        const found: number[] = [];
        for (let ms = around - 36 * HOUR; ms < around + 36 * HOUR; ms += 15 * MINUTE) {
          if (shown(ms, zone) === local) found.push(ms);
        }
        expect(instantsOf(local, zone)).toEqual(found);
      }),
      { numRuns: Math.min(RUNS, 150) },
    );
  });

  it('have the weeks of the calendar', () => {
    expect([mondayOf('2026-11-26'), mondayOf('2026-11-30'), mondayOf('2026-11-29')]).toEqual([
      '2026-11-23',
      '2026-11-30',
      '2026-11-23',
    ]);
    // ISO 8601: week 1 has the first Thursday of the year; 2026 has 53 weeks.
    expect(
      ['2026-01-01', '2026-12-31', '2027-01-03', '2027-01-04', '2025-12-29'].map(weekNumber),
    ).toEqual([1, 53, 53, 1, 1]);
    expect([addDays('2026-02-28', 1), daysBetween('2026-10-24', '2026-11-01')]).toEqual([
      '2026-03-01',
      8,
    ]);
  });
});

describe('a rule', () => {
  const end = { by: 'number', count: 10 } as const;

  // RFC 5545, section 3.8.5.3, examples of recurrence rules; days only, since a series has one time of day.
  it.each<[string, Rule, string, string[]]>([
    [
      'daily for 10 occurrences',
      { repeats: 'daily', every: 1, end },
      '1997-09-02',
      Array.from({ length: 10 }, (_, i) => addDays('1997-09-02', i)),
    ],
    [
      'every 10 days, 5 occurrences',
      { repeats: 'daily', every: 10, end: { by: 'number', count: 5 } },
      '1997-09-02',
      ['1997-09-02', '1997-09-12', '1997-09-22', '1997-10-02', '1997-10-12'],
    ],
    [
      'weekly for 10 occurrences',
      { repeats: 'weekly', every: 1, days: [], end },
      '1997-09-02',
      Array.from({ length: 10 }, (_, i) => addDays('1997-09-02', 7 * i)),
    ],
    [
      'weekly on Tuesday and Thursday for five weeks, by a count',
      { repeats: 'weekly', every: 1, days: ['TH', 'TU'], end },
      '1997-09-02',
      [0, 2, 7, 9, 14, 16, 21, 23, 28, 30].map((d) => addDays('1997-09-02', d)),
    ],
    [
      'the same, until 7 October',
      { repeats: 'weekly', every: 1, days: ['TU', 'TH'], end: { by: 'day', last: '1997-10-06' } },
      '1997-09-02',
      [0, 2, 7, 9, 14, 16, 21, 23, 28, 30].map((d) => addDays('1997-09-02', d)),
    ],
    [
      'every other week on Tuesday and Thursday, for 8 occurrences',
      { repeats: 'weekly', every: 2, days: ['TU', 'TH'], end: { by: 'number', count: 8 } },
      '1997-09-02',
      [0, 2, 14, 16, 28, 30, 42, 44].map((d) => addDays('1997-09-02', d)),
    ],
    [
      'monthly on the first Friday for 10 occurrences',
      { repeats: 'monthly', every: 1, end },
      '1997-09-05',
      [
        ...['1997-09-05', '1997-10-03', '1997-11-07', '1997-12-05', '1998-01-02'],
        ...['1998-02-06', '1998-03-06', '1998-04-03', '1998-05-01', '1998-06-05'],
      ],
    ],
  ])('meets as RFC 5545 says: %s', (_, rule, start, expected) => {
    expect(datesOf(rule, start)).toEqual(expected);
  });

  it('is written as RFC 5545 writes it', () => {
    const days = ['TH', 'TU'] as const;
    const last = { by: 'day', last: '2026-12-18' } as const;
    expect(
      recurrenceOf({ repeats: 'weekly', every: 2, days: [...days], end: last }, '2026-11-24'),
    ).toBe('FREQ=WEEKLY;INTERVAL=2;WKST=MO;BYDAY=TU,TH;UNTIL=20261218T235959Z');
    expect(recurrenceOf({ repeats: 'monthly', every: 1, end }, '2026-11-30')).toBe(
      'FREQ=MONTHLY;INTERVAL=1;WKST=MO;BYDAY=-1MO;COUNT=10',
    );
  });

  const date = fc.integer({ min: 0, max: 3000 }).map((days) => addDays('2024-01-01', days));
  const weekly = fc.record({
    every: fc.integer({ min: 1, max: 4 }),
    days: fc.uniqueArray(fc.constantFrom(...WEEKDAYS), { maxLength: 7 }),
    count: fc.integer({ min: 1, max: 40 }),
  });

  it('meets weekly on the days that a walk over the calendar finds', () => {
    fc.assert(
      fc.property(date, weekly, (start, { every, days, count }) => {
        const rule: Rule = { repeats: 'weekly', every, days, end: { by: 'number', count } };
        const weekday = (d: string) => (new Date(`${d}T00:00Z`).getUTCDay() + 6) % 7;
        const wanted = days.length ? days.map((d) => WEEKDAYS.indexOf(d)) : [weekday(start)];
        const walked: string[] = [];
        for (let d = start; walked.length < count; d = addDays(d, 1)) {
          const weeks = daysBetween(mondayOf(start), mondayOf(d)) / 7;
          if (weeks % every === 0 && wanted.includes(weekday(d))) walked.push(d);
        }
        expect(datesOf(rule, start)).toEqual(walked);
      }),
      { numRuns: RUNS },
    );
  });
});

describe('unfolding', () => {
  const weekly = (count: number): Rule => ({
    repeats: 'weekly',
    every: 1,
    days: [],
    end: { by: 'number', count },
  });
  const wanted = { start: '2026-10-20', time: '18:30', classIds: ['a'] };

  it('keeps the time on the wall when the clocks change, in each zone', () => {
    for (const zone of ZONES) {
      const all = unfold({ ...wanted, rule: weekly(30) }, { zone, closures: [] });
      if (!all.ok) throw new Error(all.why);
      const times = new Set(all.sessions.map((s) => shown(s.startsAt, zone).slice(11)));
      expect([...times]).toEqual(['18:30']);
    }
  });

  it('lets classes take turns, and those in a closure have theirs', () => {
    const closures = [{ from: '2026-11-02', to: '2026-11-08', name: 'Half-term' }];
    const all = unfold(
      { ...wanted, rule: weekly(5), classIds: ['a', 'b', 'a', 'c'] },
      { zone: 'Europe/Dublin', closures },
    );
    expect(all.ok && all.sessions.map((s) => [s.occurrence, s.classId, s.closed])).toEqual([
      ['2026-10-20T18:30', 'a', null],
      ['2026-10-27T18:30', 'b', null],
      ['2026-11-03T18:30', 'a', 'Half-term'],
      ['2026-11-10T18:30', 'c', null],
      ['2026-11-17T18:30', 'a', null],
    ]);
  });

  it('asks about a time that does not exist, and about one that comes twice', () => {
    const zone = 'Europe/Dublin';
    const at = (start: string, more: object = {}) =>
      unfold(
        { start, time: '01:30', rule: weekly(3), classIds: ['a'], ...more },
        { zone, closures: [] },
      );
    const spring = '2026-03-22';
    expect(at(spring)).toEqual({ ok: false, why: 'missing', at: ['2026-03-29T01:30'] });
    const later = at(spring, { missing: 'later' });
    expect(later.ok && later.sessions.map((s) => localOf(s.startsAt, zone))).toEqual([
      '2026-03-22T01:30',
      '2026-03-29T02:30',
      '2026-04-05T01:30',
    ]);
    const without = at(spring, { missing: 'leave-out' });
    expect(without.ok && without.sessions.length).toBe(2);
    const autumn = '2026-10-18';
    expect(at(autumn)).toEqual({ ok: false, why: 'twice', at: ['2026-10-25T01:30'] });
    const [first, second] = [at(autumn, { twice: 'first' }), at(autumn, { twice: 'second' })];
    if (!first.ok || !second.ok) throw new Error('not unfolded');
    expect(second.sessions.map((s, i) => s.startsAt - (first.sessions[i]?.startsAt ?? 0))).toEqual([
      0,
      HOUR,
      0,
    ]);
  });

  it('has an end: as many as may be, and none is told', () => {
    const daily = (last: string): Rule => ({
      repeats: 'daily',
      every: 1,
      end: { by: 'day', last },
    });
    const of = (rule: Rule) => unfold({ ...wanted, rule }, { zone: 'Asia/Tokyo', closures: [] });
    expect(of(daily(addDays(wanted.start, MOST_IN_SERIES - 1))).ok).toBe(true);
    expect(of(daily(addDays(wanted.start, MOST_IN_SERIES)))).toEqual({
      ok: false,
      why: 'too-many',
    });
    expect(of(daily('2199-12-31'))).toEqual({ ok: false, why: 'too-many' });
    expect(of(daily('2026-10-19'))).toEqual({ ok: false, why: 'none' });
  });

  it('moves a session on the wall, over a change of the clocks too', () => {
    const zone = 'Europe/Dublin';
    const by = moveFrom('2026-10-24T18:30', '2026-10-26T19:00');
    expect(by).toEqual({ days: 2, time: '19:00' });
    expect(localOf(moved('2026-10-24T18:30', by, zone), zone)).toBe('2026-10-26T19:00');
    expect(localOf(moved('2026-03-28T12:00', { days: 1, time: '01:15' }, zone), zone)).toBe(
      '2026-03-29T02:15',
    );
  });
});

describe('conflicts', () => {
  const taking = fc.record({
    startsAt: fc.nat(40).map((n) => n * 10 * MINUTE),
    slotMs: fc.integer({ min: 1, max: 9 }).map((n) => n * 10 * MINUTE),
    teacherId: fc.constantFrom(null, 'ines', 'joss'),
    place: fc.constantFrom(null, 'Hall', 'hall ', 'Loft'),
  });
  const withIds = (name: string) =>
    fc
      .array(taking, { maxLength: 8 })
      .map((all) => all.map((s, i): Taking => ({ ...s, id: `${name}${i}` })));

  it('are the pairs that trying all of them finds', () => {
    fc.assert(
      fc.property(withIds('new'), withIds('old'), (looked, among) => {
        const all = [...looked, ...among];
        const pairs = new Set<string>();
        const place = (s: Taking) => s.place?.trim().toLowerCase();
        all.forEach((a, i) => {
          for (const b of all.slice(i + 1)) {
            if (!looked.includes(a) && !looked.includes(b)) continue;
            const apart =
              a.startsAt + a.slotMs <= b.startsAt || b.startsAt + b.slotMs <= a.startsAt;
            if (apart) continue;
            const names = [a.id, b.id].sort().join(' ');
            if (a.teacherId && a.teacherId === b.teacherId) pairs.add(`${names} teacher`);
            if (place(a) && place(a) === place(b)) pairs.add(`${names} place`);
          }
        });
        const found = conflictsOf(looked, among).map(
          (c) => `${[c.id, c.other].sort().join(' ')} ${c.over}`,
        );
        expect(found.sort()).toEqual([...pairs].sort());
      }),
      { numRuns: RUNS },
    );
  });
});

describe('lanes', () => {
  const stretch = fc.record({ startsAt: fc.nat(30), length: fc.integer({ min: 1, max: 8 }) });

  it('keep apart what overlaps, and are no more than the most at one instant', () => {
    fc.assert(
      fc.property(fc.array(stretch, { maxLength: 12 }), (all) => {
        const things = all.map(({ startsAt, length }, i) => ({
          id: String(i),
          startsAt,
          endsAt: startsAt + length,
        }));
        const lanes = lanesOf(things);
        const at = (id: string) => lanes.get(id) ?? { lane: -1, of: -1 };
        const over = (a: (typeof things)[number], b: (typeof things)[number]) =>
          a.startsAt < b.endsAt && b.startsAt < a.endsAt;
        for (const a of things) {
          expect(at(a.id).lane).toBeLessThan(at(a.id).of);
          for (const b of things) {
            if (a === b || !over(a, b)) continue;
            expect(at(a.id).lane).not.toBe(at(b.id).lane);
            expect(at(a.id).of).toBe(at(b.id).of);
          }
        }
        const most = Math.max(
          0,
          ...things.map(
            (a) => things.filter((b) => b.startsAt <= a.startsAt && a.startsAt < b.endsAt).length,
          ),
        );
        expect(Math.max(0, ...things.map((t) => at(t.id).of))).toBe(most);
      }),
      { numRuns: RUNS },
    );
  });
});

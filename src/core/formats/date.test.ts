import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dateLabel, dateOn, dayLabel, dayOf, readClock, timeOfDay, wallClock } from '.';

const HOUR_MS = 3_600_000;
const at = (iso: string) => new Date(iso).getTime();

describe("days and times in a studio's own time zone", () => {
  it('are those of the place, not of the server', () => {
    const evening = at('2026-11-24T23:30:00Z');
    expect(timeOfDay(evening, 'Europe/Dublin')).toBe('23:30');
    expect(timeOfDay(evening, 'Pacific/Auckland')).toBe('12:30');
    expect(dayLabel(evening, 'Europe/Dublin')).toBe('Tue 24 Nov 2026');
    expect(dayLabel(evening, 'Pacific/Auckland')).toBe('Wed 25 Nov 2026');
  });

  it('read the same whether they were stored as an instant or as a date', () => {
    const evening = at('2026-09-02T23:30:00Z');
    const date = dateOn(evening, 'Europe/Dublin');
    expect(date).toBe('2026-09-03');
    expect(dateLabel(date)).toBe('Thu 3 Sep 2026');
    expect(dayLabel(evening, 'Europe/Dublin')).toBe('Thu 3 Sep 2026');
  });

  it('begin at midnight there', () => {
    const noon = at('2026-11-24T12:00:00Z');
    expect(dayOf(noon, 'Europe/Dublin').start).toBe(at('2026-11-24T00:00:00Z'));
    expect(dayOf(noon, 'America/New_York').start).toBe(at('2026-11-24T05:00:00Z'));
  });

  it('can be 23 or 25 hours long when the clocks change', () => {
    const day = (iso: string) => {
      const { start, end } = dayOf(at(iso), 'Europe/Dublin');
      return (end - start) / 3_600_000;
    };
    expect(day('2026-03-29T12:00:00Z')).toBe(23);
    expect(day('2026-10-25T12:00:00Z')).toBe(25);
    expect(day('2026-11-24T12:00:00Z')).toBe(24);
  });

  it('are what a clock on a wall there shows, also in the night when it is put forward or back', () => {
    const anyZone = fc.constantFrom(
      'Europe/Dublin',
      'America/New_York',
      'Australia/Lord_Howe',
      'UTC',
    );
    const anyHour = fc.oneof(
      fc.integer({ min: 0, max: 8760 }).map((h) => at('2026-01-01T00:00:00Z') + h * HOUR_MS),
      fc
        .constantFrom('2026-03-28', '2026-10-24', '2026-03-07', '2026-10-31', '2026-10-03')
        .map((day) => at(`${day}T15:00:00Z`)),
    );
    const anyMs = fc.integer({ min: 0, max: 24 * HOUR_MS });
    fc.assert(
      fc.property(anyZone, anyHour, anyMs, (zone, from, ms) => {
        expect(readClock(wallClock(from, zone), from + ms)).toBe(timeOfDay(from + ms, zone));
      }),
    );
  });
});

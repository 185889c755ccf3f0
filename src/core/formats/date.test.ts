import { describe, expect, it } from 'vitest';
import { dateLabel, dateOn, dayLabel, dayOf, timeOfDay } from '.';

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
});

import { describe, expect, it } from 'vitest';
import { dayLabel, dayStart, timeOfDay } from '.';

const at = (iso: string) => new Date(iso).getTime();

describe("days and times in a studio's own time zone", () => {
  it('are those of the place, not of the server', () => {
    const evening = at('2026-11-24T23:30:00Z');
    expect(timeOfDay(evening, 'Europe/Dublin')).toBe('23:30');
    expect(timeOfDay(evening, 'Pacific/Auckland')).toBe('12:30');
    expect(dayLabel(evening, 'Europe/Dublin')).toBe('Tue 24 Nov');
    expect(dayLabel(evening, 'Pacific/Auckland')).toBe('Wed 25 Nov');
  });

  it('begin at midnight there', () => {
    const noon = at('2026-11-24T12:00:00Z');
    expect(dayStart(noon, 'Europe/Dublin')).toBe(at('2026-11-24T00:00:00Z'));
    expect(dayStart(noon, 'America/New_York')).toBe(at('2026-11-24T05:00:00Z'));
  });

  it('can be 23 or 25 hours long when the clocks change', () => {
    const day = (iso: string) => {
      const start = dayStart(at(iso), 'Europe/Dublin');
      return (dayStart(start + 36 * 3_600_000, 'Europe/Dublin') - start) / 3_600_000;
    };
    expect(day('2026-03-29T12:00:00Z')).toBe(23);
    expect(day('2026-10-25T12:00:00Z')).toBe(25);
    expect(day('2026-11-24T12:00:00Z')).toBe(24);
  });
});

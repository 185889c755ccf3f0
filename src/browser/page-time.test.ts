import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { timeByPages } from './page-time';

/** The server's time, which a device that is two minutes behind does not know. */
const at = (minutes: number) => 1_000_000_000 + minutes * 60_000;

beforeEach(() => {
  vi.useFakeTimers();
  vi.setSystemTime(at(-2));
});
afterEach(() => void vi.useRealTimers());

it('goes on from the newest page, also for an older one that somebody goes back to', () => {
  expect(timeByPages(at(0))).toBe(at(0));
  vi.setSystemTime(at(8));
  expect(timeByPages(at(0))).toBe(at(10));
  expect(timeByPages(at(10) + 700)).toBe(at(10) + 700);
  vi.setSystemTime(at(10));
  expect(timeByPages(at(0))).toBe(at(12) + 700);
});

it('is never before a page that is to be seen, whatever is done to the time of the device', () => {
  vi.setSystemTime(at(60));
  timeByPages(at(100));
  vi.setSystemTime(at(-500));
  expect(timeByPages(at(100))).toBe(at(100));
  expect(timeByPages(at(101))).toBe(at(101));
  vi.setSystemTime(at(-499));
  expect(timeByPages(at(101))).toBe(at(102));
});

import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { whileSeen } from './while-seen';

const page = Object.assign(new EventTarget(), { hidden: false });
const view = new EventTarget();

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('document', page);
  vi.stubGlobal('window', view);
  page.hidden = false;
});
afterEach(() => void vi.useRealTimers());

it('works while the page is seen and at once when somebody comes back, until it is stopped', () => {
  const done: (readonly [ms: number, cameBack: boolean])[] = [];
  const since = Date.now();
  const stop = whileSeen((cameBack) => done.push([Date.now() - since, cameBack]), 1000);
  vi.advanceTimersByTime(1500);
  page.hidden = true;
  page.dispatchEvent(new Event('visibilitychange'));
  vi.advanceTimersByTime(3000);
  view.dispatchEvent(new Event('focus'));
  page.hidden = false;
  page.dispatchEvent(new Event('visibilitychange'));
  vi.advanceTimersByTime(200);
  view.dispatchEvent(new Event('focus'));
  view.dispatchEvent(new Event('pageshow'));
  vi.advanceTimersByTime(400);
  stop();
  vi.advanceTimersByTime(5000);
  page.dispatchEvent(new Event('visibilitychange'));
  view.dispatchEvent(new Event('focus'));
  view.dispatchEvent(new Event('pageshow'));
  expect(done).toEqual([
    [1000, false],
    [4500, true],
    [4700, true],
    [4700, true],
    [5000, false],
  ]);
});

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

it('is not begun again while it is under way', async () => {
  let begun = 0;
  let end = () => {};
  const stop = whileSeen(() => {
    begun++;
    return new Promise((resolve) => {
      end = resolve;
    });
  }, 1000);
  await vi.advanceTimersByTimeAsync(2500);
  view.dispatchEvent(new Event('focus'));
  expect(begun).toBe(1);
  end();
  await vi.advanceTimersByTimeAsync(600);
  expect(begun).toBe(2);
  stop();
});

it('works while the page is seen and at once when somebody comes back, until it is stopped', async () => {
  const done: (readonly [ms: number, cameBack: boolean])[] = [];
  const since = Date.now();
  const stop = whileSeen((cameBack) => void done.push([Date.now() - since, cameBack]), 1000);
  await vi.advanceTimersByTimeAsync(1500);
  page.hidden = true;
  page.dispatchEvent(new Event('visibilitychange'));
  await vi.advanceTimersByTimeAsync(3000);
  view.dispatchEvent(new Event('focus'));
  page.hidden = false;
  page.dispatchEvent(new Event('visibilitychange'));
  await vi.advanceTimersByTimeAsync(200);
  view.dispatchEvent(new Event('focus'));
  view.dispatchEvent(new Event('pageshow'));
  await vi.advanceTimersByTimeAsync(400);
  stop();
  await vi.advanceTimersByTimeAsync(5000);
  page.dispatchEvent(new Event('visibilitychange'));
  view.dispatchEvent(new Event('focus'));
  view.dispatchEvent(new Event('pageshow'));
  expect(done).toEqual([
    [1000, false],
    [4500, true],
    [4700, true],
    [5000, false],
  ]);
});

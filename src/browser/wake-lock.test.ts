// @vitest-environment happy-dom
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { keepAwake } from './wake-lock';

let refused = false;
let seen: 'visible' | 'hidden' = 'visible';
/** Those that keep the screen on now. */
let locks: EventTarget[] = [];
/** How often the browser was asked. */
let asked = 0;

function lockOf() {
  const lock = Object.assign(new EventTarget(), {
    release: async () => {
      if (!locks.includes(lock)) return;
      locks = locks.filter((one) => one !== lock);
      lock.dispatchEvent(new Event('release'));
    },
  });
  locks.push(lock);
  return lock;
}
const wakeLock = {
  request: async () => {
    asked++;
    if (refused) throw new DOMException('low battery', 'NotAllowedError');
    return lockOf();
  },
};
/** The device takes it away, as it does where nobody looks. */
const takeAway = () => {
  const [lock] = locks;
  locks = [];
  lock?.dispatchEvent(new Event('release'));
};
const settled = () => vi.advanceTimersByTimeAsync(0);

beforeEach(() => {
  vi.useFakeTimers();
  [refused, seen, locks, asked] = [false, 'visible', [], 0];
  vi.spyOn(document, 'visibilityState', 'get').mockImplementation(() => seen);
  vi.stubGlobal('navigator', { wakeLock });
});
afterEach(() => {
  vi.useRealTimers();
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

it('the screen is kept on while somebody looks, once, and is let go', async () => {
  const told: boolean[] = [];
  const letGo = keepAwake((is) => told.push(is));
  await settled();
  document.dispatchEvent(new Event('visibilitychange'));
  await vi.advanceTimersByTimeAsync(120_000);
  expect([locks.length, asked, told]).toEqual([1, 1, [true]]);
  seen = 'hidden';
  takeAway();
  await vi.advanceTimersByTimeAsync(120_000);
  expect([locks.length, asked]).toEqual([0, 1]);
  seen = 'visible';
  document.dispatchEvent(new Event('visibilitychange'));
  await settled();
  expect(locks).toHaveLength(1);
  letGo();
  await vi.advanceTimersByTimeAsync(120_000);
  expect([locks.length, asked]).toEqual([0, 2]);
});

it('where it is refused that is told, and asked again until it is given', async () => {
  const told: boolean[] = [];
  refused = true;
  const letGo = keepAwake((is) => told.push(is));
  await settled();
  expect(told).toEqual([false]);
  refused = false;
  await vi.advanceTimersByTimeAsync(31_000);
  expect([told, locks.length]).toEqual([[false, true], 1]);
  // A battery that runs low takes it away while somebody looks.
  refused = true;
  takeAway();
  await settled();
  expect(told.at(-1)).toBe(false);
  letGo();
});

it('what was given after it was let go is given back, and plain http is told', async () => {
  keepAwake()();
  await settled();
  expect(locks).toEqual([]);
  vi.stubGlobal('navigator', {});
  const told: boolean[] = [];
  keepAwake((is) => told.push(is))();
  expect(told).toEqual([false]);
});

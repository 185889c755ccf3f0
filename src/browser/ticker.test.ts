import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { type Ticker, ticker } from './ticker';

/** The worker of the ticker, which is asked to tick and does so when the test says. */
class FakeWorker {
  static made: FakeWorker;
  onmessage = () => {};
  ticks: boolean | undefined;
  constructor() {
    FakeWorker.made = this;
  }
  postMessage(hidden: boolean) {
    this.ticks = hidden;
  }
  terminate() {
    this.ticks = undefined;
  }
}
const page = Object.assign(new EventTarget(), { hidden: false });
const turn = (hidden: boolean) => {
  page.hidden = hidden;
  page.dispatchEvent(new Event('visibilitychange'));
};

let running: Ticker;
let seen: number[];
const start = (every: number) => {
  seen = [];
  running = ticker(() => {
    seen.push(Date.now());
    return every;
  });
};

beforeEach(() => {
  vi.useFakeTimers({ now: 0 });
  vi.stubGlobal('Worker', FakeWorker);
  vi.stubGlobal('document', page);
});
afterEach(() => {
  running.stop();
  turn(false);
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('the ticker', () => {
  it('comes back when the tick asked for it, and begins anew when asked to', () => {
    start(400);
    vi.advanceTimersByTime(1000);
    expect(seen).toEqual([0, 400, 800]);
    running.soon();
    vi.advanceTimersByTime(500);
    expect(seen).toEqual([0, 400, 800, 1000, 1400]);
  });

  it('goes on after a tick that failed', () => {
    let failed = false;
    running = ticker(() => {
      if (failed) return 100;
      failed = true;
      throw new Error('once');
    });
    seen = [];
    expect(() => vi.advanceTimersByTime(1)).toThrow('once');
    expect(vi.getTimerCount()).toBe(1);
    vi.advanceTimersByTime(1000);
    expect(vi.getTimerCount()).toBe(1);
  });

  it('is carried by its worker while the page is out of sight, and only then', () => {
    start(60_000);
    vi.advanceTimersByTime(0);
    expect(FakeWorker.made.ticks).toBe(false);
    FakeWorker.made.onmessage();
    expect(seen).toHaveLength(1);
    turn(true);
    expect(FakeWorker.made.ticks).toBe(true);
    FakeWorker.made.onmessage();
    expect(seen).toHaveLength(2);
  });

  it('stops', () => {
    start(10);
    running.stop();
    vi.advanceTimersByTime(1000);
    turn(true);
    expect(seen).toEqual([]);
    expect(FakeWorker.made.ticks).toBeUndefined();
  });
});

// @vitest-environment happy-dom
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { followLine } from './line';

/** An event source that a test opens, breaks and speaks through. */
class Source {
  static made: Source[] = [];
  closed = false;
  onopen = () => {};
  onmessage = (_: { data: string }) => {};
  onerror = () => {};
  private readonly listeners = new Map<string, () => void>();

  constructor(readonly url: string) {
    Source.made.push(this);
  }

  addEventListener(name: string, heard: () => void) {
    this.listeners.set(name, heard);
  }

  says(name: string) {
    this.listeners.get(name)?.();
  }

  close() {
    this.closed = true;
  }
}

let status = 200;
let answer: Promise<void> = Promise.resolve();
beforeEach(() => {
  vi.useFakeTimers();
  Source.made = [];
  status = 200;
  answer = Promise.resolve();
  vi.stubGlobal('EventSource', Source);
  vi.stubGlobal('fetch', async () => {
    await answer;
    return { status };
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

function followed() {
  const told = { open: vi.fn(), lost: vi.fn(), gone: vi.fn(), heard: vi.fn() };
  const stop = followLine({ after: () => 7, ...told });
  return { ...told, stop };
}
const open = () => Source.made.filter((s) => !s.closed);
const newest = () => {
  const source = Source.made.at(-1);
  if (!source) throw new Error('no line');
  return source;
};

it('a line that breaks is opened anew after a while, from what is known', async () => {
  const { lost, open: opened, stop } = followed();
  newest().onerror();
  await vi.advanceTimersByTimeAsync(0);
  expect([lost.mock.calls.length, open().length]).toEqual([1, 0]);
  await vi.advanceTimersByTimeAsync(750);
  expect(open()).toHaveLength(1);
  expect(newest().url).toMatch(/after=7$/);
  newest().onopen();
  expect(opened).toHaveBeenCalledOnce();
  stop();
  expect(open()).toHaveLength(0);
});

it('a line on which nothing is heard for 40 s is given up, and one that beats is not', async () => {
  const { lost, stop } = followed();
  newest().onopen();
  for (let n = 0; n < 8; n++) {
    await vi.advanceTimersByTimeAsync(15_000);
    newest().says('beat');
  }
  expect(lost).not.toHaveBeenCalled();
  await vi.advanceTimersByTimeAsync(39_999);
  expect(lost).not.toHaveBeenCalled();
  await vi.advanceTimersByTimeAsync(1);
  expect(lost).toHaveBeenCalledOnce();
  stop();
});

it('what was asked about a line of before does not close the one that came after it', async () => {
  const { lost, stop } = followed();
  let answered = () => {};
  answer = new Promise((done) => {
    answered = done;
  });
  newest().onerror();
  window.dispatchEvent(new Event('online'));
  newest().onopen();
  answered();
  await vi.advanceTimersByTimeAsync(20_000);
  expect(open()).toEqual([newest()]);
  expect(lost).not.toHaveBeenCalled();
  stop();
});

it('who was turned away asks no more', async () => {
  const { gone } = followed();
  status = 403;
  newest().onerror();
  await vi.advanceTimersByTimeAsync(60_000);
  expect([gone.mock.calls.length, Source.made.length, open().length]).toEqual([1, 1, 0]);
  const other = followed();
  newest().says('gone');
  window.dispatchEvent(new Event('online'));
  await vi.advanceTimersByTimeAsync(60_000);
  expect([other.gone.mock.calls.length, open().length]).toEqual([1, 0]);
});

it('without a connection it waits, and is back at once when there is one again', async () => {
  const { lost, stop } = followed();
  newest().onopen();
  window.dispatchEvent(new Event('offline'));
  expect([lost.mock.calls.length, open().length]).toEqual([1, 0]);
  window.dispatchEvent(new Event('online'));
  expect(open()).toHaveLength(1);
  stop();
});

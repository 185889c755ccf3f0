// @vitest-environment happy-dom
import { until } from '@testing/until';
import 'fake-indexeddb/auto';
import { randomUUID } from 'node:crypto';
import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { FOLLOW_PATHS } from '@/browser/follow/line';
import { useFollow } from './use-follow';

/** The line on which a device hears what happens. */
class Line {
  static now: Line;
  onopen = () => {};
  onmessage = (_: { data: string }) => {};
  onerror = () => {};
  constructor() {
    Line.now = this;
  }
  addEventListener() {}
  close() {}
}

/** Answers to whoever asks for the document, in turn: how often it was made, or that there is none just now. */
let answers: (number | 'busy' | 'lost' | Promise<number>)[];
let askedFor: number;

beforeEach(() => {
  answers = [];
  askedFor = 0;
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
  vi.stubGlobal('EventSource', Line);
  vi.stubGlobal(
    'PerformanceObserver',
    class {
      observe() {}
      disconnect() {}
      takeRecords = () => [];
    },
  );
  vi.stubGlobal('fetch', async (path: string) => {
    if (path !== FOLLOW_PATHS.score) return new Response('{"arrived":0,"now":0}');
    askedFor++;
    const answer = await (answers.shift() ?? 'busy');
    if (answer === 'lost') throw new TypeError('away');
    if (answer === 'busy') return new Response('{}', { status: 503 });
    return new Response(JSON.stringify({ made: answer, document: { made: answer } }));
  });
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

async function followed() {
  const before = Line.now;
  const hook = renderHook(() => useFollow(randomUUID()));
  await until(() => expect(Line.now).not.toBe(before));
  const news = { events: [], ended: false, takeHome: false };
  return {
    made: () => (hook.result.current.document as { made: number } | null)?.made ?? null,
    hears: (...all: number[]) =>
      act(async () => {
        for (const made of all) Line.now.onmessage({ data: JSON.stringify({ ...news, made }) });
      }),
    opens: () => act(async () => Line.now.onopen()),
    pass: (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms)),
    leave: () => hook.unmount(),
  };
}

describe('the document of a class that is followed', () => {
  it('is asked for until it comes, also where nothing happens in the class meanwhile', async () => {
    const device = await followed();
    answers = ['busy', 'lost', 2];
    await device.hears(2);
    expect([askedFor, device.made()]).toEqual([1, null]);
    await device.pass(30_000);
    expect([askedFor, device.made()]).toEqual([3, 2]);
    await device.pass(600_000);
    expect(askedFor).toBe(3);
  });

  it('is asked for at once where the line is open again', async () => {
    const device = await followed();
    answers = ['lost', 1];
    await device.hears(1);
    await device.opens();
    await until(() => expect(device.made()).toBe(1));
    expect(askedFor).toBe(2);
  });

  it('is never an older one than the class has, whatever answer comes last', async () => {
    const device = await followed();
    let slow = (_: number) => {};
    answers = [
      new Promise((resolve) => {
        slow = resolve;
      }),
      2,
      2,
    ];
    await device.hears(1, 2);
    slow(1);
    await until(() => expect(device.made()).toBe(2));
    await device.pass(60_000);
    expect(device.made()).toBe(2);
  });

  it('is not asked for again where it is newer than was told, nor by a page that is left', async () => {
    const device = await followed();
    answers = [4, 'busy'];
    await device.hears(3);
    await until(() => expect(device.made()).toBe(4));
    await device.hears(4);
    expect(askedFor).toBe(1);
    await device.hears(5);
    device.leave();
    await device.pass(60_000);
    expect(askedFor).toBe(2);
  });
});

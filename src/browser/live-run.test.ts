import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { listenToRun } from './live-run';

class FakeSource {
  static readonly CLOSED = 2;
  static made: FakeSource[] = [];
  readyState = 1;
  onmessage: (event: { data: string }) => void = () => {};
  onopen: () => void = () => {};
  onerror: () => void = () => {};
  constructor(readonly url: string) {
    FakeSource.made.push(this);
  }
  close() {
    this.readyState = 2;
  }
}

beforeEach(() => {
  FakeSource.made = [];
  vi.stubGlobal('EventSource', FakeSource);
  vi.useFakeTimers();
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

const lines = () => FakeSource.made.map((s) => s.url.split('?')[1]);

it('leaves a broken line to the browser, and opens one anew that the server refused', () => {
  let seq = 3;
  const stop = listenToRun('run', { after: () => seq, heard: () => {} });
  const first = FakeSource.made[0];
  first?.onerror();
  vi.advanceTimersByTime(10_000);
  expect(lines()).toEqual(['after=3']);
  seq = 7;
  if (first) first.readyState = 2;
  first?.onerror();
  vi.advanceTimersByTime(2000);
  expect(lines()).toEqual(['after=3', 'after=7']);
  FakeSource.made[1]?.onerror();
  stop();
  vi.advanceTimersByTime(10_000);
  expect(FakeSource.made).toHaveLength(2);
});

it('says what it hears, and when the line is there or lost', () => {
  const said: string[] = [];
  const stop = listenToRun('run', {
    after: () => 0,
    heard: (log) => said.push(`${log.events.length} new at ${log.now}`),
    opened: () => said.push('opened'),
    lost: () => said.push('lost'),
  });
  const [source] = FakeSource.made;
  source?.onopen();
  source?.onmessage({ data: '{"events":[],"leader":null,"now":7}' });
  source?.onerror();
  expect(said).toEqual(['opened', '0 new at 7', 'lost']);
  stop();
});

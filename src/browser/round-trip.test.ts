import { afterEach, expect, it, vi } from 'vitest';
import { roundTrip } from './round-trip';

/** A browser that notes requests, and tells of them when it is asked. */
class Noted {
  name = '';
  requestStart = 0;
  responseStart = 0;
  constructor(of: Partial<Noted>) {
    Object.assign(this, of);
  }
}
let notes: Noted[] = [];
let observing = 0;
class Observer {
  observe(): void {
    observing++;
  }
  disconnect(): void {
    observing--;
  }
  takeRecords(): Noted[] {
    return notes;
  }
}

const ADDRESS = 'http://harbour.test/api/time';
const at = performance.timeOrigin;

function browser(...noted: Partial<Noted>[]): void {
  notes = noted.map((of) => new Noted({ name: ADDRESS, ...of }));
  vi.stubGlobal('location', { href: 'http://harbour.test/follow' });
  vi.stubGlobal('PerformanceObserver', Observer);
  vi.stubGlobal('PerformanceResourceTiming', Noted);
}
/** A page that asks at 1000 and has the answer at 1500. */
const asked = () => {
  const times = [at + 1000, at + 1500];
  return roundTrip(
    '/api/time',
    () => times.shift() ?? Number.NaN,
    async () => 'noon',
  );
};
const SEEN = { answer: 'noon', sentAt: at + 1000, receivedAt: at + 1500 };

afterEach(() => expect(observing).toBe(0));

it('goes by when the question really left and its answer came, however busy the page was', async () => {
  browser({ requestStart: 1090, responseStart: 1150 });
  expect(await asked()).toEqual({ answer: 'noon', sentAt: at + 1090, receivedAt: at + 1150 });
});

it('of several requests of one address the latest is meant', async () => {
  browser({ requestStart: 200, responseStart: 300 }, { requestStart: 1090, responseStart: 1150 });
  expect(await asked()).toMatchObject({ sentAt: at + 1090 });
});

it.each([
  ['nothing was noted', []],
  [
    'something else was noted',
    [{ name: `${ADDRESS}/else`, requestStart: 1090, responseStart: 1150 }],
  ],
  ['the note is of another time', [{ requestStart: 200, responseStart: 300 }]],
  ['its end is of another time', [{ requestStart: 1090, responseStart: 1700 }]],
  ['the note says nothing', [{ requestStart: 0, responseStart: 0 }]],
])('goes by what the page saw where %s', async (_, noted) => {
  browser(...noted);
  expect(await asked()).toEqual(SEEN);
});

it('tells that there was no answer, and looks for none any more', async () => {
  browser();
  const asking = roundTrip(
    '/api/time',
    () => at,
    () => Promise.reject(new Error('no connection')),
  );
  await expect(asking).rejects.toThrow('no connection');
});

it('believes no note while the same is asked for twice at once, since it may be that of the other', async () => {
  browser({ requestStart: 1090, responseStart: 1150 });
  let end = (_: string) => {};
  const times = [at + 900, at + 1600];
  const other = roundTrip(
    '/api/time',
    () => times.shift() ?? Number.NaN,
    () =>
      new Promise<string>((resolve) => {
        end = resolve;
      }),
  );
  expect(await asked()).toEqual(SEEN);
  end('one');
  expect(await other).toEqual({ answer: 'one', sentAt: at + 900, receivedAt: at + 1600 });
  // And then it is asked for alone again.
  expect(await asked()).toMatchObject({ sentAt: at + 1090 });
});

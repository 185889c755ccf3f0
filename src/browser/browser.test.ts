import 'fake-indexeddb/auto';
import { eventId } from '@testing/plans';
import { describe, expect, it, vi } from 'vitest';
import { z } from 'zod';
import { MOST_EVENTS } from '@/core/calls';
import { type NewRunEvent, newRunEventSchema } from '@/core/run';
import { boxShelf } from './box-shelf';
import { inDatabase } from './database';
import { KEPT_MS, kept } from './kept';
import { forgetStages } from './kept-stage';
import { Outbox } from './outbox';
import { ServerClock } from './server-clock';

const event = (n: number): NewRunEvent => ({ id: eventId(n), at: n, type: 'next' });
const ids = (events: readonly NewRunEvent[]) => events.map((e) => e.at);
const nobody = async () => false;
const shelf = (run = 'run', device = 'here', isOpen: (d: string) => Promise<boolean> = nobody) =>
  boxShelf(run, { schema: newRunEventSchema, device, isOpen, onKeeps: () => {} });

describe('the outbox', () => {
  it('keeps what could not be sent and sends it later in order, once', async () => {
    const sent: number[][] = [];
    let away = true;
    const send = async (events: NewRunEvent[]) => {
      if (away) throw new Error('away');
      sent.push(ids(events));
    };
    const box = new Outbox(shelf('one'), send);
    await box.add(event(1));
    await expect(box.flush()).rejects.toThrow('away');
    await box.add(event(2));
    const afterReload = new Outbox(shelf('one'), send);
    await afterReload.loaded;
    expect(ids(afterReload.waiting())).toEqual([1, 2]);
    away = false;
    await afterReload.flush();
    await afterReload.flush();
    expect(sent).toEqual([[1, 2]]);
    const again = new Outbox(shelf('one'), send);
    await again.loaded;
    expect(again.waiting()).toEqual([]);
  });

  it('sends what was added while it was sending', async () => {
    const sent: number[][] = [];
    const box: Outbox<NewRunEvent> = new Outbox(shelf('two'), async (events) => {
      sent.push(ids(events));
      if (sent.length === 1) void box.add(event(2));
    });
    void box.add(event(1));
    await Promise.all([box.flush(), box.flush()]);
    expect(sent).toEqual([[1], [2]]);
  });

  it('sends no more at once than the server takes', async () => {
    const sent: number[] = [];
    const box = new Outbox<NewRunEvent>(
      { load: async () => [], add: async () => {}, drop: async () => {} },
      async (events) => void sent.push(events.length),
      ({ length }) => Math.min(MOST_EVENTS, length),
    );
    for (let n = 0; n <= MOST_EVENTS; n++) void box.add(event(n));
    await box.flush();
    expect(sent).toEqual([MOST_EVENTS, 1]);
  });

  it('keeps runs apart, and tabs that are open, and takes over from one that is gone', async () => {
    const send = async () => {};
    await new Outbox(shelf('three', 'a'), send).add(event(1));
    const other = new Outbox(shelf('four', 'a'), send);
    const beside = new Outbox(
      shelf('three', 'b', async (device) => device === 'a'),
      send,
    );
    const after = new Outbox(shelf('three', 'b'), send);
    await Promise.all([other.loaded, beside.loaded, after.loaded]);
    expect([other, beside, after].map((box) => ids(box.waiting()))).toEqual([[], [], [1]]);
  });

  it('sets aside what is refused for good, and sends all else in order', async () => {
    const [sent, aside]: [number[][], number[]] = [[], []];
    const send = async (events: NewRunEvent[]) => {
      if (events.some((e) => e.at % 5 === 0)) throw new Error('never');
      sent.push(ids(events));
    };
    const box = new Outbox(shelf('refused'), send, undefined, {
      areForGood: (problem) => String(problem).includes('never'),
      setAside: (e) => void aside.push(e.at),
    });
    for (let at = 1; at <= 11; at++) await box.add(event(at));
    await box.flush();
    await box.add(event(12));
    await box.add(event(13));
    await box.flush();
    expect([sent.flat(), sent.at(-1), aside]).toEqual([
      [1, 2, 3, 4, 6, 7, 8, 9, 11, 12, 13],
      [12, 13],
      [5, 10],
    ]);
    const later = new Outbox(shelf('refused'), send);
    await later.loaded;
    expect(later.waiting()).toEqual([]);
  });

  it('hands back what is not to be sent any more', async () => {
    const box = new Outbox(shelf('five'), async () => {});
    await box.add(event(1));
    await box.add(event(2));
    expect(ids(await box.take((e) => e.at === 1))).toEqual([1]);
    expect(ids(box.waiting())).toEqual([2]);
  });
});

describe('what a device keeps', () => {
  const schema = z.object({ words: z.string() });
  it('reads as it was put, until all of it is forgotten', async () => {
    await kept.put('one', { words: 'first' });
    await kept.put('one', { words: 'second' });
    expect(await kept.get('one', schema)).toEqual({ words: 'second' });
    await shelf('waits').add(event(1));
    await forgetStages();
    expect(await kept.get('one', schema)).toBeUndefined();
    // What the server does not know yet is not forgotten.
    expect(ids(await shelf('waits').load())).toEqual([1]);
  });

  it('is forgotten after a day', async () => {
    const day = vi.spyOn(Date, 'now');
    day.mockReturnValue(1_000_000);
    await kept.put('names', { words: 'Ada' });
    day.mockReturnValue(1_000_000 + KEPT_MS - 1);
    expect(await kept.get('names', schema)).toEqual({ words: 'Ada' });
    day.mockReturnValue(1_000_000 + KEPT_MS);
    expect(await kept.get('names', schema)).toBeUndefined();
    day.mockRestore();
    // Not only out of sight.
    expect(await inDatabase((db) => db.get('kept', 'names'))).toBeUndefined();
  });

  it('is nothing where it does not read as it should', async () => {
    await kept.put('old', { words: 7 });
    expect(await kept.get('old', schema)).toBeUndefined();
  });
});

describe("the server's clock on a device", () => {
  it('takes the middle of a request as the moment the server looked', () => {
    let device = 1000;
    const clock = new ServerClock(() => device);
    clock.measure(50_000, 900, 1100);
    expect(clock.now()).toBe(50_000);
    device += 250;
    expect(clock.now()).toBe(50_250);
  });

  it('trusts the quickest answer, and a slower one only when the clock has jumped', () => {
    const clock = new ServerClock(() => 10_000);
    clock.measure(20_000, 9990, 10_010);
    clock.measure(20_000, 9600, 10_000);
    expect(clock.now()).toBe(20_000);
    clock.measure(80_000, 9900, 10_100);
    expect(clock.now()).toBe(80_000);
  });

  it('takes what the server did in between for no part of the way', () => {
    const clock = new ServerClock(() => 10_000);
    clock.measure(50_060, 9900, 9980, 50_000);
    expect(clock.now()).toBe(50_090);
    clock.measure(70_000, 9950, 10_000);
    expect(clock.now()).toBe(70_025);
    const busy = new ServerClock(() => 10_000);
    busy.measure(50_000, 9990, 10_000);
    // Quick as its way was, this answer lay on the server for long: it is as good as the one before.
    busy.measure(50_300, 9690, 10_000, 50_000);
    expect(busy.now()).toBe(50_305);
  });

  it('begins with the time that came with the page, until a better one is measured', () => {
    const clock = new ServerClock(() => 10_000);
    clock.startAt(50_000);
    expect(clock.now()).toBe(50_000);
    clock.measure(50_400, 9800, 10_000);
    expect(clock.now()).toBe(50_500);
    clock.startAt(1);
    expect(clock.now()).toBe(50_500);
  });

  it('goes by what it knew before on a page that was kept, and not by the time that came with it', () => {
    let wall = 700_000;
    const at = (device: number) =>
      new ServerClock(
        () => device,
        () => wall,
      );
    const earlier = at(1000);
    earlier.measure(760_000, 900, 1100);
    const { fromWallMs } = earlier;
    const later = at(30);
    wall += 600_000;
    later.startAt(760_000);
    later.recall(fromWallMs);
    expect(later.now()).toBe(760_000 + 600_000);
    later.measure(1_360_400, 20, 40);
    later.recall(fromWallMs);
    expect(later.now()).toBe(1_360_400);
  });

  it('runs on evenly when the time of day is set, and says so once', () => {
    let device = 1000;
    let wall = 500_000;
    const clock = new ServerClock(
      () => device,
      () => wall,
    );
    clock.measure(90_000, 1000, 1000);
    [device, wall] = [1100, 500_100];
    expect(clock.cameApart()).toBe(false);
    [device, wall] = [1200, 4_100_200];
    expect(clock.now()).toBe(90_200);
    expect([clock.cameApart(), clock.cameApart()]).toEqual([true, false]);
  });
});

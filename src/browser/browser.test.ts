import { describe, expect, it } from 'vitest';
import type { RunEventDraft } from '@/core/run';
import { eventId } from '@/core/testing/plans';
import { Outbox, type Shelf } from './outbox';
import { ServerClock } from './server-clock';

function shelf(): Shelf {
  const kept = new Map<string, string>();
  return {
    getItem: (key) => kept.get(key) ?? null,
    setItem: (key, value) => void kept.set(key, value),
    removeItem: (key) => void kept.delete(key),
  };
}
const event = (n: number): RunEventDraft => ({ id: eventId(n), at: n, type: 'next' });
const ids = (events: readonly RunEventDraft[]) => events.map((e) => e.at);

describe('the outbox', () => {
  it('keeps what could not be sent and sends it later in order, once', async () => {
    const sent: number[][] = [];
    let away = true;
    const kept = shelf();
    const send = async (events: RunEventDraft[]) => {
      if (away) throw new Error('away');
      sent.push(ids(events));
    };
    const box = new Outbox('run', kept, send);
    box.add(event(1));
    await expect(box.flush()).rejects.toThrow('away');
    box.add(event(2));
    const afterReload = new Outbox('run', kept, send);
    expect(ids(afterReload.waiting())).toEqual([1, 2]);
    away = false;
    await afterReload.flush();
    await afterReload.flush();
    expect(sent).toEqual([[1, 2]]);
    expect(afterReload.waiting()).toEqual([]);
  });

  it('sends what was added while it was sending', async () => {
    const sent: number[][] = [];
    const box: Outbox = new Outbox('run', shelf(), async (events) => {
      sent.push(ids(events));
      if (sent.length === 1) box.add(event(2));
    });
    box.add(event(1));
    await Promise.all([box.flush(), box.flush()]);
    expect(sent).toEqual([[1], [2]]);
  });

  it('keeps runs apart', () => {
    const kept = shelf();
    new Outbox('one', kept, async () => {}).add(event(1));
    expect(new Outbox('two', kept, async () => {}).waiting()).toEqual([]);
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
});

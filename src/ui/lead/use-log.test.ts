// @vitest-environment happy-dom
import { until } from '@testing/until';
import 'fake-indexeddb/auto';
import { randomUUID } from 'node:crypto';
import { act, cleanup, renderHook } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { inDatabase } from '@/browser/database';
import { ServerClock } from '@/browser/server-clock';
import type { LogAnswer } from '@/core/calls';
import type { NewRunEvent, RunEvent } from '@/core/run';
import { useLog } from './use-log';

const NOW = 1_790_000_000_000;
let runs = 0;

/** The server as far as one run's log is concerned. */
class Server {
  readonly id = `00000000-0000-4000-8000-${String(++runs).padStart(12, '0')}`;
  log: RunEvent[] = [];
  leader: string | null = null;
  sends: NewRunEvent[][] = [];
  away = false;
  time = () => NOW;
  /** Fails the next call after it was done. */
  loseAnswer = false;
  /** People for whom the register has no room. */
  full = false;

  get answer(): LogAnswer {
    return { events: this.log, leader: this.leader, made: 1, now: NOW };
  }

  readonly fetch = async (address: string, init: RequestInit): Promise<Response> => {
    if (this.away) throw new TypeError('away');
    const body = init.body ? JSON.parse(String(init.body)) : {};
    if (address.endsWith('/time')) {
      return new Response(JSON.stringify({ arrived: this.time(), now: this.time() }));
    }
    if (address.endsWith('/lead')) this.leader = body.device;
    else if (init.method === 'POST') {
      this.leader ??= body.device;
      const { events }: { events: NewRunEvent[] } = body;
      const known = this.log.flatMap((e) => (e.type === 'walkedIn' ? e.participantId : []));
      const code = this.full
        ? events.some((e) => e.type === 'walkedIn')
          ? 'too-many-people'
          : events.some((e) => 'participantId' in e && !known.includes(e.participantId)) &&
            'not-found'
        : false;
      if (code) return new Response(JSON.stringify({ code, message: code }), { status: 409 });
      if (this.leader !== body.device && body.events.some((e: RunEvent) => e.type !== 'marked')) {
        const refusal = { code: 'not-leading', message: 'Another device leads this class.' };
        return new Response(JSON.stringify(refusal), { status: 409 });
      }
      this.sends.push(body.events);
      for (const event of body.events) {
        if (this.log.some((e) => e.id === event.id)) continue;
        this.log = [...this.log, { ...event, seq: this.log.length + 1 }];
      }
    }
    if (this.loseAnswer) {
      this.loseAnswer = false;
      throw new TypeError('away');
    }
    return new Response(JSON.stringify(this.answer), { status: 200 });
  };
}

class Line {
  static open: Line[] = [];
  onmessage: (event: { data: string }) => void = () => {};
  onopen: () => void = () => {};
  onerror: () => void = () => {};
  constructor() {
    Line.open.push(this);
  }
  close() {}
}

let server: Server;
beforeEach(() => {
  server = new Server();
  Line.open = [];
  vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] });
  vi.stubGlobal('fetch', server.fetch);
  vi.stubGlobal('EventSource', Line);
});
afterEach(async () => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
  await inDatabase((db) => db.clear('outbox'));
  await inDatabase((db) => db.clear('kept'));
});

async function opened(initial: LogAnswer = server.answer) {
  const clock = new ServerClock(
    () => NOW,
    () => NOW,
  );
  const hook = renderHook(() => useLog({ id: server.id, ...initial }, clock));
  const log = () => hook.result.current;
  await until(() => expect(log().loaded).toBe(true));
  return {
    log,
    types: () => log().events.map((e) => e.type),
    add: (...all: ('next' | 'again')[]) =>
      act(async () => {
        for (const type of all) log().add({ type });
      }),
    retry: () => act(() => vi.advanceTimersByTimeAsync(1600)),
    close: () => hook.unmount(),
  };
}

describe('the log of a run on this device', () => {
  it('knows the server’s time by the quickest of several answers', async () => {
    let device = 0;
    const clock = new ServerClock(
      () => device,
      () => device,
    );
    clock.startAt(NOW - 400);
    const { fetch } = server;
    server.time = () => NOW + device;
    const trips = [900, 20, 60];
    vi.stubGlobal('fetch', async (address: string, init: RequestInit) => {
      // Only the way back takes long.
      const answer = await fetch(address, init);
      device += trips.shift() ?? 60;
      return answer;
    });
    const hook = renderHook(() => useLog({ id: server.id, ...server.answer }, clock));
    await until(() => expect(hook.result.current.loaded).toBe(true));
    await act(() => hook.result.current.measureTime());
    expect(trips).toEqual([]);
    expect(Math.abs(clock.now() - server.time())).toBeLessThanOrEqual(10);
  });

  it('shows what happens at once, and sends it in order, once', async () => {
    const page = await opened();
    await page.add('next', 'again');
    expect(page.types()).toEqual(['next', 'again']);
    await until(() => expect(server.log.map((e) => e.type)).toEqual(['next', 'again']));
    await until(() => expect(page.log().leader).toBe('this device'));
    expect(page.types()).toEqual(['next', 'again']);
  });

  it('goes on while the server is away, and sends what happened when it is back', async () => {
    const page = await opened();
    server.away = true;
    await page.add('next');
    await until(() => expect(page.log().connected).toBe(false));
    await page.add('again');
    expect(page.types()).toEqual(['next', 'again']);
    server.away = false;
    await page.retry();
    await until(() => expect(page.log().connected).toBe(true));
    expect(server.log.map((e) => e.type)).toEqual(['next', 'again']);
  });

  it('sends what waits as soon as the line is open again, and says nothing of a connection before', async () => {
    const page = await opened();
    server.away = true;
    await page.add('next');
    await until(() => expect(page.log().connected).toBe(false));
    await act(async () => Line.open[0]?.onopen());
    expect(page.log().connected).toBe(false);
    server.away = false;
    await act(async () => Line.open[0]?.onopen());
    await until(() => expect(page.log().connected).toBe(true));
    expect(server.sends.flat().map((e) => e.type)).toEqual(['next']);
  });

  it('keeps an event once where only the answer to it was lost', async () => {
    const page = await opened();
    server.loseAnswer = true;
    await page.add('next');
    await until(() => expect(page.log().connected).toBe(false));
    await page.retry();
    await until(() => expect(page.log().connected).toBe(true));
    expect([server.log.length, page.types()]).toEqual([1, ['next']]);
  });

  it('still has after a reload what was not sent', async () => {
    const page = await opened();
    server.away = true;
    await page.add('next');
    await until(() => expect(page.log().connected).toBe(false));
    await until(async () => expect(await inDatabase((db) => db.count('outbox'))).toBe(1));
    page.close();
    const again = await opened();
    await until(() => expect(again.types()).toEqual(['next']));
    server.away = false;
    await again.retry();
    await until(() => expect(server.log.map((e) => e.type)).toEqual(['next']));
  });

  it('sets aside whom the register has no room for, with their marks, and stores all else', async () => {
    server.full = true;
    const page = await opened();
    const participantId = randomUUID();
    await act(async () => {
      page.log().add({ type: 'next' });
      page.log().add({ type: 'walkedIn', participantId, name: 'Wanda' });
      page.log().add({ type: 'marked', participantId, mark: 'late' });
      page.log().add({ type: 'again' });
    });
    await until(() => expect(server.log.map((e) => e.type)).toEqual(['next', 'again']));
    await until(() =>
      expect(page.log().refused.map((r) => [r.event.type, r.says])).toEqual([
        ['walkedIn', 'too-many-people'],
        ['marked', 'not-found'],
      ]),
    );
    await act(() => page.log().flush());
    expect([page.types(), page.log().error]).toEqual([['next', 'again'], null]);
    page.close();
    // Whoever is not known for another reason is waited for.
    const other = await opened();
    await act(async () => {
      other.log().add({ type: 'marked', participantId: randomUUID(), mark: 'here' });
    });
    await until(() => expect(other.log().error).toBe('not-found'));
    expect([other.types().at(-1), other.log().refused]).toEqual(['marked', []]);
  });

  it('goes on where the browser keeps nothing, and says so', async () => {
    vi.stubGlobal('indexedDB', {
      open: () => {
        throw new DOMException('not in a private window', 'InvalidStateError');
      },
    });
    const warned = vi.spyOn(console, 'warn').mockReturnValue();
    await inDatabase((db) => Promise.resolve(db.close())).catch(() => {});
    const page = await opened();
    expect([page.log().loaded, page.log().keeps]).toEqual([true, false]);
    server.away = true;
    await page.add('next');
    const leaves = new Event('beforeunload', { cancelable: true });
    window.dispatchEvent(leaves);
    expect(leaves.defaultPrevented).toBe(true);
    server.away = false;
    await page.add('again');
    await until(() => expect(page.log().leader).toBe('this device'));
    expect(page.types()).toEqual(['next', 'again']);
    const left = new Event('beforeunload', { cancelable: true });
    window.dispatchEvent(left);
    expect(left.defaultPrevented).toBe(false);
    expect(warned).toHaveBeenCalled();
    warned.mockRestore();
  });

  it('opens an older page with what was heard since, also of who leads', async () => {
    const page = await opened();
    await page.add('next');
    await until(() => expect(page.log().leader).toBe('this device'));
    await until(async () => expect(await inDatabase((db) => db.count('kept'))).toBe(1));
    page.close();
    server.away = true;
    const old = await opened({ events: [], leader: null, made: 1, now: NOW - 60_000 });
    await until(() => expect(old.types()).toEqual(['next']));
    expect(old.log().leader).toBe('this device');
  });

  it('says which bends were lost to the device that has taken over, and takes the lead again', async () => {
    const page = await opened();
    await page.add('next');
    await until(() => expect(page.log().leader).toBe('this device'));
    server.leader = '00000000-0000-4000-8000-00000000ffff';
    await page.add('again');
    await until(() => expect(page.log().lost.map((e) => e.type)).toEqual(['again']));
    expect([page.log().leader, page.types()]).toEqual(['another device', ['next']]);
    await act(() => page.log().takeLead());
    expect([page.log().leader, page.log().lost]).toEqual(['this device', []]);
    await page.add('again');
    await until(() => expect(server.log.map((e) => e.type)).toEqual(['next', 'again']));
  });

  it('stores what a tab that is gone bent while it led, and takes the lead for what comes after', async () => {
    const gone = randomUUID();
    server.leader = gone;
    const left = { id: randomUUID(), at: NOW, type: 'again' } as const;
    await inDatabase((db) => db.add('outbox', { runId: server.id, device: gone, event: left }));
    const page = await opened();
    await until(() => expect(server.log.map((e) => e.id)).toEqual([left.id]));
    expect([page.log().leader, page.log().lost]).toEqual(['another device', []]);
    await act(() => page.log().takeLead());
    await page.add('next');
    await until(() => expect(server.log.map((e) => e.type)).toEqual(['again', 'next']));
  });

  it('leads by itself with what a tab that is gone began, where nobody leads', async () => {
    const left = { id: randomUUID(), at: NOW, type: 'next' } as const;
    const row = { runId: server.id, device: randomUUID(), event: left };
    await inDatabase((db) => db.add('outbox', row));
    const page = await opened();
    await until(() => expect(page.log().leader).toBe('this device'));
    expect(server.log.map((e) => e.id)).toEqual([left.id]);
  });

  it('takes up what another device does, whatever order it hears of it', async () => {
    const page = await opened();
    const event = (seq: number, type: 'next' | 'again'): RunEvent => ({
      id: crypto.randomUUID(),
      at: NOW + seq,
      seq,
      type,
    });
    const [one, two] = [event(1, 'next'), event(2, 'again')];
    const hear = (events: RunEvent[]) =>
      act(async () => {
        const data = JSON.stringify({ events, leader: null, now: NOW });
        Line.open[0]?.onmessage({ data });
      });
    await hear([two]);
    await hear([one, two]);
    expect(page.types()).toEqual(['next', 'again']);
  });
});

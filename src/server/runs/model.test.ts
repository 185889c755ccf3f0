import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { Outbox, type Shelf } from '@/browser/outbox';
import { Refusal } from '@/core/calls';
import {
  type NewRunEvent,
  type Playback,
  playLengthMs,
  position,
  type RunEvent,
  remainingMs,
  spent,
} from '@/core/run';
import { connect, type Db } from '../db';
import { makeClass, NOON, type TestClass, testDatabase, testDatabaseUrl } from '../testing/studio';
import { appendEvents, getRun, prepareRun, type Run, takeLead } from '.';

/**
 * A device that leads against the real log, in long sequences of bends, lost connections, answers that
 * never arrive, reloads and restarted servers: what it shows must always be what really happened, the
 * finish and the total must add up, and the log must end up holding each event once, in order.
 */
const db = testDatabase();
const HOUR = 3_600_000;
const LEAST_STEPS = 200;
const RUNS = 4;

/** What really happened: everything the teacher ever did, in order, and the time. */
interface Real {
  done: NewRunEvent[];
  now: number;
}

/** A server process: its pool is its own, and goes with it. */
class Server {
  private pool: Db = connect(testDatabaseUrl());

  get db(): Db {
    return this.pool;
  }

  async restart(): Promise<void> {
    await this.pool.destroy();
    this.pool = connect(testDatabaseUrl());
  }

  async stop(): Promise<void> {
    await this.pool.destroy();
  }
}

class Device {
  line: 'up' | 'down' | 'answers are lost' = 'up';
  private log: RunEvent[] = [];
  private box: Outbox<NewRunEvent>;
  private kept: NewRunEvent[] = [];
  private readonly id = randomUUID();

  constructor(
    readonly server: Server,
    private readonly scope: TestClass,
    readonly run: Run,
  ) {
    this.box = this.open();
  }

  private open(): Outbox<NewRunEvent> {
    const shelf: Shelf<NewRunEvent> = {
      load: async () => [...this.kept],
      add: async (event) => void this.kept.push(event),
      drop: async (ids) => {
        this.kept = this.kept.filter((e) => !ids.includes(e.id));
      },
    };
    return new Outbox(shelf, async (events) => {
      if (this.line === 'down') throw new Error('no connection');
      const { db, sender } = { db: this.server.db, sender: { device: this.id } };
      const { events: log } = await appendEvents(db, this.scope, {
        runId: this.run.id,
        drafts: events,
        now: NOON + 9 * HOUR,
        ...sender,
      });
      if (this.line === 'answers are lost') throw new Error('no answer');
      this.log = log;
    });
  }

  async send(): Promise<void> {
    await this.box.flush().catch((error: unknown) => {
      if (error instanceof Refusal) throw error;
    });
  }

  async add(event: NewRunEvent): Promise<void> {
    await this.box.add(event);
    await this.send();
  }

  /** The page is loaded again: only the outbox and what the server tells survive. */
  async reload(): Promise<void> {
    this.box = this.open();
    await this.box.loaded;
    this.log = (await getRun(this.server.db, this.scope, this.run.id)).events;
  }

  async lead(): Promise<void> {
    await takeLead(this.server.db, this.scope, this.run.id, this.id);
  }

  shown(now: number): Playback {
    const known = new Set(this.log.map((e) => e.id));
    const waiting = this.box.waiting().filter((e) => !known.has(e.id));
    const { score, easier } = this.run;
    return position(score, [...this.log, ...waiting], now, easier);
  }
}

type Step = fc.AsyncCommand<Real, Device>;
const step = (name: string, run: (real: Real, device: Device) => Promise<void>): Step => ({
  check: () => true,
  run: async (real, device) => {
    await run(real, device);
    const { score, easier } = device.run;
    const really = position(score, real.done, real.now, easier);
    expect(device.shown(real.now)).toEqual(really);
    adds(really);
  },
  toString: () => name,
});

/** What was played, what is left and the finish always make the total. */
function adds(state: Playback): void {
  const total = state.queue.reduce((sum, p) => sum + playLengthMs(p), 0);
  const before = state.queue
    .slice(0, state.index)
    .reduce((sum, p) => sum + playLengthMs(p), state.elapsedMs);
  expect(before + remainingMs(state)).toBe(total);
}

const bend = (what: Record<string, unknown>, wait: number): Step =>
  step(`${JSON.stringify(what)} after ${wait} ms`, async (real, device) => {
    real.now += wait;
    const { last, queue } = device.shown(real.now);
    const event = { id: randomUUID(), at: real.now, ...what } as NewRunEvent;
    if (event.type === 'undone') event.of = last?.id ?? event.id;
    if (event.type === 'trimmed') {
      event.cuts = queue.slice(3).map(({ key }) => ({ key, ms: 3000 }));
    }
    real.done.push(event);
    await device.add(event);
  });

const bends = fc.oneof(
  {
    weight: 6,
    arbitrary: fc.constantFrom(
      ...['paused', 'resumed', 'again', 'back', 'next', 'roundAdded', 'skipped', 'eased', 'closing']
        .map((type): Record<string, unknown> => ({ type }))
        .concat({ type: 'undone', of: '' }, { type: 'undone', of: '' }),
    ),
  },
  { weight: 1, arbitrary: fc.constant({ type: 'trimmed', cuts: [], dropped: [] }) },
  {
    weight: 1,
    arbitrary: fc.integer({ min: 1, max: 30_000 }).map((ms) => ({ type: 'extended', ms })),
  },
  {
    weight: 1,
    arbitrary: fc.integer({ min: -9000, max: 9000 }).map((ms) => ({ type: 'restChanged', ms })),
  },
);

const steps = fc.oneof(
  {
    weight: 12,
    arbitrary: fc
      .tuple(bends, fc.oneof(fc.nat(2000), fc.nat(20_000)))
      .map(([what, wait]) => bend(what, wait)),
  },
  {
    weight: 3,
    arbitrary: fc.constantFrom<Device['line']>('up', 'down', 'answers are lost').map((line) =>
      step(`the line is ${line}`, async (_, device) => {
        device.line = line;
        await device.send();
      }),
    ),
  },
  {
    weight: 1,
    arbitrary: fc.constant(step('a reload', (_, device) => device.reload())),
  },
  {
    weight: 1,
    arbitrary: fc.constant(
      step('the server restarts', async (_, device) => device.server.restart()),
    ),
  },
);

it('shows what really happened, whatever happens, and stores it once and in order', async () => {
  const scope = await makeClass(db());
  const all = fc.array(steps, { minLength: LEAST_STEPS, maxLength: LEAST_STEPS + 40 });
  await fc.assert(
    fc.asyncProperty(all, async (sequence) => {
      await db()('runs').where({ session_id: scope.sessionId }).delete();
      const run = await prepareRun(db(), scope, { sessionId: scope.sessionId, now: NOON });
      const server = new Server();
      const device = new Device(server, scope, run);
      const real: Real = { done: [], now: NOON };
      try {
        await device.lead();
        await fc.asyncModelRun(
          () => ({ model: real, real: device }),
          [bend({ type: 'started' }, 0), ...sequence],
        );
        device.line = 'up';
        await device.send();
        const { score, easier, events } = await getRun(db(), scope, run.id);
        expect(events.map((e) => e.id)).toEqual(real.done.map((e) => e.id));
        expect(events.map((e) => e.seq)).toEqual(events.map((_, i) => i + 1));
        const end = real.now + HOUR;
        const stored = position(score, events, end, easier);
        expect(stored).toEqual(device.shown(end));
        const played = spent(score, events, end, easier);
        const sum = played.reduce((ms, p) => ms + p.ms + p.stoodMs, 0);
        const stood = stored.status === 'paused' ? (stored.pausedAt ?? 0) : (stored.endedAt ?? 0);
        expect(sum).toBe(stood - NOON);
      } finally {
        await server.stop();
      }
    }),
    { numRuns: RUNS, endOnFailure: true },
  );
});

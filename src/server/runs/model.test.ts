import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { Outbox, type Shelf } from '@/browser/outbox';
import { position, type RunEvent, type RunEventDraft } from '@/core/run';
import type { Score } from '@/core/score';
import type { Db } from '../db';
import { makeClass, NOON, type TestClass, testDatabase } from '../testing/studio';
import { appendEvents, getRun, prepareRun } from './runs';

/**
 * A device that leads against the real log, in any sequence of bends, lost connections, answers that
 * never arrive and reloads: what it shows must always be what really happened, and the log must end
 * up holding each event once, in order.
 */
const db = testDatabase();
const HOUR = 3_600_000;

class Device {
  private log: RunEvent[] = [];
  private box: Outbox;
  private line: 'up' | 'down' | 'answers are lost' = 'up';
  private readonly kept = new Map<string, string>();
  /** Everything the teacher ever did, in order. */
  readonly done: RunEventDraft[] = [];
  now = NOON;

  constructor(
    private readonly database: Db,
    private readonly scope: TestClass,
    private readonly runId: string,
    private readonly score: Score,
  ) {
    this.box = this.open();
  }

  private open(): Outbox {
    const shelf: Shelf = {
      getItem: (key) => this.kept.get(key) ?? null,
      setItem: (key, value) => void this.kept.set(key, value),
      removeItem: (key) => void this.kept.delete(key),
    };
    return new Outbox(this.runId, shelf, async (events) => {
      if (this.line === 'down') throw new Error('no connection');
      const log = await appendEvents(this.database, this.scope, this.runId, events, NOON + HOUR);
      if (this.line === 'answers are lost') throw new Error('no answer');
      this.log = log;
    });
  }

  async send(): Promise<void> {
    await this.box.flush().catch(() => {});
  }

  async bend(bend: Record<string, unknown>): Promise<void> {
    const event = { id: randomUUID(), at: this.now, ...bend } as RunEventDraft;
    this.done.push(event);
    this.box.add(event);
    await this.send();
  }

  setLine(line: Device['line']): void {
    this.line = line;
  }

  /** The page is loaded again: only the outbox and what the server tells survive. */
  async reload(): Promise<void> {
    this.box = this.open();
    this.log = (await getRun(this.database, this.scope, this.runId)).events;
  }

  shown() {
    const known = new Set(this.log.map((e) => e.id));
    const waiting = this.box.waiting().filter((e) => !known.has(e.id));
    return position(this.score, [...this.log, ...waiting], this.now);
  }

  really() {
    return position(this.score, this.done, this.now);
  }
}

const bends = fc.oneof(
  fc.constantFrom(
    { type: 'paused' },
    { type: 'resumed' },
    { type: 'again' },
    { type: 'next' },
    { type: 'roundAdded' },
  ),
  fc.integer({ min: 1, max: 30_000 }).map((ms) => ({ type: 'extended', ms })),
);
const happenings = fc.array(
  fc.oneof(
    { weight: 5, arbitrary: fc.record({ bend: bends, wait: fc.nat(20_000) }) },
    {
      weight: 2,
      arbitrary: fc.record({ line: fc.constantFrom('up', 'down', 'answers are lost') }),
    },
    { weight: 1, arbitrary: fc.constant({ reload: true }) },
  ),
  { minLength: 5, maxLength: 30 },
);

it('shows what really happened, whatever the connection does, and stores it once and in order', async () => {
  const scope = await makeClass(db());
  await fc.assert(
    fc.asyncProperty(happenings, async (all) => {
      await db()('runs').where({ session_id: scope.sessionId }).delete();
      const run = await prepareRun(db(), scope, scope.sessionId, NOON);
      const device = new Device(db(), scope, run.id, run.score);
      await device.bend({ type: 'started' });
      for (const step of all) {
        if ('bend' in step) {
          device.now += step.wait;
          await device.bend(step.bend);
        } else if ('line' in step) {
          device.setLine(step.line as 'up');
          await device.send();
        } else await device.reload();
        expect(device.shown()).toEqual(device.really());
      }
      device.setLine('up');
      await device.send();
      const { events } = await getRun(db(), scope, run.id);
      expect(events.map((e) => e.id)).toEqual(device.done.map((e) => e.id));
      expect(events.map((e) => e.seq)).toEqual(events.map((_, i) => i + 1));
      expect(position(run.score, events, device.now)).toEqual(device.really());
    }),
    { numRuns: 40 },
  );
}, 120_000);

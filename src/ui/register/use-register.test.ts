// @vitest-environment happy-dom
import { until } from '@testing/until';
import 'fake-indexeddb/auto';
import { randomUUID } from 'node:crypto';
import { RUNS } from '@testing/arbitrary';
import { act, cleanup, renderHook } from '@testing-library/react';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { inDatabase } from '@/browser/database';
import { sendUnsent, unsent } from '@/browser/leaving';
import { MARKS, type Mark } from '@/core/attendance';
import type { RegisterLine } from '@/core/calls';
import { MOST_WAITING, useRegister } from './use-register';

const CLASS = randomUUID();
const STUDIO = randomUUID();
const FROM = '2026-09-07';
const [ADA, BEN, YLVA] = [randomUUID(), randomUUID(), randomUUID()];
const NAMES: Record<string, string> = { [ADA]: 'Ada', [BEN]: 'Ben', [YLVA]: 'Ylva' };
const [MONDAY, FRIDAY] = [randomUUID(), randomUUID()];

interface Change {
  id: string;
  place: string;
  before: Mark | null;
  after: Mark | null;
}

/** The server as far as one register is concerned; Ylva is not booked on its class. */
class Server {
  marks = new Map<string, Mark>();
  changes: Change[] = [];
  away = false;
  /** Fails the next call after it was done. */
  loseAnswer = false;
  signedOut = false;
  /** A session that was cancelled. */
  off = '';
  /** What arrived, and while it is held, waits. */
  calls = 0;
  held: Promise<void> | null = null;

  line(participantId: string): RegisterLine | null {
    const cells = [...this.marks].flatMap(([place, mark]) => {
      const [who, sessionId = ''] = place.split(' ');
      const minutes = { lateMinutes: 0, leftMinutes: 0, tookMinutes: null, changed: true };
      return who === participantId ? [{ sessionId, mark, ...minutes }] : [];
    });
    const booked = participantId !== YLVA;
    if (!booked && cells.length === 0) return null;
    const name = NAMES[participantId] ?? '';
    const rest = { expected: [], streak: null, came: 0, of: 0, says: '' };
    return { participantId, name, booked, cells, ...rest };
  }

  lines = () => [ADA, BEN, YLVA].flatMap((id) => this.line(id) ?? []);

  private put(id: string, place: string, after: Mark | null): string | null {
    const before = this.marks.get(place) ?? null;
    if (before === after) return null;
    if (after) this.marks.set(place, after);
    else this.marks.delete(place);
    this.changes.push({ id, place, before, after });
    return id;
  }

  readonly fetch = async (address: string, { body }: { body: string }): Promise<Response> => {
    if (this.away) throw new TypeError('away');
    this.calls++;
    await this.held;
    const refuse = (status: number, code: string) =>
      new Response(JSON.stringify({ code, message: `It is ${code}.` }), { status });
    if (this.signedOut) return refuse(401, 'signed-out');
    const { change: id, participantId, said } = JSON.parse(body);
    const [, , what, of = ''] = address.split('/');
    const known = this.changes.find((c) => c.id === id);
    let [who, change] = [participantId, known ? known.id : null];
    if (what === 'sessions') {
      if (of === this.off) return refuse(409, 'cancelled');
      if (!known) change = this.put(id, `${who} ${of}`, said?.mark ?? null);
    } else {
      const taken = this.changes.find((c) => c.id === of);
      if (!taken) return refuse(404, 'not-found');
      who = taken.place.split(' ')[0];
      if (!known) {
        if ((this.marks.get(taken.place) ?? null) !== taken.after) {
          return refuse(409, 'changed-since');
        }
        this.put(id, taken.place, taken.before);
      }
    }
    if (this.loseAnswer) {
      this.loseAnswer = false;
      throw new TypeError('away');
    }
    return new Response(JSON.stringify({ change, line: this.line(who) }));
  };
}

let server: Server;
beforeEach(() => {
  server = new Server();
  vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] });
  vi.stubGlobal('fetch', (...all: Parameters<Server['fetch']>) => server.fetch(...all));
});
afterEach(async () => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
  await inDatabase((db) => db.clear('outbox'));
});

/** A visit to the register. */
async function opened(classId = CLASS, studioId = STUDIO) {
  const others = [{ id: YLVA, name: 'Ylva' }];
  const initial = server.lines();
  const hook = renderHook(() => useRegister(initial, { studioId, classId, from: FROM, others }));
  const register = () => hook.result.current;
  await act(async () => {});
  return {
    register,
    say: (participantId: string, mark: Mark | null, sessionId = MONDAY) =>
      act(async () => register().say({ participantId, sessionId }, mark && { mark })),
    undo: () => act(async () => register().undo()),
    retry: () => act(async () => register().retry()),
    /** Every mark as it is shown, as "person session mark". */
    shown: () =>
      register()
        .lines.flatMap((l) => l.cells.map((c) => `${l.name} ${c.sessionId} ${c.mark}`))
        .sort(),
    stored: () => until(() => expect(register().waiting).toEqual([])),
    /** What it was told is on the device. */
    kept: (n: number) =>
      until(async () => expect(await inDatabase((db) => db.count('outbox'))).toBe(n)),
    /** All that waits is on the device too. */
    keptAll: () =>
      until(async () => {
        const kept = await inDatabase((db) => db.count('outbox'));
        expect(kept).toBe(register().waiting.length);
      }),
    close: () => hook.unmount(),
  };
}

describe('a register that is marked', () => {
  it('takes back what was done last, also before the server has answered for it', async () => {
    const page = await opened();
    await page.say(ADA, 'here');
    await page.stored();
    let answer = () => {};
    server.held = new Promise((resolve) => {
      answer = resolve;
    });
    await page.say(BEN, 'late');
    await page.undo();
    expect(page.shown()).toEqual([`Ada ${MONDAY} here`]);
    await act(async () => answer());
    await page.stored();
    expect([...server.marks]).toEqual([[`${ADA} ${MONDAY}`, 'here']]);
    await page.undo();
    await page.stored();
    expect([...server.marks]).toEqual([]);
    expect(page.register().canUndo).toBe(false);
  });

  it('keeps what cannot be sent over a visit, in the order in which it was said', async () => {
    const page = await opened();
    server.away = true;
    await page.say(ADA, 'here');
    await page.say(ADA, 'absent');
    await page.say(YLVA, 'here');
    const said = [`Ada ${MONDAY} absent`, `Ylva ${MONDAY} here`];
    expect(page.shown()).toEqual(said);
    await until(() => expect(page.register().stuck?.acts).toBe(3));
    expect(page.register().stuck?.says).toContain('What you marked is kept here.');
    await page.kept(3);
    page.close();
    // Somebody who signs out is told of it.
    expect((await unsent()).events).toBe(3);
    server.away = false;
    // Whoever signs in from another studio has nothing to do with it.
    const stranger = await opened(randomUUID(), randomUUID());
    expect([stranger.shown(), stranger.register().refused]).toEqual([[], []]);
    await stranger.kept(3);
    stranger.close();
    const other = await opened(randomUUID());
    // The register of another class stores it, and shows nothing of it.
    expect(other.shown()).toEqual([]);
    await other.kept(0);
    expect(other.shown()).toEqual([]);
    expect((await opened()).shown()).toEqual(said);
    expect(server.changes.map((c) => c.after)).toEqual(['here', 'absent', 'here']);
  });

  it('is sent before somebody signs out', async () => {
    const page = await opened();
    server.away = true;
    await page.say(ADA, 'here');
    await page.undo();
    await page.say(BEN, 'late');
    // Somebody else says the same meanwhile: then there is nothing to take back.
    await page.say(YLVA, 'here');
    await page.undo();
    await page.kept(5);
    page.close();
    server.away = false;
    server.marks.set(`${YLVA} ${MONDAY}`, 'here');
    await sendUnsent();
    expect([...server.marks]).toEqual([
      [`${YLVA} ${MONDAY}`, 'here'],
      [`${BEN} ${MONDAY}`, 'late'],
    ]);
    await page.kept(0);
  });

  it('keeps what is said while the sign-in has run out', async () => {
    const page = await opened();
    server.signedOut = true;
    await page.say(ADA, 'late');
    await until(() => expect(page.register().stuck?.says).toBe('It is signed-out.'));
    expect(page.shown()).toEqual([`Ada ${MONDAY} late`]);
    server.signedOut = false;
    await act(async () => window.dispatchEvent(new Event('focus')));
    await page.stored();
    expect([...server.marks.values()]).toEqual(['late']);
  });

  it('says of whom something was refused, until that is understood, and stores all else', async () => {
    server.off = FRIDAY;
    const page = await opened();
    await page.say(ADA, 'here', FRIDAY);
    await page.undo();
    await page.say(BEN, 'here');
    await page.stored();
    expect(page.register().refused.map((r) => r.says)).toEqual(['Ada: It is cancelled.']);
    expect([page.shown(), page.register().stuck]).toEqual([[`Ben ${MONDAY} here`], null]);
    await act(async () => page.register().understood());
    expect(page.register().refused).toEqual([]);
  });

  it('forgets the line of somebody who was marked by mistake', async () => {
    const page = await opened();
    await page.say(YLVA, 'here');
    await page.stored();
    const names = () => page.register().lines.map((l) => l.name);
    expect(names()).toEqual(['Ada', 'Ben', 'Ylva']);
    await page.undo();
    await page.stored();
    expect([names(), page.register().refused]).toEqual([['Ada', 'Ben'], []]);
  });

  it('takes no more than can wait, and says so', async () => {
    const page = await opened();
    server.away = true;
    await act(async () => {
      const place = { participantId: ADA, sessionId: MONDAY };
      for (let n = 0; n <= MOST_WAITING; n++) {
        page.register().say(place, { mark: n % 2 ? 'late' : 'here' });
      }
    });
    expect(page.register().waiting).toHaveLength(MOST_WAITING);
    expect(page.register().refused.map((r) => r.says)).toEqual([
      `${MOST_WAITING} marks wait to be stored, which is the most. Store them first.`,
    ]);
  });

  it('is what was said and taken back, whatever happens on the way', async () => {
    const say = fc.record({
      who: fc.constantFrom(ADA, BEN, YLVA),
      session: fc.constantFrom(MONDAY, FRIDAY),
      mark: fc.constantFrom(...MARKS, null),
    });
    const step = fc.oneof(
      { weight: 4, arbitrary: say },
      { weight: 2, arbitrary: fc.constant('undo' as const) },
      {
        weight: 2,
        arbitrary: fc.constantFrom('away', 'back', 'lose an answer', 'retry', 'leave', 'wait'),
      },
    );
    await fc.assert(
      fc.asyncProperty(fc.array(step, { maxLength: 20 }), async (steps) => {
        cleanup();
        await inDatabase((db) => db.clear('outbox'));
        server = new Server();
        let page = await opened();
        const truth = new Map<string, Mark>();
        let undone: [string, Mark | undefined][] = [];
        const put = (place: string, mark: Mark | undefined | null) =>
          mark ? truth.set(place, mark) : truth.delete(place);
        const expected = () =>
          [...truth]
            .map(
              ([place, mark]) =>
                `${NAMES[place.split(' ')[0] ?? '']} ${place.split(' ')[1]} ${mark}`,
            )
            .sort();
        for (const one of steps) {
          if (typeof one === 'object') {
            const place = `${one.who} ${one.session}`;
            const before = truth.get(place);
            if (before !== (one.mark ?? undefined)) undone.push([place, before]);
            put(place, one.mark);
            await page.say(one.who, one.mark, one.session);
          } else if (one === 'undo') {
            const last = undone.pop();
            if (last) put(...last);
            await page.undo();
          } else if (one === 'away') server.away = true;
          else if (one === 'back') server.away = false;
          else if (one === 'lose an answer') server.loseAnswer = true;
          else if (one === 'retry') await page.retry();
          else {
            if (!server.away) await page.retry();
            if (!server.away && !server.loseAnswer) await page.stored();
            if (one === 'leave') {
              await page.keptAll();
              page.close();
              page = await opened();
              undone = [];
            }
          }
          await until(() => expect(page.shown()).toEqual(expected()));
        }
        server.away = false;
        server.loseAnswer = false;
        await page.retry();
        await page.stored();
        expect(page.register().refused).toEqual([]);
        expect([...server.marks].sort()).toEqual([...truth].sort());
        expect(page.shown()).toEqual(expected());
      }),
      { numRuns: RUNS / 8 },
    );
  });
});

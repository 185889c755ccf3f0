// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { REFUSALS, type RefusalCode } from '@/core/calls';
import { inDatabase } from './database';
import { registersOf } from './register-acts';
import { sendWaiting } from './waiting';

interface Row {
  runId: string;
  device: string;
  event: { id: string; type: string; at?: number };
}

/** What came to the server, in its order. */
let came: { address: string; device?: string; ids: string[] }[];
let answer: (
  address: string,
  body: { device?: string; events?: Row['event'][] },
) => RefusalCode | null;

const happened = (runId: string, type: 'next' | 'marked', device: string = randomUUID()): Row => {
  const about = type === 'marked' ? { participantId: randomUUID(), mark: 'here' } : {};
  return { runId, device, event: { id: randomUUID(), at: 1, type, ...about } };
};
const marked = (studioId: string): Row => {
  const place = { participantId: randomUUID(), sessionId: randomUUID(), shows: null };
  const act = { type: 'said', id: randomUUID(), classId: randomUUID(), ...place, said: null };
  return { runId: registersOf(studioId), device: randomUUID(), event: act };
};
const keep = async (rows: readonly Row[]) => {
  for (const row of rows) await inDatabase((db) => db.add('outbox', row));
};
const left = async () => (await inDatabase((db) => db.getAll('outbox'))).map((r) => r.event.id);
const ids = (rows: readonly Row[]) => rows.map((row) => row.event.id);

beforeEach(() => {
  came = [];
  answer = () => null;
  vi.stubGlobal('fetch', async (address: string, init: { body: string }) => {
    const body = JSON.parse(init.body);
    const code = answer(address, body);
    if (code) {
      const [status, message] = REFUSALS[code];
      return new Response(JSON.stringify({ code, message }), { status });
    }
    const sent = body.events ? body.events.map((e: Row['event']) => e.id) : [body.change];
    came.push({ address, device: body.device, ids: sent });
    const log = { events: [], leader: null, made: 1, now: 1 };
    return new Response(JSON.stringify(body.events ? log : { change: null, line: null }));
  });
});
afterEach(async () => {
  vi.unstubAllGlobals();
  await inDatabase((db) => db.clear('outbox'));
});

describe('what waits in a browser', () => {
  it('is sent in its order, as the device that it happened on, whichever classes it is of', async () => {
    const studio = randomUUID();
    const places = fc.constantFrom('one', 'two', 'register');
    const devices = fc.constantFrom('a', 'b');
    await fc.assert(
      fc.asyncProperty(fc.array(fc.tuple(places, devices), { maxLength: 12 }), async (all) => {
        came = [];
        const known = new Map<string, string>();
        const idOf = (name: string) => {
          known.set(name, known.get(name) ?? randomUUID());
          return known.get(name) ?? '';
        };
        const rows = all.map(([place, device]) =>
          place === 'register' ? marked(studio) : happened(idOf(place), 'next', idOf(device)),
        );
        await keep(rows);
        const { stored } = await sendWaiting({ studioId: studio });
        expect([stored, await left()]).toEqual([rows.length, []]);
        for (const runId of new Set(rows.map((row) => row.runId))) {
          const its = rows.filter((row) => row.runId === runId);
          const at = came.filter(({ ids: of }) => its.some((row) => of.includes(row.event.id)));
          expect(at.flatMap((call) => call.ids)).toEqual(ids(its));
          for (const { device, ids: of } of at) {
            if (!device) continue;
            const from = its.filter((row) => of.includes(row.event.id));
            expect(new Set(from.map((row) => row.device))).toEqual(new Set([device]));
          }
        }
      }),
      { numRuns: 40 },
    );
  });

  it('of a device that leads no more: its bends are told and gone, who was there is stored', async () => {
    const [run, gone, leads] = [randomUUID(), randomUUID(), randomUUID()];
    const rows = [
      happened(run, 'next', gone),
      happened(run, 'marked', gone),
      happened(run, 'next', leads),
      happened(run, 'marked', gone),
    ];
    await keep(rows);
    answer = (_, { device, events = [] }) =>
      device === gone && events.some((e) => e.type === 'next') ? 'not-leading' : null;
    const sent = await sendWaiting();
    expect(sent).toMatchObject({ stored: 3, refused: [REFUSALS['not-leading'][1]], stuck: [] });
    expect(came.flatMap((call) => call.ids)).toEqual(ids(rows.slice(1)));
    expect(await left()).toEqual([]);
  });

  it('waits on where it is refused for now, and holds nothing else up', async () => {
    const [refused, other, studio] = [randomUUID(), randomUUID(), randomUUID()];
    const rows = [happened(refused, 'next'), happened(other, 'next'), marked(studio)];
    await keep(rows);
    answer = (address) => (address.includes(refused) ? 'not-found' : null);
    const { stored, stuck } = await sendWaiting({ studioId: studio });
    expect([stored, stuck.length]).toEqual([2, 1]);
    expect(await left()).toEqual(ids(rows.slice(0, 1)));
  });

  it.each(['signed out', 'away'])('waits on, all of it, where the server is %s', async (why) => {
    const [studio, run] = [randomUUID(), randomUUID()];
    const rows = [happened(run, 'next'), happened(run, 'marked'), marked(studio)];
    await keep(rows);
    answer = () => {
      if (why === 'signed out') return 'signed-out';
      throw new TypeError('away');
    };
    const { stored, stopped } = await sendWaiting({ studioId: studio });
    expect([stored, stopped !== null]).toEqual([0, true]);
    expect(await left()).toEqual(ids(rows));
  });

  it('is left to the tab that is open, and to whoever signs in to its studio', async () => {
    const [ours, theirs] = [randomUUID(), randomUUID()];
    const [open, gone, foreign] = [happened(randomUUID(), 'next'), marked(ours), marked(theirs)];
    await keep([open, gone, foreign]);
    await sendWaiting({ studioId: ours, isOpen: async (device) => device === open.device });
    expect(await left()).toEqual(ids([open, foreign]));
  });

  it('is not sent again and again where the server will never take it', async () => {
    const studio = randomUUID();
    const rows = [marked(studio), marked(studio)];
    await keep(rows);
    const first = rows[0]?.event as unknown as { sessionId: string };
    answer = (address) => (address.includes(first.sessionId) ? 'cancelled' : null);
    const sent = await sendWaiting({ studioId: studio });
    expect(sent).toMatchObject({ stored: 1, refused: [REFUSALS.cancelled[1]] });
    expect(await left()).toEqual([]);
  });
});

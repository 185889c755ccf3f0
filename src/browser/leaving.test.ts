// @vitest-environment happy-dom
import 'fake-indexeddb/auto';
import { randomUUID } from 'node:crypto';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { emptyPlan, type Plan } from '@/core/class';
import { Unreachable } from './api';
import { inDatabase } from './database';
import { kept } from './kept';
import { forgetStudio, saveUnsaved, sendUnsent, unsent } from './leaving';

const runId = randomUUID();
const device = randomUUID();
const add = async (type: 'next' | 'again' | 'unheard-of', of = runId) => {
  const event = { id: randomUUID(), at: 1, type };
  await inDatabase((db) => db.add('outbox', { runId: of, device, event }));
};
let sent: string[];
let away: boolean;

beforeEach(async () => {
  sent = [];
  away = false;
  vi.stubGlobal('fetch', async (address: string, { body }: { body: string }) => {
    if (away && sent.length > 0) throw new TypeError('away');
    const asked = JSON.parse(body);
    sent.push(`${address} ${asked.events.map((e: { type: string }) => e.type).join(' ')}`);
    return new Response(JSON.stringify({ events: [], leader: device, made: 1, now: 1 }));
  });
});
afterEach(async () => {
  vi.unstubAllGlobals();
  await inDatabase((db) => db.clear('outbox'));
  localStorage.clear();
});

describe('what a browser keeps when somebody signs out', () => {
  it('is counted: what happened and was not sent, and classes with edits that were not saved', async () => {
    expect(await unsent()).toEqual({ events: 0, classes: 0 });
    await add('next');
    const classId = randomUUID();
    for (const tab of ['a', 'b']) localStorage.setItem(`upbeat-unsaved-${classId}-${tab}`, '{}');
    localStorage.setItem('upbeat-facing', '1');
    expect(await unsent()).toEqual({ events: 1, classes: 1 });
  });

  it('is sent in order, what could not be sent stays, and what nobody can read is let go of', async () => {
    const other = randomUUID();
    for (const type of ['next', 'unheard-of', 'again', 'next'] as const) await add(type);
    await add('next', other);
    away = true;
    expect((await sendUnsent()).stopped).toBeInstanceOf(Unreachable);
    expect(await unsent()).toMatchObject({ events: 1 });
    away = false;
    expect((await sendUnsent()).stopped).toBeNull();
    expect(sent).toEqual([
      `/api/runs/${runId}/events next again next`,
      `/api/runs/${other}/events next`,
    ]);
    expect(await unsent()).toMatchObject({ events: 0 });
  });

  it('is saved where it can be, joined with what came from elsewhere; what collides stays', async () => {
    const base = emptyPlan('As it was', 1200);
    const stored = new Map<string, { plan: Plan; version: number }>();
    const edit = (plan: Plan, theirs: { plan: Plan; version: number }): string => {
      const id = randomUUID();
      stored.set(id, theirs);
      const kept = { plan, base, version: 1 };
      localStorage.setItem(`upbeat-unsaved-${id}-tab`, JSON.stringify(kept));
      return id;
    };
    const longer = { ...base, slotSeconds: 1500 };
    const alone = edit(longer, { plan: base, version: 1 });
    const joins = edit(longer, { plan: { ...base, name: 'Renamed' }, version: 2 });
    const collides = edit(
      { ...base, name: 'Mine' },
      { plan: { ...base, name: 'Theirs' }, version: 2 },
    );
    localStorage.setItem(`upbeat-unsaved-${randomUUID()}-tab`, 'no plan at all');
    vi.stubGlobal('fetch', async (address: string, { body }: { body: string }) => {
      const id = address.split('/').at(-1) ?? '';
      const now = stored.get(id) ?? { plan: base, version: 0 };
      const { plan, basedOn } = JSON.parse(body);
      if (basedOn !== now.version) {
        const refused = { code: 'changed-elsewhere', message: 'Changed.', ...now };
        return new Response(JSON.stringify(refused), { status: 409 });
      }
      stored.set(id, { plan, version: basedOn + 1 });
      return new Response(JSON.stringify({ version: basedOn + 1 }));
    });
    expect(await saveUnsaved()).toEqual([{ id: collides, name: 'Mine' }]);
    expect(stored.get(alone)?.plan).toEqual(longer);
    expect(stored.get(joins)?.plan).toEqual({ ...longer, name: 'Renamed' });
    expect(stored.get(collides)?.plan.name).toBe('Theirs');
    expect(Object.keys(localStorage)).toEqual([`upbeat-unsaved-${collides}-tab`]);
    expect(await unsent()).toEqual({ events: 0, classes: 1 });
  });

  it('is forgotten, all of it', async () => {
    await add('next');
    await kept.put('log', { names: ['Ada'] });
    localStorage.setItem('upbeat-unsaved-x', 'a plan');
    sessionStorage.setItem('upbeat-tab', 'a');
    const gone: string[] = [];
    vi.stubGlobal('caches', {
      keys: async () => ['up-beat-stage', 'other'],
      delete: async (name: string) => gone.push(name),
    });
    await forgetStudio();
    expect(await inDatabase((db) => db.count('outbox'))).toBe(0);
    expect(await inDatabase((db) => db.count('kept'))).toBe(0);
    expect([localStorage.length, sessionStorage.length]).toEqual([0, 0]);
    expect(gone).toEqual(['up-beat-stage', 'other']);
  });

  it('is counted as nothing, and forgotten as far as may be, where the browser lets nobody at it', async () => {
    const warned = vi.spyOn(console, 'warn').mockReturnValue();
    const denied = () => {
      throw new DOMException('denied', 'SecurityError');
    };
    vi.stubGlobal('caches', { keys: async () => denied() });
    localStorage.setItem('upbeat-unsaved-x', 'a plan');
    await add('next');
    await forgetStudio();
    expect([localStorage.length, await inDatabase((db) => db.count('outbox'))]).toEqual([0, 0]);
    expect(warned).toHaveBeenCalledOnce();
    vi.stubGlobal('indexedDB', { open: denied });
    await inDatabase(async (db) => db.close());
    expect(await unsent()).toEqual({ events: 0, classes: 0 });
    await forgetStudio();
    expect(warned).toHaveBeenCalledTimes(3);
    warned.mockRestore();
  });
});

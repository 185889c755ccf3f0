// @vitest-environment happy-dom
import { RUNS } from '@testing/arbitrary';
import { planOf } from '@testing/plans';
import { act, cleanup, renderHook } from '@testing-library/react';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Plan } from '@/core/class';
import { useAutosave } from './use-autosave';

const ID = '00000000-0000-4000-8000-000000000001';
const named = (name: string): Plan => ({ ...planOf([{ move: 'tall-o-cheek-lift' }]), name });

/** The server as far as saving is concerned: one stored class, whose answers can be lost on the way. */
class Server {
  plan = named('first');
  version = 1;
  saves = 0;
  /** What happens to the next calls: nothing arrives, or the answer is lost. */
  next: ('unreachable' | 'answer lost' | 'refused')[] = [];
  /** How long an answer is on its way. */
  answersAfterMs = 0;
  /** Which page asks; null while one crashes, of which nothing arrives and which hears of nothing. */
  page: number | null = 1;

  private answer(status: number, body: object): Response {
    return new Response(JSON.stringify(body), { status });
  }

  readonly fetch = async (_: unknown, init: RequestInit): Promise<Response> => {
    const asking = this.page;
    const nothing = new Promise<Response>(() => {});
    if (asking === null) return nothing;
    const answer = this.answerTo(init);
    await Promise.allSettled([answer]);
    if (this.answersAfterMs > 0) await new Promise((r) => setTimeout(r, this.answersAfterMs));
    return asking === this.page ? answer : nothing;
  };

  private async answerTo(init: RequestInit): Promise<Response> {
    const fate = this.next.shift();
    if (fate === 'unreachable') throw new TypeError('away');
    if (init.method === 'GET') {
      return this.answer(200, { plan: this.plan, version: this.version });
    }
    this.saves++;
    if (fate === 'refused') return this.answer(422, { message: 'The slot is too long.' });
    const { plan, basedOn } = JSON.parse(String(init.body));
    if (basedOn !== this.version) {
      const message = 'Changed elsewhere.';
      return this.answer(409, {
        code: 'changed-elsewhere',
        message,
        plan: this.plan,
        version: this.version,
      });
    }
    this.plan = plan;
    this.version++;
    if (fate === 'answer lost') throw new TypeError('away');
    return this.answer(200, { version: this.version });
  }

  /** Somebody else saves the class. */
  changedBy(plan: Plan): void {
    this.plan = plan;
    this.version++;
  }
}

let server: Server;
/** A server and a browser that know nothing yet. */
function begin(): void {
  server = new Server();
  vi.stubGlobal('fetch', server.fetch);
  localStorage.clear();
  sessionStorage.clear();
}
beforeEach(() => {
  vi.useFakeTimers();
  begin();
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

/** A page that edits the class, as Compose does. */
async function editing(first = server.plan) {
  let shown = first;
  const newest = () => shown;
  const replace = (other: Plan) => {
    shown = other;
  };
  const hook = renderHook(
    ({ plan }) => useAutosave(ID, { plan, newest, replace }, server.version),
    {
      initialProps: { plan: first },
    },
  );
  /** In small steps: the page draws, and does what follows from that, between them. */
  const pass = async (ms: number) => {
    await act(() => vi.advanceTimersByTimeAsync(Math.min(ms, 50)));
    for (let left = ms - 50; left > 0; left -= 50) {
      await act(() => vi.advanceTimersByTimeAsync(Math.min(left, 50)));
    }
  };
  await pass(0);
  return {
    pass,
    state: () => hook.result.current.state.kind,
    message: () => 'message' in hook.result.current.state && hook.result.current.state.message,
    edit: (plan: Plan) => {
      shown = plan;
      hook.rerender({ plan });
    },
    /** Something was typed that the page had no time to draw. */
    type: (plan: Plan) => {
      shown = plan;
    },
    flush: () => act(() => hook.result.current.flush()),
    /** Takes up what the hook wants shown. */
    follow: () => hook.rerender({ plan: shown }),
    shown: () => shown,
    resolve: async (how: 'mine' | 'theirs' | 'both') => {
      await act(async () => {
        hook.result.current.resolve(how);
      });
      hook.rerender({ plan: shown });
      await pass(1000);
    },
    close: () => hook.unmount(),
    /** The page ends without a word; the next one opens. */
    crash: () => {
      const { page } = server;
      server.page = null;
      hook.unmount();
      server.page = (page ?? 0) + 1;
    },
  };
}

describe('saving while a class is edited', () => {
  it('waits for a pause, and saves what was typed last, once', async () => {
    const page = await editing();
    for (const name of ['s', 'se', 'sea']) {
      page.edit(named(name));
      await page.pass(300);
    }
    expect([server.saves, page.state()]).toEqual([0, 'saving']);
    await page.pass(600);
    expect([server.saves, server.plan.name, page.state()]).toEqual([1, 'sea', 'saved']);
  });

  it('saves what was typed before it was drawn, where somebody asks for it', async () => {
    const page = await editing();
    page.edit(named('sea'));
    page.type(named('sea breeze'));
    expect(await page.flush()).toBe(true);
    expect([server.saves, server.plan.name]).toEqual([1, 'sea breeze']);
  });

  it('keeps the change while the server is away, and sends it when it is back', async () => {
    const page = await editing();
    server.next = ['unreachable', 'unreachable'];
    page.edit(named('offline'));
    await page.pass(700);
    expect(page.state()).toBe('waiting');
    expect(Object.values(localStorage).join()).toContain('offline');
    await page.pass(3000);
    expect(page.state()).toBe('waiting');
    await page.pass(3000);
    expect([server.plan.name, page.state()]).toEqual(['offline', 'saved']);
    expect(Object.values(localStorage).join()).not.toContain('offline');
  });

  it('says where the browser has no room for it, goes on trying, and saves it from the page', async () => {
    const page = await editing();
    const real = localStorage;
    const full = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
    vi.stubGlobal('localStorage', { setItem: full, removeItem: () => {} });
    const warned = vi.spyOn(console, 'warn').mockReturnValue();
    server.next = ['unreachable', 'unreachable'];
    page.edit(named('offline'));
    await page.pass(700);
    expect(page.state()).toBe('unkept');
    vi.stubGlobal('localStorage', real);
    await page.pass(3000);
    expect(page.state()).toBe('waiting');
    expect(Object.values(localStorage).join()).toContain('offline');
    await page.pass(3000);
    expect([server.plan.name, page.state()]).toEqual(['offline', 'saved']);
    expect(warned).toHaveBeenCalled();
    warned.mockRestore();
  });

  it('takes up what was typed last before a page was left without a connection', async () => {
    const page = await editing();
    server.next = ['unreachable'];
    page.type(named('in the last moment'));
    page.close();
    await page.pass(0);
    const again = await editing();
    expect(again.shown().name).toBe('in the last moment');
    again.follow();
    await again.pass(1000);
    expect([server.plan.name, again.state()]).toEqual(['in the last moment', 'saved']);
  });

  it('takes up what a page that was closed could not save', async () => {
    const page = await editing();
    server.next = ['unreachable', 'unreachable'];
    page.edit(named('left behind'));
    await page.pass(700);
    page.close();
    await vi.advanceTimersByTimeAsync(0);
    const next = await editing(named('first'));
    next.follow();
    await next.pass(1000);
    expect([next.shown().name, server.plan.name]).toEqual(['left behind', 'left behind']);
    expect(next.state()).toBe('saved');
  });

  it('takes up what another tab has left, also over a connection in which tabs hear nothing of each other', async () => {
    expect(navigator.locks ?? null).toBeNull();
    const page = await editing();
    server.next = ['unreachable'];
    page.edit(named('left behind'));
    await page.pass(700);
    page.crash();
    sessionStorage.clear();
    const next = await editing();
    next.follow();
    await next.pass(1000);
    expect([next.shown().name, server.plan.name]).toEqual(['left behind', 'left behind']);
    expect(Object.keys(localStorage)).toEqual([]);
  });

  it('takes no save of its own for somebody else’s where only the answer was lost', async () => {
    const page = await editing();
    server.next = ['answer lost'];
    page.edit(named('one'));
    await page.pass(700);
    expect([page.state(), server.plan.name]).toEqual(['waiting', 'one']);
    page.edit(named('two'));
    await page.pass(4000);
    expect([page.state(), server.plan.name, server.version]).toEqual(['saved', 'two', 3]);
  });

  it('finds its own save when it comes back into sight, and goes on from it', async () => {
    const page = await editing();
    server.next = ['answer lost', 'unreachable'];
    page.edit(named('one'));
    await page.pass(700);
    page.edit(named('two'));
    await page.pass(700);
    await act(async () => {
      document.dispatchEvent(new Event('visibilitychange'));
    });
    await page.pass(100);
    expect([page.state(), server.plan.name]).toEqual(['saved', 'two']);
  });

  it.each([
    ['mine', 'mine', 'mine'],
    ['theirs', 'theirs', 'theirs'],
  ] as const)(
    'never saves over somebody else’s change; going on with %s',
    async (how, here, there) => {
      const page = await editing();
      server.changedBy(named('theirs'));
      page.edit(named('mine'));
      await page.pass(700);
      expect([page.state(), server.plan.name]).toEqual(['conflict', 'theirs']);
      page.edit({ ...named('mine'), slotSeconds: 900 });
      await page.pass(5000);
      expect(server.plan.name).toBe('theirs');
      page.edit(named('mine'));
      await page.resolve(how);
      expect([page.shown().name, server.plan.name, page.state()]).toEqual([here, there, 'saved']);
    },
  );

  it('asks no second time about what was given up for the other version', async () => {
    const page = await editing();
    server.changedBy(named('theirs'));
    page.edit(named('mine'));
    await page.pass(700);
    await page.resolve('theirs');
    page.close();
    const next = await editing();
    await next.pass(1000);
    expect([next.state(), next.shown().name, server.plan.name]).toEqual([
      'saved',
      'theirs',
      'theirs',
    ]);
  });

  it('joins both changes of a conflict', async () => {
    const page = await editing();
    server.changedBy({ ...server.plan, slotSeconds: 900 });
    page.edit(named('mine'));
    await page.pass(700);
    await page.resolve('both');
    expect(server.plan).toMatchObject({ name: 'mine', slotSeconds: 900 });
  });

  it('says why the server refused, and tries the next change', async () => {
    const page = await editing();
    server.next = ['refused'];
    page.edit(named('too much'));
    await page.pass(700);
    expect([page.state(), page.message()]).toEqual(['refused', 'The slot is too long.']);
    page.edit(named('less'));
    await page.pass(700);
    expect([page.state(), server.plan.name]).toEqual(['saved', 'less']);
  });

  it('does not bring back at the next visit what was taken back', async () => {
    const page = await editing();
    const first = page.shown();
    page.edit(named('a mistake'));
    await page.pass(300);
    page.edit(first);
    await page.pass(300);
    expect(page.state()).toBe('saved');
    page.crash();
    const next = await editing();
    await next.pass(1000);
    expect([next.shown().name, server.plan.name]).toEqual(['first', 'first']);
  });

  it('saves what was taken back while it was on its way, also where its answer was lost', async () => {
    const page = await editing();
    const first = page.shown();
    server.next = ['answer lost'];
    page.edit(named('a mistake'));
    await page.pass(700);
    page.edit(first);
    expect(await page.flush()).toBe(true);
    expect([server.plan.name, page.state()]).toEqual(['first', 'saved']);
  });

  it('shows the last of what was done, and saves it, whatever happens on the way', async () => {
    const step = fc.oneof(
      { weight: 4, arbitrary: fc.constantFrom('edit', 'undo', 'redo') },
      { weight: 4, arbitrary: fc.constantFrom(50, 150, 700, 1300, 3500) },
      { weight: 1, arbitrary: fc.constantFrom('unreachable', 'answer lost', 'slow', 'quick') },
      { weight: 1, arbitrary: fc.constantFrom('crash') },
    );
    await fc.assert(
      fc.asyncProperty(fc.array(step, { maxLength: 25 }), async (steps) => {
        cleanup();
        vi.clearAllTimers();
        begin();
        let page = await editing();
        let [done, at] = [[page.shown()], 0];
        const show = (n: number) => {
          if (done[n] === undefined) return;
          at = n;
          page.edit(done[n]);
        };
        /** What the browser or the server had of this teacher is never asked about twice but in a conflict. */
        const settle = async () => {
          await page.pass(0);
          if (page.state() === 'conflict') await page.resolve('mine');
        };
        for (const [i, one] of steps.entries()) {
          if (typeof one === 'number') await page.pass(one);
          else if (one === 'undo') show(at - 1);
          else if (one === 'redo') show(at + 1);
          else if (one === 'edit') {
            done = [...done.slice(0, at + 1), named(`edit ${i}`)];
            show(at + 1);
          } else if (one === 'slow') server.answersAfterMs = 1000;
          else if (one === 'quick') server.answersAfterMs = 0;
          else if (one === 'crash') {
            await page.pass(100);
            page.crash();
            page = await editing();
            page.follow();
            await settle();
            expect(page.shown().name).toBe(done[at]?.name);
            [done, at] = [[page.shown()], 0];
          } else server.next.push(one as 'unreachable');
        }
        server.next = [];
        await page.pass(10_000);
        await settle();
        expect([page.state(), page.shown().name, server.plan.name]).toEqual([
          'saved',
          done[at]?.name,
          done[at]?.name,
        ]);
        expect(Object.keys(localStorage)).toEqual([]);
      }),
      { numRuns: RUNS / 4 },
    );
  });
});

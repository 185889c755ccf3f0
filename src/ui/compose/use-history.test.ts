// @vitest-environment happy-dom
import { LIBRARY_BOOK } from '@library';
import { act, cleanup, renderHook } from '@testing-library/react';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { classOf, emptyPlan, type Plan } from '@/core/class';
import {
  type History,
  type HistoryAction,
  historyOf,
  historyReducer,
  useHistory,
} from './use-history';

const rename = (name: string, key: string | null = null): HistoryAction => ({
  type: 'edit',
  change: (plan: Plan) => ({ ...plan, name }),
  key,
});
const start = () => historyOf(emptyPlan('a', 600));
const edited = (...actions: HistoryAction[]): History => actions.reduce(historyReducer, start());
const undo = { type: 'undo' } as const;
const redo = { type: 'redo' } as const;

describe('the history of a class', () => {
  it('goes back and forward step by step', () => {
    const state = edited(rename('b'), rename('c'), undo);
    expect(state.present.name).toBe('b');
    expect(historyReducer(state, redo).present.name).toBe('c');
  });

  it('takes no step for what is typed again as it was', () => {
    const state = edited(rename('b'), rename('b', 'n'));
    expect([state.past.length, state.key]).toEqual([1, null]);
    expect(historyReducer(edited(rename('b'), undo, rename('a')), redo).present.name).toBe('b');
  });

  it('takes keystrokes in one field as one step, until the field is left', () => {
    expect(edited(rename('b', 'n'), rename('bc', 'n'), undo).present.name).toBe('a');
    const left = edited(rename('b', 'n'), { type: 'settle' }, rename('bc', 'n'), undo);
    expect(left.present.name).toBe('b');
  });

  it('forgets what was undone once something else is done', () => {
    expect(historyReducer(edited(rename('b'), undo, rename('c')), redo).present.name).toBe('c');
  });

  it('can go back from a version taken over from somewhere else', () => {
    const plan = emptyPlan('theirs', 600);
    expect(edited(rename('mine'), { type: 'replace', plan }, undo).present.name).toBe('mine');
  });

  it('comes back to the start after as many undos as edits', () => {
    fc.assert(
      fc.property(fc.array(fc.string({ minLength: 1 }), { maxLength: 30 }), (typed) => {
        const names = typed.map((name, i) => `${name}${i}`);
        const edits = names.map((name) => rename(name));
        const undos = names.map(() => undo);
        const state = edited(...edits, ...undos);
        expect([state.present.name, state.past]).toEqual(['a', []]);
        const redone = names.reduce((s) => historyReducer(s, redo), state);
        expect(redone.present.name).toBe(names.at(-1) ?? 'a');
      }),
    );
  });
});

describe('a class that is typed into', () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => {
    cleanup();
    vi.useRealTimers();
  });
  const pass = (ms: number) => act(() => vi.advanceTimersByTime(ms));
  const named = (name: string) => (plan: Plan) => ({ ...plan, name });
  const refuse = vi.fn();
  const page = () => renderHook(() => useHistory(emptyPlan('a', 600), refuse)).result;

  it('has what was typed before it is drawn, and is drawn with it as soon as the field is left', () => {
    const editing = page();
    act(() => {
      editing.current.type(named('b'), 'n');
      editing.current.type((plan) => ({ ...plan, name: `${plan.name}c` }), 'n');
      expect([editing.current.newest().name, editing.current.plan.name]).toEqual(['bc', 'a']);
    });
    act(() => editing.current.settle());
    expect(editing.current.plan.name).toBe('bc');
    act(() => editing.current.undo());
    expect([editing.current.plan.name, editing.current.canUndo]).toEqual(['a', false]);
  });

  it('is drawn in the next pause, and meanwhile says that somebody types', () => {
    const editing = page();
    const key = (name: string) => act(() => editing.current.type(named(name), 'n'));
    expect(editing.current.isTyping()).toBe(false);
    key('b');
    pass(299);
    key('bc');
    pass(299);
    expect([editing.current.plan.name, editing.current.isTyping()]).toEqual(['a', true]);
    pass(1);
    expect([editing.current.plan.name, editing.current.isTyping()]).toEqual(['bc', false]);
    expect(editing.current.canUndo).toBe(true);
  });

  it('is drawn between two keys once somebody has typed on for long', () => {
    const editing = page();
    const drawn: string[] = [];
    for (let i = 0; i < 20; i++) {
      act(() => editing.current.type(named(`${i}`), 'n'));
      pass(100);
      drawn.push(editing.current.plan.name);
    }
    expect(drawn.slice(0, 15)).toEqual(Array(15).fill('a'));
    expect(drawn.slice(15)).toEqual(Array(5).fill('15'));
  });

  it('is drawn at once with what is done beside the typing, and draws nothing once it is left', () => {
    const editing = page();
    act(() => editing.current.type(named('b'), 'n'));
    act(() => editing.current.edit((plan) => ({ ...plan, slotSeconds: 900 })));
    const { name, slotSeconds } = editing.current.plan;
    expect([name, slotSeconds, editing.current.isTyping()]).toEqual(['b', 900, false]);
    act(() => editing.current.type(named('c'), 'n'));
    cleanup();
    expect(vi.getTimerCount()).toBe(0);
  });

  it('becomes no more than a class may be: such an edit is not made, and is told', () => {
    refuse.mockReset();
    const editing = page();
    const rounds = (n: number) => (plan: Plan) => {
      const dose = { kind: 'reps' as const, reps: 120, secondsEach: 1 };
      const lines = Array.from({ length: 12 }, () => ({ move: 'smile-pulses', dose, rounds: n }));
      return classOf({ ...plan, phases: emptyPlan('a', 600).phases }, lines, LIBRARY_BOOK);
    };
    const first = () => editing.current.newest().phases.work[0]?.segments[0]?.rounds;
    act(() => editing.current.edit(rounds(6)));
    act(() => editing.current.edit(rounds(10)));
    act(() => editing.current.type(rounds(9), 'n'));
    expect([first(), editing.current.plan.phases.work[0]?.segments[0]?.rounds]).toEqual([6, 6]);
    expect(refuse.mock.calls.map(([why]) => why)).toEqual([
      expect.stringMatching(/^This class has 14400 beats to count; a class has at most 10000\./),
      expect.stringMatching(/^This class has 12960 beats/),
    ]);
    // One that is too much since two have edited it can be taken apart.
    act(() => editing.current.replace(rounds(10)(emptyPlan('a', 600))));
    act(() => editing.current.edit(rounds(9)));
    expect([first(), refuse.mock.calls.length]).toEqual([9, 2]);
    act(() => editing.current.edit(rounds(6)));
    act(() => editing.current.undo());
    expect(first()).toBe(9);
  });

  it('is in the end what the same acts make one after the other, whether typed or done at once', () => {
    const anyAct = fc.oneof(
      fc.record({
        do: fc.constantFrom('type', 'edit'),
        name: fc.string(),
        key: fc.constantFrom('n', 'm'),
      }),
      fc.record({ do: fc.constantFrom('undo', 'redo', 'settle') }),
    );
    fc.assert(
      fc.property(fc.array(fc.array(anyAct, { maxLength: 4 }), { maxLength: 8 }), (turns) => {
        const editing = page();
        let plain = start();
        for (const acts of turns) {
          act(() => {
            for (const one of acts) {
              if ('name' in one) {
                const { name, key } = one;
                editing.current[one.do as 'type' | 'edit'](named(name), key);
                plain = historyReducer(plain, { type: 'edit', change: named(name), key });
              } else {
                const type = one.do as 'undo' | 'redo' | 'settle';
                editing.current[type]();
                plain = historyReducer(plain, { type });
              }
              expect(editing.current.newest()).toEqual(plain.present);
            }
          });
          pass(300);
          expect(editing.current.plan).toEqual(plain.present);
          expect(editing.current.canUndo).toBe(plain.past.length > 0);
          expect(editing.current.canRedo).toBe(plain.future.length > 0);
        }
        cleanup();
      }),
      { numRuns: 60 },
    );
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { emptyPlan, type Plan } from '@/core/class';
import { type History, type HistoryAction, historyOf, historyReducer } from './use-history';

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
      fc.property(fc.array(fc.string({ minLength: 1 }), { maxLength: 30 }), (names) => {
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

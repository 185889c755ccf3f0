import { startTransition, useEffect, useMemo, useRef, useState } from 'react';
import { overfull, type Plan, samePlan } from '@/core/class';

export interface History {
  past: readonly Plan[];
  present: Plan;
  future: readonly Plan[];
  /** Edits that follow one another under one key undo as one, such as the keystrokes in a field. */
  key: string | null;
}

export type HistoryAction =
  | { type: 'edit'; change: (plan: Plan) => Plan; key: string | null }
  | { type: 'undo' }
  | { type: 'redo' }
  | { type: 'settle' }
  | { type: 'replace'; plan: Plan };

export const historyOf = (plan: Plan): History => ({
  past: [],
  present: plan,
  future: [],
  key: null,
});

export function historyReducer(state: History, action: HistoryAction): History {
  switch (action.type) {
    case 'edit': {
      const present = action.change(state.present);
      if (samePlan(present, state.present)) return state;
      const goesOn = action.key !== null && action.key === state.key;
      const past = goesOn ? state.past : [...state.past, state.present];
      return { past, present, future: [], key: action.key };
    }
    case 'undo': {
      const before = state.past.at(-1);
      if (!before) return state;
      return {
        past: state.past.slice(0, -1),
        present: before,
        future: [state.present, ...state.future],
        key: null,
      };
    }
    case 'redo': {
      const [after, ...future] = state.future;
      if (!after) return state;
      return { past: [...state.past, state.present], present: after, future, key: null };
    }
    case 'settle':
      return state.key === null ? state : { ...state, key: null };
    case 'replace':
      return { ...historyOf(action.plan), past: [...state.past, state.present] };
  }
}

export interface Editing {
  plan: Plan;
  /** The class with everything that was done to it, also with what is not drawn yet. */
  newest: () => Plan;
  /** Changes the class and shows it at once. */
  edit: (change: (plan: Plan) => Plan, key?: string) => void;
  /**
   * Changes the class at once, and draws it in the next pause: for fields that show what is typed by
   * themselves, so that no key waits until the whole class is worked out.
   */
  type: (change: (plan: Plan) => Plan, key: string) => void;
  /** Whether something is typed that is not drawn yet, so that a key may come at any moment. */
  isTyping: () => boolean;
  /** Ends a run of edits under one key, as when a field is left, and shows what was typed. */
  settle: () => void;
  undo: () => void;
  redo: () => void;
  replace: (plan: Plan) => void;
  canUndo: boolean;
  canRedo: boolean;
}

/** Longer than between two keys of one number, shorter than what is felt as waiting. */
const PAUSE_MS = 300;
/** Whoever types on without a pause sees the class with it after so long, a frame after a key. */
const MOST_UNDRAWN_MS = 1500;
const FRAME_MS = 32;

/**
 * A class being edited, with undo and redo without limit within the visit.
 * @param refuse tells why an edit is not made: the class would be more than one may be, and could not be saved
 */
export function useHistory(initial: Plan, refuse: (why: string) => void): Editing {
  const [shown, show] = useState(() => historyOf(initial));
  const newest = useRef(shown);
  const { leave, ...acts } = useMemo(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    /** Since when something is typed and not drawn, epoch ms. */
    let since: number | null = null;
    const draw = () => {
      clearTimeout(timer);
      since = null;
      show(newest.current);
    };
    const after = (action: HistoryAction): History => {
      const before = newest.current;
      const next = historyReducer(before, action);
      // What became too much by the edits of two is taken apart again step by step.
      const why = action.type === 'edit' && !overfull(before.present) && overfull(next.present);
      if (!why) return next;
      refuse(why);
      return before;
    };
    const act = (action: HistoryAction) => {
      newest.current = after(action);
      draw();
    };
    const type = (change: (plan: Plan) => Plan, key: string) => {
      newest.current = after({ type: 'edit', change, key });
      const now = Date.now();
      since ??= now;
      clearTimeout(timer);
      const wait = now - since < MOST_UNDRAWN_MS ? PAUSE_MS : FRAME_MS;
      timer = setTimeout(() => startTransition(draw), wait);
    };
    return {
      type,
      isTyping: () => since !== null,
      leave: () => clearTimeout(timer),
      newest: () => newest.current.present,
      edit: (change: (plan: Plan) => Plan, key?: string) =>
        act({ type: 'edit', change, key: key ?? null }),
      settle: () => act({ type: 'settle' }),
      undo: () => act({ type: 'undo' }),
      redo: () => act({ type: 'redo' }),
      replace: (plan: Plan) => act({ type: 'replace', plan }),
    };
  }, [refuse]);
  useEffect(() => leave, [leave]);
  return {
    ...acts,
    plan: shown.present,
    canUndo: shown.past.length > 0,
    canRedo: shown.future.length > 0,
  };
}

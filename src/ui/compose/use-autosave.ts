import { useCallback, useEffect, useRef, useState } from 'react';
import { ask, isExpected, Refused, Unreachable } from '@/browser/api';
import { forgetUnsaved, holdTab, keepUnsaved, takeUnsaved } from '@/browser/unsaved';
import { CALLS, type StoredPlan, storedPlanSchema } from '@/core/calls';
import { type Merged, mergePlans, type Plan, samePlan } from '@/core/class';
import type { Editing } from './use-history';

const KEEP_MS = 100;
const WAIT_MS = 600;
const RETRY_MS = 3000;
/** How many classes whose answer was lost are kept in mind. */
const MOST_SENT = 8;

export type SaveState =
  | { kind: 'saved' }
  | { kind: 'saving' }
  /** The server is away; the change is kept here, where the browser keeps it, and sent when it is back. */
  | { kind: 'waiting' | 'unkept' }
  | { kind: 'refused'; message: string }
  | { kind: 'conflict'; plan: Plan; version: number };

export type Resolution = 'mine' | 'theirs' | 'both';

export interface Autosave {
  state: SaveState;
  /** Saves what is not saved yet; false where that did not work. */
  flush: () => Promise<boolean>;
  /**
   * In a conflict: goes on from the stored version with what is here, what is there, or both joined.
   * Returns the plan to go on with and what collided.
   */
  resolve: (how: Resolution) => Merged | null;
}

/** Keeps a class saved while it is edited, one request at a time, and never over somebody else's. */
export function useAutosave(
  classId: string,
  { plan, newest, replace }: Pick<Editing, 'plan' | 'newest' | 'replace'>,
  firstVersion: number,
): Autosave {
  const [state, setState] = useState<SaveState>({ kind: 'saved' });
  const version = useRef(firstVersion);
  const stored = useRef(plan);
  /** What was sent and not heard of again, the newest last: the server may have it. */
  const sent = useRef<Plan[]>([]);
  const underway = useRef<Promise<boolean> | null>(null);
  const blocked = useRef(false);
  /** Whether this visit left something in the browser that the next one would take up. */
  const keeps = useRef(false);

  const clash = useCallback((theirs: StoredPlan) => {
    blocked.current = true;
    setState({ kind: 'conflict', ...theirs });
  }, []);

  /** Goes on from what is stored where that came from here, and only its answer was lost. */
  const goOnFrom = useCallback((theirs: StoredPlan): boolean => {
    const mine = sent.current.find((plan) => samePlan(plan, theirs.plan));
    if (!mine) return false;
    version.current = theirs.version;
    stored.current = mine;
    sent.current = [];
    return true;
  }, []);

  /** Whether the server has what is here, and nothing else is on its way there. */
  const isSaved = useCallback(
    () => stored.current === newest() && sent.current.length === 0,
    [newest],
  );

  /** Keeps unsaved edits in this browser, or forgets them once they are saved; false where it keeps nothing. */
  const keep = useCallback((): boolean => {
    keeps.current = !isSaved();
    if (keeps.current) {
      const unsaved = { plan: newest(), base: stored.current, version: version.current };
      return keepUnsaved(classId, unsaved);
    }
    forgetUnsaved(classId);
    return true;
  }, [classId, newest, isSaved]);

  // What the last visit could not save goes on here, and meets what was saved meanwhile.
  useEffect(() => {
    const take = async () => {
      const first = stored.current;
      const unsaved = await takeUnsaved(classId);
      holdTab();
      if (!unsaved || newest() !== first) return;
      const theirs = { plan: first, version: version.current };
      if (samePlan(unsaved.plan, theirs.plan)) {
        forgetUnsaved(classId);
        return;
      }
      stored.current = unsaved.base;
      replace(unsaved.plan);
      if (unsaved.version !== theirs.version) clash(theirs);
    };
    void take();
  }, [classId, newest, replace, clash]);

  const send = useCallback(async (): Promise<boolean> => {
    while (!isSaved()) {
      if (blocked.current) return false;
      const sending = newest();
      sent.current = [...sent.current, sending].slice(-MOST_SENT);
      setState({ kind: 'saving' });
      try {
        const body = { plan: sending, basedOn: version.current };
        const answer = await ask(CALLS.saveClass, { id: classId, body });
        version.current = answer.version;
        stored.current = sending;
        sent.current = [];
      } catch (error) {
        if (error instanceof Unreachable) {
          // The page may be left before it comes to that by itself.
          setState({ kind: keep() ? 'waiting' : 'unkept' });
          return false;
        }
        if (!(error instanceof Refused)) throw error;
        if (error.code === 'changed-elsewhere') {
          const theirs = storedPlanSchema.parse(error.body);
          if (goOnFrom(theirs)) continue;
          clash(theirs);
        } else setState({ kind: 'refused', message: error.message });
        return false;
      }
    }
    keep();
    setState({ kind: 'saved' });
    return true;
  }, [classId, newest, isSaved, clash, goOnFrom, keep]);

  const flush = useCallback((): Promise<boolean> => {
    underway.current ??= send().finally(() => {
      underway.current = null;
    });
    return underway.current;
  }, [send]);

  useEffect(() => {
    if (plan === newest() && isSaved()) {
      // What was taken back is not to come again with the next visit.
      if (keeps.current) keep();
      return;
    }
    const keeping = setTimeout(keep, KEEP_MS);
    const saving = blocked.current ? undefined : setTimeout(flush, WAIT_MS);
    return () => {
      clearTimeout(keeping);
      clearTimeout(saving);
    };
  }, [plan, newest, isSaved, flush, keep]);

  // Somebody may have changed the class while this page was out of sight: say so before more is typed.
  useEffect(() => {
    const look = async () => {
      if (document.visibilityState !== 'visible' || blocked.current || underway.current) return;
      try {
        const theirs = await ask(CALLS.readClass, { id: classId });
        if (theirs.version <= version.current || underway.current) return;
        if (goOnFrom(theirs)) void flush();
        else clash(theirs);
      } catch (error) {
        // Without a connection the next save finds out.
        if (!isExpected(error)) throw error;
      }
    };
    document.addEventListener('visibilitychange', look);
    return () => document.removeEventListener('visibilitychange', look);
  }, [classId, clash, flush, goOnFrom]);

  useEffect(() => {
    if (state.kind !== 'waiting' && state.kind !== 'unkept') return;
    const timer = setTimeout(flush, RETRY_MS);
    window.addEventListener('online', flush);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('online', flush);
    };
  }, [state, flush]);

  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (isSaved()) return;
      keep();
      void flush();
      event.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => {
      window.removeEventListener('beforeunload', warn);
      if (!isSaved()) void flush();
    };
  }, [flush, keep, isSaved]);

  const resolve = (how: Resolution): Merged | null => {
    if (state.kind !== 'conflict') return null;
    const { plan: theirs, version: theirVersion } = state;
    const merged: Merged =
      how === 'both'
        ? mergePlans(stored.current, newest(), theirs)
        : { plan: how === 'mine' ? newest() : theirs, collisions: [] };
    version.current = theirVersion;
    blocked.current = false;
    stored.current = theirs;
    sent.current = [];
    if (how === 'mine') void flush();
    else {
      // What was given up is not to come back with the next visit.
      if (how === 'theirs') forgetUnsaved(classId);
      setState({ kind: 'saved' });
      replace(merged.plan);
    }
    return merged;
  };

  const unsaved = state.kind === 'saved' && plan !== stored.current;
  return { state: unsaved ? { kind: 'saving' } : state, flush, resolve };
}

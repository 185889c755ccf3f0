import { useCallback, useEffect, useRef, useState } from 'react';
import { z } from 'zod';
import { call, Refused, Unreachable } from '@/browser/api';
import { type Merged, mergePlans, type Plan, planSchema } from '@/core/class';
import { forgetUnsaved, holdTab, keepUnsaved, takeUnsaved } from './unsaved';

const KEEP_MS = 200;
const WAIT_MS = 600;
const RETRY_MS = 3000;

export type SaveState =
  | { kind: 'saved' }
  | { kind: 'saving' }
  /** The server is away; the change is kept here and sent when it is back. */
  | { kind: 'waiting' }
  | { kind: 'refused'; message: string }
  | { kind: 'conflict'; plan: Plan; version: number };

const savedSchema = z.object({ version: z.number() });
const conflictSchema = z.object({ plan: planSchema, version: z.number() });

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
  plan: Plan,
  firstVersion: number,
  replace: (plan: Plan) => void,
): Autosave {
  const [state, setState] = useState<SaveState>({ kind: 'saved' });
  const version = useRef(firstVersion);
  const stored = useRef(plan);
  const latest = useRef(plan);
  const underway = useRef<Promise<boolean> | null>(null);
  const blocked = useRef(false);
  latest.current = plan;

  const clash = useCallback((theirs: { plan: Plan; version: number }) => {
    blocked.current = true;
    setState({ kind: 'conflict', ...theirs });
  }, []);

  /** Keeps unsaved edits in this browser, or forgets them once they are saved. */
  const keep = useCallback(() => {
    if (stored.current === latest.current) forgetUnsaved(classId);
    else {
      keepUnsaved(classId, {
        plan: latest.current,
        base: stored.current,
        version: version.current,
      });
    }
  }, [classId]);

  // What the last visit could not save goes on here, and meets what was saved meanwhile.
  useEffect(() => {
    const take = async () => {
      const first = stored.current;
      const unsaved = await takeUnsaved(classId);
      holdTab();
      if (!unsaved || latest.current !== first) return;
      const theirs = { plan: first, version: version.current };
      if (JSON.stringify(unsaved.plan) === JSON.stringify(theirs.plan)) {
        forgetUnsaved(classId);
        return;
      }
      stored.current = unsaved.base;
      replace(unsaved.plan);
      if (unsaved.version !== theirs.version) clash(theirs);
    };
    void take();
  }, [classId, replace, clash]);

  const send = useCallback(async (): Promise<boolean> => {
    while (stored.current !== latest.current) {
      if (blocked.current) return false;
      const sending = latest.current;
      setState({ kind: 'saving' });
      try {
        const body = { plan: sending, basedOn: version.current };
        const answer = await call('PUT', `/api/classes/${classId}`, body, savedSchema);
        version.current = answer.version;
        stored.current = sending;
      } catch (error) {
        if (error instanceof Unreachable) {
          setState({ kind: 'waiting' });
          return false;
        }
        if (!(error instanceof Refused)) throw error;
        const conflict = conflictSchema.safeParse(error.body);
        if (error.status === 409 && conflict.success) clash(conflict.data);
        else setState({ kind: 'refused', message: error.message });
        return false;
      }
    }
    keep();
    setState({ kind: 'saved' });
    return true;
  }, [classId, clash, keep]);

  const flush = useCallback((): Promise<boolean> => {
    underway.current ??= send().finally(() => {
      underway.current = null;
    });
    return underway.current;
  }, [send]);

  useEffect(() => {
    if (plan === stored.current) return;
    const keeping = setTimeout(keep, KEEP_MS);
    const saving = blocked.current ? undefined : setTimeout(flush, WAIT_MS);
    return () => {
      clearTimeout(keeping);
      clearTimeout(saving);
    };
  }, [plan, flush, keep]);

  // Somebody may have changed the class while this page was out of sight: say so before more is typed.
  useEffect(() => {
    const look = async () => {
      if (document.visibilityState !== 'visible' || blocked.current || underway.current) return;
      try {
        const theirs = await call('GET', `/api/classes/${classId}`, null, conflictSchema);
        if (theirs.version > version.current && !underway.current) clash(theirs);
      } catch (error) {
        // Without a connection the next save finds out.
        if (!(error instanceof Unreachable || error instanceof Refused)) throw error;
      }
    };
    document.addEventListener('visibilitychange', look);
    return () => document.removeEventListener('visibilitychange', look);
  }, [classId, clash]);

  useEffect(() => {
    if (state.kind !== 'waiting') return;
    const timer = setTimeout(flush, RETRY_MS);
    window.addEventListener('online', flush);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('online', flush);
    };
  }, [state, flush]);

  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (stored.current === latest.current) return;
      keep();
      void flush();
      event.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => {
      window.removeEventListener('beforeunload', warn);
      if (stored.current !== latest.current) void flush();
    };
  }, [flush, keep]);

  const resolve = (how: Resolution): Merged | null => {
    if (state.kind !== 'conflict') return null;
    const { plan: theirs, version: newest } = state;
    const merged: Merged =
      how === 'both'
        ? mergePlans(stored.current, latest.current, theirs)
        : { plan: how === 'mine' ? latest.current : theirs, collisions: [] };
    version.current = newest;
    blocked.current = false;
    stored.current = theirs;
    if (how === 'mine') void flush();
    else {
      setState({ kind: 'saved' });
      replace(merged.plan);
    }
    return merged;
  };

  const unsaved = state.kind === 'saved' && plan !== stored.current;
  return { state: unsaved ? { kind: 'saving' } : state, flush, resolve };
}

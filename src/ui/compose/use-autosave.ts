import { useCallback, useEffect, useRef, useState } from 'react';
import { z } from 'zod';
import { call, Refused, Unreachable } from '@/browser/api';
import { type Plan, planSchema } from '@/core/class';

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

export interface Autosave {
  state: SaveState;
  /** Saves what is not saved yet; false where that did not work. */
  flush: () => Promise<boolean>;
  /** In a conflict: goes on from the stored version, keeping what is here or not. */
  resolve: (keepMine: boolean) => Plan | null;
}

/** Keeps a class saved while it is edited, one request at a time, and never over somebody else's. */
export function useAutosave(classId: string, plan: Plan, firstVersion: number): Autosave {
  const [state, setState] = useState<SaveState>({ kind: 'saved' });
  const version = useRef(firstVersion);
  const stored = useRef(plan);
  const latest = useRef(plan);
  const underway = useRef<Promise<boolean> | null>(null);
  const blocked = useRef(false);
  latest.current = plan;

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
        if (error.status === 409 && conflict.success) {
          blocked.current = true;
          setState({ kind: 'conflict', ...conflict.data });
        } else setState({ kind: 'refused', message: error.message });
        return false;
      }
    }
    setState({ kind: 'saved' });
    return true;
  }, [classId]);

  const flush = useCallback((): Promise<boolean> => {
    underway.current ??= send().finally(() => {
      underway.current = null;
    });
    return underway.current;
  }, [send]);

  useEffect(() => {
    if (plan === stored.current || blocked.current) return;
    const timer = setTimeout(flush, WAIT_MS);
    return () => clearTimeout(timer);
  }, [plan, flush]);

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
      void flush();
      event.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => {
      window.removeEventListener('beforeunload', warn);
      if (stored.current !== latest.current) void flush();
    };
  }, [flush]);

  const resolve = (keepMine: boolean): Plan | null => {
    if (state.kind !== 'conflict') return null;
    version.current = state.version;
    blocked.current = false;
    stored.current = state.plan;
    if (keepMine) void flush();
    else setState({ kind: 'saved' });
    return keepMine ? null : state.plan;
  };

  const unsaved = state.kind === 'saved' && plan !== stored.current;
  return { state: unsaved ? { kind: 'saving' } : state, flush, resolve };
}

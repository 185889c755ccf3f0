import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { call, Refused, Unreachable } from '@/browser/api';
import { Outbox } from '@/browser/outbox';
import type { ServerClock } from '@/browser/server-clock';
import {
  advance,
  type Playback,
  type RunEvent,
  type RunEventDraft,
  ready,
  replay,
} from '@/core/run';
import { eventsAnswerSchema, type LeadRun } from './types';

const TICK_MS = 100;
const RETRY_MS = 1500;

/** What a teacher can do to a run, before it has an id and a time. */
export type Bend =
  | { type: 'started' | 'paused' | 'resumed' | 'again' | 'next' | 'roundAdded' }
  | { type: 'extended'; ms: number };

export interface LiveRun {
  state: Playback;
  events: readonly RunEventDraft[];
  /** False while the server does not answer; the class goes on and events wait here. */
  connected: boolean;
  error: string | null;
  bend: (bend: Bend) => void;
  /** A draft of the event that ends the run, for the close-out. */
  draft: () => { id: string; at: number };
  /** Sends what waits; throws where the server is away. */
  flush: () => Promise<void>;
}

/** A run as it is led on this device: what the server knows, what waits to be sent, and the time. */
export function useRun(run: LeadRun, clock: ServerClock): LiveRun {
  const [log, setLog] = useState<readonly RunEvent[]>(run.events);
  const [waiting, setWaiting] = useState<readonly RunEventDraft[]>([]);
  const [connected, setConnected] = useState(true);
  const [error, setError] = useState<string | null>(null);
  const [now, setNow] = useState(() => clock.now());
  const outbox = useRef<Outbox | null>(null);

  const box = useCallback((): Outbox => {
    outbox.current ??= new Outbox(run.id, localStorage, async (events) => {
      const sentAt = clock.deviceNow();
      const url = `/api/runs/${run.id}/events`;
      const answer = await call('POST', url, { events }, eventsAnswerSchema);
      clock.measure(answer.now, sentAt);
      setLog(answer.events);
    });
    return outbox.current;
  }, [run.id, clock]);

  const flush = useCallback(async () => {
    try {
      await box().flush();
      setConnected(true);
      setError(null);
    } finally {
      setWaiting(box().waiting());
    }
  }, [box]);

  const tryFlush = useCallback(async () => {
    try {
      await flush();
    } catch (problem) {
      if (problem instanceof Unreachable) setConnected(false);
      else if (problem instanceof Refused) setError(problem.message);
      else throw problem;
    }
  }, [flush]);

  useEffect(() => {
    setWaiting(box().waiting());
    void tryFlush();
  }, [box, tryFlush]);

  useEffect(() => {
    if (waiting.length === 0) return;
    const timer = setInterval(tryFlush, RETRY_MS);
    window.addEventListener('online', tryFlush);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', tryFlush);
    };
  }, [waiting, tryFlush]);

  useEffect(() => {
    const timer = setInterval(() => setNow(clock.now()), TICK_MS);
    return () => clearInterval(timer);
  }, [clock]);

  const events = useMemo((): readonly RunEventDraft[] => {
    const known = new Set(log.map((e) => e.id));
    return [...log, ...waiting.filter((e) => !known.has(e.id))];
  }, [log, waiting]);
  const base = useMemo(() => replay(ready(run.score), events), [run.score, events]);
  const state = useMemo(() => advance(base, now), [base, now]);

  const draft = useCallback(() => ({ id: crypto.randomUUID(), at: clock.now() }), [clock]);
  const bend = useCallback(
    (what: Bend) => {
      box().add({ ...draft(), ...what } as RunEventDraft);
      setNow(clock.now());
      setWaiting(box().waiting());
      void tryFlush();
    },
    [box, draft, clock, tryFlush],
  );

  return { state, events, connected, error, bend, draft, flush };
}

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { ask, Refused, Unreachable } from '@/browser/api';
import { deviceId, isOpenElsewhere } from '@/browser/device';
import { kept } from '@/browser/kept';
import { listenToRun } from '@/browser/live-run';
import { newId } from '@/browser/new-id';
import { roundTrip } from '@/browser/round-trip';
import { type RunBox, runBox } from '@/browser/run-box';
import { runChannel } from '@/browser/run-channel';
import { type ServerClock, TIMES_ASKED } from '@/browser/server-clock';
import { addressOf, CALLS, type LogAnswer } from '@/core/calls';
import type { NewRunEvent, RunEvent } from '@/core/run';
import { useWarnOfLoss } from '../kit/use-warn-of-loss';
import { keptLogSchema, type LeadLog } from './types';

const RETRY_MS = 1500;

/** An event before it has an id and a time. */
export type Happening = NewRunEvent extends infer E
  ? E extends NewRunEvent
    ? Omit<E, 'id' | 'at'>
    : never
  : never;

export interface Log {
  events: readonly NewRunEvent[];
  /** False until what was left from before has been read. */
  loaded: boolean;
  /** False while the server does not answer; the class goes on and events wait here. */
  connected: boolean;
  /** False where the browser keeps nothing: what waits here lives no longer than the page. */
  keeps: boolean;
  /** Null while nobody leads. */
  leader: 'this device' | 'another device' | null;
  /** The number of the scores that the class began with, as the server has it; null before it has heard of that. */
  begunWith: number | null;
  error: string | null;
  /** Bends made here that were not stored, since another device had taken the lead. */
  lost: readonly NewRunEvent[];
  /** What happened here and the server will never take, with what it said. */
  refused: readonly { event: NewRunEvent; says: string }[];
  /** Something happens now, or in so many ms. @returns the id of the event */
  add: (what: Happening, inMs?: number) => string;
  takeLead: () => Promise<void>;
  /** Sends what waits; throws where the server is away. */
  flush: () => Promise<void>;
  /** What the event that ends the run needs, for the close-out. */
  ending: () => Promise<{ id: string; at: number; device: string }>;
  /** Asks the server for its time and what is new. */
  look: () => Promise<void>;
  /** Asks for the server's time several times over; the quickest answer counts. */
  measureTime: () => Promise<void>;
}

/** The log of a session on this device: what the server knows, and what waits to be sent. */
export function useLog(initial: LeadLog, clock: ServerClock): Log {
  const runId = initial.id;
  const logName = `log ${runId}`;
  const madeAt = useRef(initial.now);
  /** The server's time when log and leader were last heard of. */
  const [heardAt, setHeardAt] = useState(initial.now);
  const [log, setLog] = useState<readonly RunEvent[]>(initial.events);
  /** The newest event known: the server is asked for what came after it. */
  const lastSeq = useRef(0);
  lastSeq.current = log.at(-1)?.seq ?? 0;
  const [waiting, setWaiting] = useState<readonly NewRunEvent[]>([]);
  const [loaded, setLoaded] = useState(false);
  const [connected, setConnected] = useState(true);
  const [leaderId, setLeaderId] = useState(initial.leader);
  const leads = useRef(leaderId);
  leads.current = leaderId;
  const [made, setMade] = useState(initial.made);
  const [device, setDevice] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const [lost, setLost] = useState<readonly NewRunEvent[]>([]);
  const [keeps, setKeeps] = useState(true);
  const [refused, setRefused] = useState<Log['refused']>([]);
  const box = useRef<RunBox | null>(null);
  /** Events from before the outbox is open. */
  const early = useRef<NewRunEvent[]>([]);

  const take = useCallback((answer: LogAnswer) => {
    setLeaderId(answer.leader);
    setMade(answer.made);
    setHeardAt(answer.now);
    setLog((known) => {
      const seen = new Set(known.map((e) => e.seq));
      const fresh = answer.events.filter((e) => !seen.has(e.seq));
      return fresh.length ? [...known, ...fresh].sort((a, b) => a.seq - b.seq) : known;
    });
  }, []);

  /** Makes a call that is answered with the log, and takes up what it says. */
  const hear = useCallback(
    async (answered: Promise<LogAnswer>) => {
      const sentAt = clock.deviceNow();
      const answer = await answered;
      clock.measure(answer.now, sentAt);
      take(answer);
      setConnected(true);
    },
    [clock, take],
  );
  const read = useCallback(
    () => hear(ask(CALLS.readLog, { id: runId, body: { after: lastSeq.current } })),
    [hear, runId],
  );

  const shown = useCallback(() => setWaiting(box.current?.waiting() ?? []), []);

  const flush = useCallback(async () => {
    try {
      await box.current?.flush();
      setConnected(true);
      setError(null);
    } finally {
      shown();
    }
  }, [shown]);

  /** Another device leads: what was bent here since cannot be stored, and says so. */
  const giveWay = useCallback(async () => {
    const bends = (await box.current?.giveWay()) ?? [];
    setLost((before) => [...before, ...bends]);
    shown();
    await read();
  }, [read, shown]);

  const attempt = useCallback(
    async (work: () => Promise<void>) => {
      try {
        await work();
      } catch (problem) {
        if (problem instanceof Unreachable) setConnected(false);
        else if (problem instanceof Refused && problem.code === 'not-leading') {
          await attempt(giveWay);
        } else if (problem instanceof Refused) setError(problem.message);
        else throw problem;
      }
    },
    [giveWay],
  );
  const tryFlush = useCallback(() => attempt(flush), [attempt, flush]);
  const look = useCallback(() => attempt(read), [attempt, read]);
  const measureTime = useCallback(async () => {
    await attempt(async () => {
      for (let n = 0; n < TIMES_ASKED; n++) {
        const { answer, sentAt, receivedAt } = await roundTrip(
          addressOf(CALLS.tellTime),
          () => clock.deviceNow(),
          () => ask(CALLS.tellTime),
        );
        clock.measure(answer.now, sentAt, receivedAt, answer.arrived);
      }
    });
  }, [attempt, clock]);

  useEffect(() => {
    let gone = false;
    void (async () => {
      const [id, before] = await Promise.all([deviceId(), kept.get(logName, keptLogSchema)]);
      // A page that was kept is older than what was heard since, also of who leads.
      if (before && before.now > madeAt.current) take(before);
      const opened = runBox(runId, {
        device: id,
        isOpen: isOpenElsewhere,
        onKeeps: setKeeps,
        // What a tab that is gone bent while it led was led by that one.
        as: (leftBy) => (leftBy !== undefined && leftBy === leads.current ? leftBy : id),
        send: (device, events) => {
          const body = { device, events, after: lastSeq.current };
          return hear(ask(CALLS.sendEvents, { id: runId, body }));
        },
        onRefused: (event, says) => setRefused((before) => [...before, { event, says }]),
      });
      for (const event of early.current.splice(0)) void opened.add(event);
      await opened.loaded;
      if (gone) return;
      box.current = opened;
      for (const event of early.current.splice(0)) void opened.add(event);
      setDevice(id);
      setLoaded(true);
      shown();
      void tryFlush();
    })();
    return () => {
      gone = true;
    };
  }, [runId, logName, hear, shown, take, tryFlush]);

  useEffect(() => {
    if (waiting.length === 0 && connected) return;
    const again = waiting.length ? tryFlush : look;
    const timer = setInterval(again, RETRY_MS);
    window.addEventListener('online', again);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', again);
    };
  }, [waiting, connected, tryFlush, look]);

  useWarnOfLoss(!keeps && waiting.length > 0);

  const over = log.some((e) => e.type === 'finished');
  useEffect(() => {
    if (over || (log.length === 0 && leaderId === null)) return;
    void kept.put(logName, { events: log, leader: leaderId, made, now: heardAt });
  }, [logName, log, leaderId, made, heardAt, over]);

  useEffect(() => {
    return listenToRun(runId, {
      after: () => lastSeq.current,
      heard: take,
      // What waits goes with it; only where that comes through is there a connection.
      opened: () => void tryFlush(),
      lost: () => setConnected(false),
    });
  }, [runId, take, tryFlush]);

  const events = useMemo((): readonly NewRunEvent[] => {
    const known = new Set(log.map((e) => e.id));
    return [...log, ...waiting.filter((e) => !known.has(e.id))];
  }, [log, waiting]);

  // A second window on the same device sees what happens even while the server is away.
  useEffect(() => runChannel(runId).tell(events), [runId, events]);

  const ending = useCallback(
    async () => ({ id: newId(), at: clock.now(), device: await deviceId() }),
    [clock],
  );
  const add = useCallback(
    (what: Happening, inMs = 0) => {
      const at = clock.now() + inMs;
      const event = { id: newId(), at, ...what } as NewRunEvent;
      if (box.current) void box.current.add(event);
      else early.current.push(event);
      setWaiting(box.current?.waiting() ?? [...early.current]);
      void tryFlush();
      return event.id;
    },
    [clock, tryFlush],
  );
  const takeLead = useCallback(async () => {
    setLost([]);
    await attempt(async () => {
      const body = { device: await deviceId() };
      await hear(ask(CALLS.takeLead, { id: runId, body }));
    });
  }, [attempt, hear, runId]);

  const leader = leaderId === null ? null : leaderId === device ? 'this device' : 'another device';
  return {
    events,
    loaded,
    connected,
    keeps,
    leader,
    begunWith: log.some((e) => e.type === 'started') ? made : null,
    error,
    lost,
    refused,
    add,
    takeLead,
    flush,
    ending,
    look,
    measureTime,
  };
}

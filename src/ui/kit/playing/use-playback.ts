import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { flushSync } from 'react-dom';
import { type RunClock, SLEPT_MS } from '@/browser/server-clock';
import { type Ticker, ticker } from '@/browser/ticker';
import {
  advance,
  type NewRunEvent,
  type Playback,
  ready,
  replayer,
  SHOWN_MS,
  unchangedForMs,
} from '@/core/run';
import type { Cue, Score } from '@/core/score';

export interface Slept {
  /** How things stood when the device fell asleep. */
  before: Playback;
  ms: number;
}

export interface Live {
  state: Playback;
  /** The time on the server's clock, for what moves between two looks. */
  now: () => number;
  /** Set when the device has slept while the class ran. */
  slept: Slept | null;
  forgetSlept: () => void;
}

export interface Followed {
  scores: { score: Score; easier: Score | null };
  /** The cues of the run by step. */
  groups: readonly (readonly Cue[])[];
  events: readonly NewRunEvent[];
  clock: RunClock;
  /** Whether the countdown changes by itself, beside all else (`Countdown`). */
  beside?: boolean;
  /** Is called when the device's clocks have come apart. */
  cameApart: () => void;
}

/**
 * Where the class stands now: its events and the time are all there is to it. It is looked at whenever
 * something that is shown changes, and at least every quarter of a second.
 */
export function usePlayback(of: Followed): Live {
  const { scores, groups, events, clock, beside = false, cameApart } = of;
  const [now, setNow] = useState(() => clock.now());
  const [slept, setSlept] = useState<Slept | null>(null);
  const replayed = useMemo(() => replayer(ready(scores.score, scores.easier)), [scores]);
  const base = useMemo(() => replayed(events), [replayed, events]);
  // A bend is stamped with the newest time, which the last tick may not have reached.
  const state = useMemo(() => advance(base, now), [base, now]);
  const latest = useRef({ base, state, groups, cameApart });
  latest.current = { base, state, groups, cameApart };
  const looking = useRef<Ticker | null>(null);

  useEffect(() => {
    let last = clock.deviceNow();
    const made = ticker(() => {
      const device = clock.deviceNow();
      const { state: before, ...is } = latest.current;
      if (clock.cameApart()) is.cameApart();
      if (device - last > SLEPT_MS && before.status === 'running') {
        setSlept({ before, ms: device - last });
      }
      last = device;
      const time = clock.now();
      flushSync(() => setNow(time));
      const stands = advance(is.base, time);
      const unchangedMs = stands.at - time + unchangedForMs(stands, is.groups, beside);
      return Math.ceil(Math.min(SHOWN_MS, unchangedMs));
    });
    looking.current = made;
    return made.stop;
  }, [clock, beside]);

  // biome-ignore lint/correctness/useExhaustiveDependencies: a bend moves the times of what comes next.
  useEffect(() => looking.current?.soon(), [base]);

  const time = useCallback(() => clock.now(), [clock]);
  return { state, now: time, slept, forgetSlept: () => setSlept(null) };
}

import { useEffect, useMemo, useRef, useState } from 'react';
import type { ServerClock } from '@/browser/server-clock';
import { everyTick } from '@/browser/ticker';
import { advance, type Playback, type RunEventDraft, ready, replay } from '@/core/run';
import type { LeadScores } from './types';

/** How long nothing was heard of the clock until the device is taken to have slept, in ms. */
const SLEPT_MS = 20_000;

export interface Slept {
  /** How things stood when the device fell asleep. */
  before: Playback;
  ms: number;
}

export interface Live {
  state: Playback;
  /** Set when the device has slept while the class ran. */
  slept: Slept | null;
  forgetSlept: () => void;
}

/**
 * Where the class stands now: its events and the time are all there is to it.
 * @param cameApart is called when the device's clocks have come apart
 */
export function usePlayback(
  scores: LeadScores,
  events: readonly RunEventDraft[],
  clock: ServerClock,
  cameApart: () => void,
): Live {
  const [now, setNow] = useState(() => clock.now());
  const [slept, setSlept] = useState<Slept | null>(null);
  const base = useMemo(() => replay(ready(scores.score, scores.easier), events), [scores, events]);
  // A bend is stamped with the newest time, which the last tick may not have reached.
  const state = useMemo(() => advance(base, now), [base, now]);
  const latest = useRef({ state, cameApart });
  latest.current = { state, cameApart };

  useEffect(() => {
    let last = clock.deviceNow();
    return everyTick(() => {
      const device = clock.deviceNow();
      const before = latest.current.state;
      if (clock.cameApart()) latest.current.cameApart();
      if (device - last > SLEPT_MS && before.status === 'running') {
        setSlept({ before, ms: device - last });
      }
      last = device;
      setNow(clock.now());
    });
  }, [clock]);

  return { state, slept, forgetSlept: () => setSlept(null) };
}

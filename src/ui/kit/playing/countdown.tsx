import { useEffect, useState } from 'react';
import { flushSync } from 'react-dom';
import type { RunClock } from '@/browser/server-clock';
import { type Playback, playLengthMs } from '@/core/run';

const SECOND_MS = 1000;

/**
 * The seconds that are left of the step. They change by themselves, each on its beat, without the rest of the page: it
 * is looked at beside them (`unchangedForMs`), and it alone goes from one step to the next.
 */
export function Countdown({ state, clock }: { state: Playback; clock: RunClock }) {
  const [, setTicks] = useState(0);
  const current = state.queue[state.index];
  const running = state.status === 'running';
  const endsAt = current ? state.at + playLengthMs(current) - state.elapsedMs : state.at;
  useEffect(() => {
    if (!running) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const wait = () => {
      const leftMs = endsAt - clock.now();
      if (leftMs > SECOND_MS) timer = setTimeout(tick, leftMs % SECOND_MS || SECOND_MS);
    };
    const tick = () => {
      flushSync(() => setTicks((n) => n + 1));
      wait();
    };
    wait();
    return () => clearTimeout(timer);
  }, [endsAt, running, clock]);
  const now = running ? Math.max(state.at, clock.now()) : state.at;
  const seconds = Math.ceil((endsAt - now) / SECOND_MS);
  return running ? Math.max(1, seconds) : seconds;
}

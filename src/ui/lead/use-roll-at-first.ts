import { useCallback, useEffect, useRef, useState } from 'react';
import { ask, isExpected } from '@/browser/api';
import { whileSeen } from '@/browser/while-seen';
import { CALLS, type RollEntry } from '@/core/calls';
import type { LeadLog, SessionNow } from './types';
import type { Log } from './use-log';
import type { RollAtFirst } from './use-roll';

/** How often the register is asked who comes and what they carry: others write in it too. In ms. */
const EVERY_MS = 20_000;

/** What the register tells each time, besides who comes. */
export interface Told {
  session: SessionNow;
  /** From what the session would be made ready now; null once it has begun. */
  basis: string | null;
}

/**
 * What the register holds, and a way to ask it again once somebody was taken in. It is asked again and again while the
 * page is to be seen: somebody books at the last moment, or tells at the door what they carry.
 * @param onTold hears how the session stands now
 */
export function useRollAtFirst(
  { session, roll, log: initial }: { session: { id: string }; roll: RollEntry[]; log: LeadLog },
  log: Log,
  onTold: (told: Told) => void,
): { atFirst: RollAtFirst; refresh: () => Promise<void> } {
  const [atFirst, setAtFirst] = useState<RollAtFirst>(() => ({
    entries: roll,
    seen: new Set(initial.events.map((e) => e.id)),
  }));
  const latest = useRef(log);
  latest.current = log;
  const refresh = useCallback(async () => {
    try {
      // Only what was there before it was sent is certain to be in the answer; to go through the rest twice
      // changes nothing.
      const seen = new Set(latest.current.events.map((e) => e.id));
      await latest.current.flush();
      const answer = await ask(CALLS.readRoll, { id: session.id });
      setAtFirst({ entries: answer.roll, seen });
      onTold(answer);
    } catch (problem) {
      // While the server is away the name stands there alone; the page says that it is away.
      if (!isExpected(problem)) throw problem;
    }
  }, [session.id, onTold]);
  useEffect(() => whileSeen(refresh, EVERY_MS), [refresh]);
  return { atFirst, refresh };
}

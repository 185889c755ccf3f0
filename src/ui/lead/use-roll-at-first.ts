import { useCallback, useRef, useState } from 'react';
import { ask, isExpected } from '@/browser/api';
import { CALLS, type RollEntry } from '@/core/calls';
import type { LeadLog } from './types';
import type { Log } from './use-log';
import type { RollAtFirst } from './use-roll';

/** What the register held when the page came, and a way to ask it again once somebody was taken in. */
export function useRollAtFirst(
  { session, roll, log: initial }: { session: { id: string }; roll: RollEntry[]; log: LeadLog },
  log: Log,
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
    } catch (problem) {
      // While the server is away the name stands there alone; the page says that it is away.
      if (!isExpected(problem)) throw problem;
    }
  }, [session.id]);
  return { atFirst, refresh };
}

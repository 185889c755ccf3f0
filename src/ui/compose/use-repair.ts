import { useCallback, useRef, useState } from 'react';
import { toast } from 'sonner';
import { type Checked, check, type Repaired, repaired, type ToldFinding } from '@/core/checks';
import type { Plan } from '@/core/class';
import type { Refused } from './checks-panel';
import type { Editing } from './use-history';

export interface Repairs {
  repair: (finding: ToldFinding) => void;
  /** The repair that was not made last, as long as the class is as it was then. */
  refused: Refused | null;
}

/** Carries repairs out, and says beside the finding why one was not made. */
export function useRepair({ plan, newest, edit }: Editing, checked: Checked): Repairs {
  const [refused, setRefused] = useState<(Refused & { plan: Plan }) | null>(null);
  const latest = useRef(checked);
  latest.current = checked;
  const repair = useCallback(
    (finding: ToldFinding) => {
      const [now, seen] = [newest(), latest.current];
      const state = { ...seen, plan: now, score: seen.compile(now) };
      const still = check(state).find((f) => f.key === finding.key);
      const done: Repaired = still ? repaired(state, still) : { kind: 'refused', because: [] };
      if (done.kind === 'refused') {
        const [first] = done.because;
        const why = first
          ? `Nothing was changed: this would bring up “${first.says}”. Make room for it, or change it by hand.`
          : 'Nothing was changed: there is no repair for this any more.';
        setRefused({ key: finding.key, why, plan: now });
        return;
      }
      setRefused(null);
      edit(() => done.plan);
      if (done.label !== finding.repair?.label) {
        toast.info(
          `“${finding.repair?.label}” would have raised something else. Done instead: ${done.label}.`,
        );
      }
    },
    [edit, newest],
  );
  return { repair, refused: refused?.plan === plan ? refused : null };
}

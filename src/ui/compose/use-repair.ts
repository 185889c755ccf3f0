import { useCallback, useRef, useState } from 'react';
import { toast } from 'sonner';
import { type Checked, type Finding, repaired } from '@/core/checks';
import type { Plan } from '@/core/class';
import type { Refused } from './checks-panel';
import type { Editing } from './use-history';

export interface Repairs {
  repair: (finding: Finding) => void;
  /** The repair that was not made last, as long as the class is as it was then. */
  refused: Refused | null;
}

/** Carries repairs out, and says beside the finding why one was not made. */
export function useRepair({ plan, edit }: Editing, checked: Checked): Repairs {
  const [refused, setRefused] = useState<(Refused & { plan: Plan }) | null>(null);
  const latest = useRef({ plan, checked });
  latest.current = { plan, checked };
  const repair = useCallback(
    (finding: Finding) => {
      const { plan: now, checked: seen } = latest.current;
      const done = repaired({ ...seen, plan: now, score: seen.compile(now) }, finding);
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
    [edit],
  );
  return { repair, refused: refused?.plan === plan ? refused : null };
}

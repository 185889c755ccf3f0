import { startTransition, useEffect, useState } from 'react';
import { inSlices } from '@/browser/in-slices';
import { type Checked, checking, type ToldFinding } from '@/core/checks';

/** What was found; null where nothing was looked at yet. */
export type Findings = readonly ToldFinding[] | null;

export interface Found {
  findings: Findings;
  /** It is of the class as it is, and not of what it was before the last edit. */
  upToDate: boolean;
}

/**
 * What a teacher should know of a class while it is edited; it follows an edit between the keys.
 * @param first what was found before the class was sent
 */
export function useFindings(checked: Checked, first: Findings): Found {
  const [found, setFound] = useState<{ of: Checked | null; findings: Findings }>({
    of: null,
    findings: first,
  });
  useEffect(() => {
    if (found.of === checked) return;
    return inSlices(checking(checked), (result) =>
      // What went wrong is thrown where it is drawn, so that the page says so.
      startTransition(() => setFound(() => ({ of: checked, findings: result() }))),
    );
  }, [found, checked]);
  return { findings: found.findings, upToDate: found.of === checked };
}

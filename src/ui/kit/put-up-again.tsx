'use client';

import { type ReactNode, useEffect, useState } from 'react';

/** What fails again so soon would fail for ever, in ms. */
const SOON_MS = 10_000;
let failedAt = Number.NEGATIVE_INFINITY;

/**
 * For a page by which people are led while it fails: it is put up again by itself, since nobody has a hand free for a button.
 * @param children what is shown where that did not help
 */
export function PutUpAgain({ again, children }: { again: () => void; children: ReactNode }) {
  const [tries] = useState(() => performance.now() - failedAt > SOON_MS);
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each failure.
  useEffect(() => {
    failedAt = performance.now();
    if (tries) again();
  }, []);
  return tries ? null : children;
}

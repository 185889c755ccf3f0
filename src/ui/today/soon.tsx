'use client';

import { useEffect, useState } from 'react';
import { soonWords } from './soon-words';

const EVERY_MS = 15_000;

/** How long it is until a session begins; it keeps up with the time. @param now the server's time, epoch ms */
export function Soon({ startsAt, now }: { startsAt: number; now: number }) {
  const [passed, setPassed] = useState(0);
  useEffect(() => {
    const since = performance.now();
    const timer = setInterval(() => setPassed(performance.now() - since), EVERY_MS);
    return () => clearInterval(timer);
  }, []);
  return <>{soonWords(startsAt - now - passed)}</>;
}

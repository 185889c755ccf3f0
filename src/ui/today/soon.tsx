'use client';

import { useEffect, useState } from 'react';
import { timeByPages } from '@/browser/page-time';
import { soonWords } from './soon-words';

const EVERY_MS = 15_000;

/**
 * How long it is until a session begins; it keeps up with the time, also where the device sleeps.
 * @param now when the server made the page, epoch ms
 */
export function Soon({ startsAt, now }: { startsAt: number; now: number }) {
  const [by, setBy] = useState(now);
  useEffect(() => {
    const look = () => setBy(timeByPages(now));
    look();
    const timer = setInterval(look, EVERY_MS);
    document.addEventListener('visibilitychange', look);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', look);
    };
  }, [now]);
  return <>{soonWords(startsAt - by)}</>;
}

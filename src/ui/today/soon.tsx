'use client';

import { useEffect, useState } from 'react';
import { timeByPages } from '@/browser/page-time';
import { whileSeen } from '@/browser/while-seen';
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
    return whileSeen(look, EVERY_MS);
  }, [now]);
  return <>{soonWords(startsAt - by)}</>;
}

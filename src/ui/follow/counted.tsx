'use client';

import { useEffect, useRef, useState } from 'react';
import { practised, type Refused, sendPractised } from '@/browser/follow/practised';
import { homeOf } from '@/browser/follow/settings';
import { refusedIn, wordsIn } from '@/core/follow/words';
import type { Language } from '@/core/language';

type Stands = 'waits' | 'counted' | { refused: Refused };

/** What somebody has done alone counts as practice at home, where this device has a page of theirs. */
export function Counted({ totalMs, language }: { totalMs: number; language: Language }) {
  const says = wordsIn(language).practice;
  const [stands, setStands] = useState<Stands | null>(null);
  const id = useRef<string | null>(null);
  const seconds = Math.max(1, Math.round(totalMs / 1000));
  useEffect(() => {
    id.current ??= practised(seconds);
    const send = async () => {
      const mine = id.current;
      if (!mine) return;
      const { waits, refused } = await sendPractised();
      const why = refused[mine];
      // What was refused at an earlier look is not asked about again.
      setStands((before) => {
        if (why !== undefined) return { refused: why };
        if (typeof before === 'object' && before) return before;
        return waits.includes(mine) ? 'waits' : 'counted';
      });
    };
    void send();
    window.addEventListener('online', send);
    return () => window.removeEventListener('online', send);
  }, [seconds]);
  const page = homeOf();
  if (!page || !stands) return null;
  const minutes = Math.max(1, Math.round(seconds / 60));
  return (
    <>
      <p role="status" className="text-lg">
        {typeof stands === 'object'
          ? says.refused(refusedIn(language, stands.refused))
          : says[stands](minutes)}
      </p>
      <a href={page} className="btn btn-primary upbeat-on-accent h-14">
        {says.page}
      </a>
    </>
  );
}

'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { timeByPages } from '@/browser/page-time';
import { whileSeen } from '@/browser/while-seen';

/** So old is a page looked up again when somebody comes back to it, and while it stands there to be seen, in ms. */
const OLD_MS = { cameBack: 20_000, inSight: 120_000 };
const LOOK_EVERY_MS = 10_000;

/** Whether the server is there: a page that is looked up without it would be gone. */
async function isThere(): Promise<boolean> {
  try {
    return (await fetch('/ready', { cache: 'no-store' })).ok;
  } catch {
    return false;
  }
}

/**
 * Looks a page up again before anybody relies on what it said long ago: where it stands open, where somebody comes
 * back to it, and where a device wakes.
 * @param at when the server made the page, epoch ms
 * @param time the same, as it is told where the server does not answer
 * @param says what is told then, where the page is not in English
 */
export function KeptFresh({
  at,
  time,
  says = `This is how it was at ${time}: the server does not answer. As soon as it does, this page is looked up again.`,
}: {
  at: number;
  time: string;
  says?: string;
}) {
  const router = useRouter();
  const [away, setAway] = useState(false);
  useEffect(() => {
    let gone = false;
    const look = async (cameBack: boolean) => {
      const oldMs = cameBack ? OLD_MS.cameBack : OLD_MS.inSight;
      if (timeByPages(at) - at < oldMs) return;
      const there = await isThere();
      if (gone) return;
      setAway(!there);
      if (there) router.refresh();
    };
    void look(true);
    const stop = whileSeen(look, LOOK_EVERY_MS);
    return () => {
      gone = true;
      stop();
    };
  }, [at, router]);
  return (
    <p role="status" className="bg-base-200 mb-5 rounded-lg px-4 py-3 font-medium empty:hidden">
      {away && says}
    </p>
  );
}

'use client';

import { useEffect, useState } from 'react';
import { timeOfDay } from '@/core/formats';

/** For a teacher on the road: what their own clock shows, where that is not the studio's. */
export function ZoneNote({ zone, now }: { zone: string; now: number }) {
  const [here, setHere] = useState<string | null>(null);
  useEffect(() => {
    const { timeZone } = Intl.DateTimeFormat().resolvedOptions();
    setHere(timeOfDay(now, timeZone) === timeOfDay(now, zone) ? null : timeZone);
  }, [zone, now]);
  if (!here) return null;
  return (
    <p className="quiet mb-3 text-sm">
      All times are those of the studio ({zone}). It is {timeOfDay(now, zone)} there and{' '}
      {timeOfDay(now, here)} where you are ({here}).
    </p>
  );
}

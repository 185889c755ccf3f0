'use client';

import { useEffect, useState } from 'react';
import type { Followed } from './use-follow';

const LOOK_MS = 500;

/** How well this device knows the time: for whoever wants to see why it is or is not in step. */
export function InStep({ followed }: { followed: Followed }) {
  const { clock, asked, connected, made, events } = followed;
  const [, setLooks] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setLooks((n) => n + 1), LOOK_MS);
    return () => clearInterval(timer);
  }, []);
  const { known } = clock;
  const ms = (n: number | undefined) => (n === undefined ? '?' : `${Math.round(n * 10) / 10} ms`);
  const rows = [
    ['off by at most', ms(known?.errorMs)],
    ['there and back', ms(known?.delayMs)],
    ['being set right', ms(clock.lagMs)],
    ['asked', `${asked} times`],
    ['line', connected ? 'open' : 'broken'],
    ['class', `made ${made}, event ${events.at(-1)?.seq ?? 0}`],
  ] as const;
  return (
    <dl className="grid grid-cols-[auto_1fr] gap-x-4" lang="en" data-testid="in-step">
      {rows.map(([name, value]) => (
        <div key={name} className="contents">
          <dt className="quiet">{name}</dt>
          <dd className="figures">{value}</dd>
        </div>
      ))}
    </dl>
  );
}

'use client';

import { workByArea } from '@/core/balance';
import { clock } from '@/core/formats';
import { AREA_NAMES, AREAS, type Area, type Move } from '@/core/move';
import type { Score } from '@/core/score';
import { FaceDial } from '../kit/face-dial';

/** How many minutes of work each area of the face gets. */
export function BalancePanel({
  score,
  moveOf,
}: {
  score: Score;
  moveOf: (id: string) => Move | undefined;
}) {
  const work = workByArea(score, moveOf);
  const most = Math.max(1, ...AREAS.map((area) => work[area]));
  const fill = Object.fromEntries(AREAS.map((area) => [area, work[area] / most])) as Record<
    Area,
    number
  >;
  return (
    <section aria-labelledby="balance">
      <h2 id="balance" className="text-lg font-semibold">
        Balance
      </h2>
      <p className="quiet text-sm">Work for each area, in minutes</p>
      <FaceDial
        size={230}
        fill={fill}
        className="mx-auto my-2"
        label="Work by area; the list beside it has the figures"
      />
      <dl className="grid grid-cols-[1fr_auto] gap-x-3 text-sm">
        {AREAS.map((area) => (
          <div key={area} className="contents">
            <dt className={work[area] === 0 ? 'text-error' : ''}>{AREA_NAMES[area]}</dt>
            <dd
              className={`figures text-right ${work[area] === 0 ? 'text-error font-semibold' : ''}`}
            >
              {clock(work[area])}
            </dd>
          </div>
        ))}
      </dl>
    </section>
  );
}

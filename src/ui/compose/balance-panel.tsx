'use client';

import clsx from 'clsx';
import { memo, useMemo } from 'react';
import { byRegion, workByArea } from '@/core/balance';
import { clock } from '@/core/formats';
import { AREA_NAMES, AREAS, type Area, areasIn, REGION_NAMES, REGIONS } from '@/core/move';
import type { Score } from '@/core/score';
import { MovingFace, type MovingFaceProps } from '../kit/face-dial';
import { useMoves } from '../kit/moves';
import { useMoment } from './use-moment';

export interface BalancePanelProps {
  score: Score;
  /** Areas that the selected segments work. */
  selected: ReadonlySet<Area>;
  /** What the face does meanwhile. */
  face: Pick<MovingFaceProps, 'poseNow' | 'running' | 'still'>;
  /** A whole-face class wants every area worked. */
  whole: boolean;
}

const sameWork = (a: Record<Area, number>, b: Record<Area, number>) =>
  AREAS.every((area) => a[area] === b[area]);

/** How many minutes of work each area of the face gets. */
export const BalancePanel = memo(function BalancePanel(props: BalancePanelProps) {
  const { score, selected, face, whole } = props;
  const moves = useMoves();
  const work = useMemo(() => workByArea(score, moves), [score, moves]);
  const before = useMoment(work, sameWork)?.before;
  const regions = byRegion(work);
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
      <p className="quiet text-sm">Work for each part of the face, in minutes</p>
      <MovingFace
        {...face}
        size={200}
        fill={fill}
        className="mx-auto my-2"
        label="Work by area; the list beside it has the figures"
      />
      <dl className="grid grid-cols-[1fr_auto] text-sm">
        {[...REGIONS].reverse().map((region) => {
          const areas = areasIn(region);
          return (
            <Figure
              key={region}
              name={REGION_NAMES[region]}
              ms={regions[region]}
              none={regions[region] === 0 && whole}
              changed={before !== undefined && byRegion(before)[region] !== regions[region]}
              marked={areas.some((area) => selected.has(area))}
            />
          );
        })}
      </dl>
      <details className="mt-1">
        <summary className="quiet cursor-pointer text-sm">Every area</summary>
        <dl className="grid grid-cols-[1fr_auto] text-sm">
          {AREAS.map((area) => (
            <Figure
              key={area}
              name={AREA_NAMES[area]}
              ms={work[area]}
              none={false}
              changed={before !== undefined && before[area] !== work[area]}
              marked={selected.has(area)}
            />
          ))}
        </dl>
      </details>
    </section>
  );
});

interface FigureProps {
  name: string;
  ms: number;
  /** The class wants work here and there is none. */
  none: boolean;
  changed: boolean;
  marked: boolean;
}

function Figure({ name, ms, none, changed, marked }: FigureProps) {
  return (
    <div
      className={clsx(
        'col-span-2 grid grid-cols-subgrid gap-x-3 rounded px-1',
        changed && 'just-changed',
        marked && 'bg-base-300/60 font-semibold',
      )}
    >
      <dt className={none ? 'text-error' : ''}>{name}</dt>
      <dd className={clsx('figures text-right', none && 'text-error font-semibold')}>
        {clock(ms)}
      </dd>
    </div>
  );
}

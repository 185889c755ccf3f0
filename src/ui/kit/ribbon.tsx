'use client';

import clsx from 'clsx';
import { memo } from 'react';
import { clock } from '@/core/formats';
import type { Kind } from '@/core/move';
import { type Score, type SegmentRun, type Step, segmentRuns } from '@/core/score';
import { kindColour } from './kind-glyph';
import { useMoves } from './moves';

export interface RibbonProps {
  score: Score;
  /** Ids of the selected segments. */
  selected?: readonly string[];
  /** Called with the segment clicked on, and the time clicked at in ms from the start. */
  onSelect?: (segmentId: string, atMs: number) => void;
  /** Where the class stands, in ms from its start. */
  atMs?: number;
  /** Whether the lanes of the face areas are shown under it. */
  lanes?: boolean;
}

/** Lanes under the ribbon: neighbouring areas share one, so that the labels stay readable. */
const LANES = [
  { name: 'scalp, ears', areas: ['scalp', 'temples', 'ears'] },
  { name: 'forehead', areas: ['forehead', 'brows'] },
  { name: 'eyes', areas: ['eyes'] },
  { name: 'cheeks, nose', areas: ['upperCheeks', 'lowerCheeks', 'nose'] },
  { name: 'mouth, jaw', areas: ['mouth', 'chin', 'jaw'] },
  { name: 'neck, chest', areas: ['underChin', 'frontNeck', 'sideNeck', 'shoulders', 'chest'] },
] as const;

const TICK_STEPS_MS = [30, 60, 120, 300, 600, 1200].map((s) => s * 1000);
const MOST_TICKS = { wide: 12, narrow: 6 };

/** A class as one line of time: hatched upbeat, solid work, pale release and rest. */
export const Ribbon = memo(function Ribbon({
  score,
  selected,
  onSelect,
  atMs,
  lanes = true,
}: RibbonProps) {
  const moves = useMoves();
  const lengthMs = Math.max(score.totalMs, score.slotMs);
  const percent = (ms: number) => `${(100 * ms) / lengthMs}%`;
  const every =
    TICK_STEPS_MS.find((step) => lengthMs / step <= MOST_TICKS[lanes ? 'wide' : 'narrow']) ??
    1_800_000;
  const ticks = Array.from({ length: Math.floor(lengthMs / every) + 1 }, (_, i) => i * every);
  const runs = segmentRuns(score);
  const kindOf = (step: Step): Kind => moves.get(step.moveId)?.kind ?? 'exercise';
  return (
    <div
      className={clsx(
        'grid gap-x-3 [contain:layout_paint_style]',
        lanes && 'sm:grid-cols-[5.5rem_1fr]',
      )}
    >
      {lanes && <div className="max-sm:hidden" />}
      <div className="figures quiet relative h-5 text-xs" aria-hidden>
        {ticks.map((tick) => (
          <span
            key={tick}
            className={clsx(
              'absolute',
              tick === 0
                ? ''
                : tick > lengthMs - every / 3
                  ? '-translate-x-full'
                  : '-translate-x-1/2',
              tick > 0 && (tick / every) % 2 === 1 && 'max-sm:hidden',
            )}
            style={{ left: percent(tick) }}
          >
            {clock(tick)}
          </span>
        ))}
      </div>
      {lanes && <div className="quiet self-center text-xs max-sm:hidden">the class</div>}
      <div className="bg-base-200 relative h-9 overflow-hidden rounded-lg">
        {runs.map((run) => (
          <RunBar
            key={run.steps[0].id}
            run={run}
            kind={kindOf(run.steps[0])}
            name={moves.get(run.steps[0].moveId)?.text.en?.name ?? ''}
            selected={selected?.includes(run.segmentId) ?? false}
            onSelect={onSelect}
            lengthMs={lengthMs}
          />
        ))}
        {score.totalMs > score.slotMs && (
          <div
            className="border-error absolute inset-y-0 border-l-2"
            style={{ left: percent(score.slotMs) }}
          />
        )}
        {atMs !== undefined && (
          <div
            className="bg-base-content absolute inset-y-0 w-0.5"
            style={{ left: percent(Math.min(atMs, lengthMs)) }}
          />
        )}
      </div>
      {lanes &&
        LANES.map((lane) => (
          <Lane key={lane.name} name={lane.name}>
            {score.steps.map((step) => {
              const areas = moves.get(step.moveId)?.areas ?? {};
              const weight = Math.max(0, ...lane.areas.map((area) => areas[area] ?? 0));
              if (step.kind !== 'work' || weight === 0) return null;
              return (
                <span
                  key={step.id}
                  className="bg-base-content absolute top-1/2 h-1.5 -translate-y-1/2 rounded-full"
                  style={{
                    left: percent(step.startMs),
                    width: percent(step.durationMs),
                    opacity: 0.25 + 0.6 * weight,
                  }}
                />
              );
            })}
          </Lane>
        ))}
    </div>
  );
});

function Lane({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <>
      <div className="quiet text-xs leading-4.5 max-sm:hidden">{name}</div>
      <div className="relative h-4.5 max-sm:hidden" aria-hidden>
        <span className="bg-base-300 absolute inset-x-0 top-1/2 h-px" />
        {children}
      </div>
    </>
  );
}

const HATCH =
  'repeating-linear-gradient(-45deg, transparent 0 4px, color-mix(in oklab, var(--color-base-100) 75%, transparent) 4px 6px)';

/** Hatched upbeat, solid work, pale release and rest. */
export const stepFill = (step: Pick<Step, 'kind'>, kind: Kind): string =>
  step.kind === 'upbeat' || step.kind === 'switch'
    ? `${HATCH}, ${kindColour(kind)}`
    : step.kind === 'work'
      ? kindColour(kind)
      : `color-mix(in oklab, ${kindColour(kind)} 25%, var(--color-base-200))`;

interface RunBarProps {
  run: SegmentRun;
  kind: Kind;
  name: string;
  selected: boolean;
  onSelect?: (id: string, atMs: number) => void;
  lengthMs: number;
}

function RunBar({ run, kind, name, selected, onSelect, lengthMs }: RunBarProps) {
  const percent = (ms: number) => `${(100 * ms) / lengthMs}%`;
  const steps = run.steps.map((step) => (
    <span
      key={step.id}
      className="absolute inset-y-0"
      style={{
        left: percent(step.startMs),
        width: percent(step.durationMs),
        background: stepFill(step, kind),
      }}
    />
  ));
  if (!onSelect) return <>{steps}</>;
  const words = `${name}, ${clock(run.startMs)}`;
  return (
    <>
      {steps}
      <button
        type="button"
        tabIndex={-1}
        aria-label={words}
        title={words}
        onClick={(event) => {
          const box = event.currentTarget.getBoundingClientRect();
          const share = box.width ? (event.clientX - box.left) / box.width : 0;
          onSelect(run.segmentId, run.startMs + share * (run.endMs - run.startMs));
        }}
        className={clsx(
          'absolute inset-y-0 cursor-pointer rounded-md border-r-2 border-base-100',
          selected && 'ring-base-content z-10 ring-3 ring-inset',
        )}
        style={{ left: percent(run.startMs), width: percent(run.endMs - run.startMs) }}
      />
    </>
  );
}

'use client';

import clsx from 'clsx';
import { memo } from 'react';
import { grouped } from '@/core/collections';
import { clock } from '@/core/formats';
import type { Area, Kind } from '@/core/move';
import { type Score, type SegmentRun, type Step, segmentRuns } from '@/core/score';
import { kindColour, paleColour } from './kind-glyph';
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
  const worked = score.steps.filter((step) => step.kind === 'work');
  const weightOf = (step: Step, among: readonly Area[]): number => {
    const areas = moves.get(step.moveId)?.areas ?? {};
    return Math.max(0, ...among.map((area) => areas[area] ?? 0));
  };
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
      <div className="own-colours bg-base-200 relative h-9 overflow-hidden rounded-lg">
        <Stretches lengthMs={lengthMs} className="h-full">
          {[...grouped(score.steps, (step) => plainFill(step, kindOf(step)))].map(
            ([fill, steps]) => (
              <path key={fill} d={pathOver(steps)} style={{ fill }} />
            ),
          )}
        </Stretches>
        <div
          className="absolute inset-0"
          style={{
            background: HATCH,
            clipPath: polygonOver(score.steps.filter(isHatched), lengthMs),
          }}
        />
        {onSelect &&
          runs.map((run) => (
            <RunButton
              key={run.steps[0].id}
              run={run}
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
            <Stretches lengthMs={lengthMs} className="top-1/2 h-1.5 -translate-y-1/2">
              {[...grouped(worked, (step) => weightOf(step, lane.areas))].map(
                ([weight, steps]) =>
                  weight > 0 && (
                    <path key={weight} d={pathOver(steps)} fillOpacity={0.25 + 0.6 * weight} />
                  ),
              )}
            </Stretches>
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
        <span className="own-colours bg-base-300 absolute inset-x-0 top-1/2 h-px" />
        {children}
      </div>
    </>
  );
}

/**
 * Lines aslant, as a tile of two of them that is set side by side: as one long repeating gradient some browsers draw
 * lines so thin and so many nearly all light.
 */
const HATCH =
  'linear-gradient(-45deg, transparent 0 33%, var(--light) 33% 50%, transparent 50% 83%, var(--light) 83%) 0 0 / 8px 8px';

const isHatched = ({ kind }: Pick<Step, 'kind'>): boolean => kind === 'upbeat' || kind === 'switch';

/** Solid work, pale release and rest. */
const plainFill = (step: Pick<Step, 'kind'>, kind: Kind): string =>
  isHatched(step) || step.kind === 'work' ? kindColour(kind) : paleColour(kind);

/** Hatched upbeat, solid work, pale release and rest. */
export const stepFill = (step: Pick<Step, 'kind'>, kind: Kind): string =>
  isHatched(step) ? `${HATCH}, ${plainFill(step, kind)}` : plainFill(step, kind);

/**
 * Stretches of the class, each path in ms from its start: a class of an hour has hundreds of steps, and for an element
 * each the whole line would be laid out anew with every key.
 */
function Stretches(props: { lengthMs: number; className: string; children: React.ReactNode }) {
  const { lengthMs, className, children } = props;
  return (
    <svg
      viewBox={`0 0 ${lengthMs} 1`}
      preserveAspectRatio="none"
      className={clsx('absolute inset-x-0 w-full', className)}
      fill="currentColor"
      aria-hidden
    >
      {children}
    </svg>
  );
}

const pathOver = (steps: readonly Step[]): string =>
  steps.map((s) => `M${s.startMs} 0h${s.durationMs}v1h${-s.durationMs}z`).join('');

/** The same stretches as one outline, in shares of the line: between two of them it runs along its upper edge. */
const polygonOver = (steps: readonly Step[], lengthMs: number): string => {
  const x = (ms: number) => `${((100 * ms) / lengthMs).toFixed(3)}%`;
  const corners = steps.flatMap(({ startMs, durationMs }) => {
    const [from, to] = [x(startMs), x(startMs + durationMs)];
    return [`${from} 0`, `${from} 100%`, `${to} 100%`, `${to} 0`];
  });
  return `polygon(${corners.join() || '0 0'})`;
};

interface RunButtonProps {
  run: SegmentRun;
  name: string;
  selected: boolean;
  onSelect: (id: string, atMs: number) => void;
  lengthMs: number;
}

function RunButton({ run, name, selected, onSelect, lengthMs }: RunButtonProps) {
  const percent = (ms: number) => `${(100 * ms) / lengthMs}%`;
  const words = `${name}, ${clock(run.startMs)}`;
  return (
    <button
      type="button"
      tabIndex={-1}
      aria-label={words}
      title={words}
      onClick={(event) => {
        const box = event.currentTarget.getBoundingClientRect();
        // What is pressed by a key or by a voice is pressed nowhere in particular: it begins at its beginning.
        const pointed = event.detail > 0 && box.width > 0;
        const share = pointed ? (event.clientX - box.left) / box.width : 0;
        onSelect(run.segmentId, run.startMs + share * (run.endMs - run.startMs));
      }}
      className={clsx(
        'absolute inset-y-0 cursor-pointer rounded-md border-r-2 border-base-100',
        selected && 'ring-base-content z-10 ring-3 ring-inset',
      )}
      data-chosen={selected || undefined}
      style={{ left: percent(run.startMs), width: percent(run.endMs - run.startMs) }}
    />
  );
}

'use client';

import clsx from 'clsx';
import { useRef } from 'react';
import { isMovable } from '@/core/class';
import { clock, shortSeconds } from '@/core/formats';
import type { Kind } from '@/core/move';
import { type Cue, isCount, type Step } from '@/core/score';
import { stepFill } from '../kit/ribbon';

export interface TimelineProps {
  steps: readonly Step[];
  /** Cues by the index of their step in the whole score. */
  cuesOf: (step: Step) => readonly Cue[];
  kind: Kind;
  /** Says a cue at a time of the work, in seconds from its start. */
  onPin: (ref: string, atSeconds: number) => void;
  /** What a stage is moved by, in ms. */
  stageUnitMs: number;
  /** Makes a stage of the work so long, in ms. */
  onStage: (index: number, ms: number) => void;
  onSettle: () => void;
}

const STEP_NAMES: Record<Step['kind'], string> = {
  upbeat: 'upbeat',
  work: 'work',
  switch: 'change',
  release: 'release',
  rest: 'rest',
};
const SIDE_NAMES: Partial<Record<Step['side'], string>> = {
  left: 'left',
  right: 'right',
  one: 'one way',
  other: 'other way',
};

/** A turn begins with its upbeat. */
function turnsOf(steps: readonly Step[]): Step[][] {
  const turns: Step[][] = [];
  for (const step of steps) {
    if (step.kind === 'upbeat' || turns.length === 0) turns.push([]);
    turns.at(-1)?.push(step);
  }
  return turns;
}

/**
 * Cues by keys that they keep while they are moved, and in an order that they keep: their ids tell when they come, and
 * a mark that changes its place in the page is let go.
 */
function keyed(cues: readonly Cue[]): [string, Cue][] {
  const seen = new Map<string, number>();
  return cues
    .map((cue): [string, Cue] => {
      const said = cue.ref ?? cue.kind;
      const nth = seen.get(said) ?? 0;
      seen.set(said, nth + 1);
      return [`${said} ${nth}`, cue];
    })
    .sort(([a], [b]) => (a < b ? -1 : 1));
}

const lengthOf = (steps: readonly Step[]) => steps.reduce((sum, s) => sum + s.durationMs, 0);

/** The time of one segment, a line a round: upbeat, work, changes, release and rest, with every cue. */
export function Timeline(props: TimelineProps) {
  const { steps, cuesOf, kind, stageUnitMs, onPin, onStage, onSettle } = props;
  const turns = turnsOf(steps);
  const longest = Math.max(1, ...turns.map(lengthOf));
  return (
    <ol className="grid gap-2.5" aria-label="Timeline">
      {turns.map((turn) => {
        const [first] = turn;
        if (!first) return null;
        const start = first.startMs;
        const percent = (ms: number) => `${(100 * ms) / longest}%`;
        return (
          <li key={first.id} className="grid grid-cols-[4.5rem_1fr] items-start gap-2">
            <span className="quiet text-xs leading-6">
              {first.rounds > 1 ? `round ${first.round}` : 'once'}
              <br />
              <span className="figures">{clock(start)}</span>
            </span>
            <div className="relative h-12" data-line>
              {turn.map((step) => (
                <StepBar
                  key={step.id}
                  step={step}
                  kind={kind}
                  left={percent(step.startMs - start)}
                  width={percent(step.durationMs)}
                  wide={step.durationMs / longest}
                />
              ))}
              {turn.flatMap((step) =>
                (step.stages ?? []).map((stage, i) => (
                  <StageMark
                    // biome-ignore lint/suspicious/noArrayIndexKey: the mark that is held stays the same one, wherever it goes.
                    key={`${step.id} ${i}`}
                    stage={stage}
                    first={i === 0}
                    left={percent(step.startMs - start + stage.startMs)}
                    width={percent(stage.durationMs)}
                    msPerPercent={longest / 100}
                    unitMs={stageUnitMs}
                    beforeMs={step.stages?.[i - 1]?.durationMs ?? 0}
                    onLength={(ms) => onStage(i - 1, ms)}
                    onSettle={onSettle}
                  />
                )),
              )}
              {turn.flatMap((step) =>
                keyed(cuesOf(step)).map(([key, cue]) => (
                  <CueTick
                    key={`${step.id} ${key}`}
                    cue={cue}
                    step={step}
                    left={percent(cue.startMs - start)}
                    width={percent(cue.durationMs)}
                    msPerPercent={longest / 100}
                    onPin={onPin}
                    onSettle={onSettle}
                  />
                )),
              )}
            </div>
          </li>
        );
      })}
    </ol>
  );
}

/** From this share of the line on, a step has room for its name. */
const ROOM_FOR_NAME = 0.11;

function StepBar(props: { step: Step; kind: Kind; left: string; width: string; wide: number }) {
  const { step, kind, left, width, wide } = props;
  const name =
    SIDE_NAMES[step.side] && step.kind === 'work' ? SIDE_NAMES[step.side] : STEP_NAMES[step.kind];
  const words = `${name} ${shortSeconds(step.durationMs)}`;
  const hatched = step.kind === 'upbeat' || step.kind === 'switch';
  const ink = step.kind === 'work' ? `var(--kind-${kind}-ink)` : 'var(--color-base-content)';
  return (
    <span
      title={words}
      className="own-colours border-base-100 absolute top-0 h-6 overflow-hidden rounded-md border-r-2 px-1.5 text-xs leading-6 whitespace-nowrap"
      style={{ left, width, background: stepFill(step, kind), color: ink }}
    >
      {wide > ROOM_FOR_NAME ? (
        <span className={hatched ? 'bg-base-100 rounded px-1 py-0.5' : ''}>{words}</span>
      ) : (
        <span className="sr-only">{words}</span>
      )}
    </span>
  );
}

/**
 * What a mark on a line does that is held and moved: what it stands for follows the pointer, from where it stood.
 * @param perPercent how much it is worth to move it by a hundredth of the line
 * @param onSettle is called once it is let go, or taken away by the device
 */
function useHeld(
  value: number,
  perPercent: number,
  to: (value: number) => void,
  onSettle: () => void,
) {
  const held = useRef<{ x: number; from: number; percentPx: number } | null>(null);
  return {
    onPointerDown: (e: React.PointerEvent<HTMLElement>) => {
      const line = e.currentTarget.closest('[data-line]');
      if (!line || e.button !== 0) return;
      e.currentTarget.setPointerCapture(e.pointerId);
      held.current = { x: e.clientX, from: value, percentPx: line.clientWidth / 100 };
    },
    onPointerMove: (e: React.PointerEvent) => {
      const mark = held.current;
      if (mark) to(mark.from + ((e.clientX - mark.x) / mark.percentPx) * perPercent);
    },
    onLostPointerCapture: () => {
      held.current = null;
      onSettle();
    },
  };
}

interface StageMarkProps {
  stage: NonNullable<Step['stages']>[number];
  first: boolean;
  left: string;
  width: string;
  msPerPercent: number;
  /** What a stage is moved by: a beat or a breath of the dose, in ms. */
  unitMs: number;
  /** Length of the stage before, in ms. */
  beforeMs: number;
  /** Makes the stage before so long, in ms. */
  onLength: (ms: number) => void;
  onSettle: () => void;
}

/** A stage on the bar of the work: its words, and where it begins, which can be moved. */
function StageMark(props: StageMarkProps) {
  const { stage, first, left, width, msPerPercent, unitMs, beforeMs, onLength, onSettle } = props;
  const to = (ms: number) => onLength(Math.max(unitMs, ms));
  const held = useHeld(beforeMs, msPerPercent, to, onSettle);
  return (
    <span className="absolute top-0 h-6" style={{ left, width }}>
      <span
        title={stage.words}
        className="bg-base-100 text-base-content absolute inset-x-1.5 top-0.5 truncate rounded px-1 text-xs leading-5"
      >
        {stage.words}
      </span>
      {!first && (
        <button
          type="button"
          role="slider"
          aria-label={`Where “${stage.words}” begins`}
          aria-valuemin={1}
          aria-valuenow={Math.round(beforeMs / 1000)}
          aria-valuetext={`after ${shortSeconds(beforeMs)} of the stage before`}
          title="Drag it, or use the arrow keys."
          className="own-colours bg-base-content absolute top-0 -left-0.5 h-6 w-1 cursor-ew-resize touch-none rounded before:absolute before:-inset-x-2 before:inset-y-0"
          onKeyDown={(e) => {
            const by = { ArrowLeft: -1, ArrowRight: 1, PageDown: -5, PageUp: 5 }[e.key];
            if (by === undefined) return;
            e.preventDefault();
            e.stopPropagation();
            to(beforeMs + by * unitMs);
            onSettle();
          }}
          {...held}
        />
      )}
    </span>
  );
}

interface CueTickProps {
  cue: Cue;
  step: Step;
  left: string;
  width: string;
  msPerPercent: number;
  onPin: (ref: string, atSeconds: number) => void;
  onSettle: () => void;
}

/** A cue under the bar, as long as it is spoken. Reminders and explanations can be moved along the work. */
function CueTick({ cue, step, left, width, msPerPercent, onPin, onSettle }: CueTickProps) {
  const movable = cue.ref !== undefined && isMovable(cue.ref) && step.kind === 'work';
  const seconds = cue.offsetMs / 1000;
  const to = (at: number) => {
    const most = (step.durationMs - cue.durationMs) / 1000;
    if (cue.ref) onPin(cue.ref, Math.max(0, Math.min(most, at)));
  };
  const held = useHeld(seconds, msPerPercent / 1000, to, onSettle);
  const look = 'own-colours absolute top-7.5 h-2.5 min-w-1 rounded-full';
  const title = `${clock(cue.startMs)} “${cue.text}”`;
  if (!movable) {
    const still = clsx(look, 'bg-base-content', isCount(cue) ? 'opacity-35' : 'opacity-75');
    return <span title={title} className={still} style={{ left, width }} />;
  }
  return (
    <button
      type="button"
      role="slider"
      aria-label={`When to say “${cue.text}”`}
      aria-valuemin={0}
      aria-valuemax={Math.round(step.durationMs / 1000)}
      aria-valuenow={Math.round(seconds)}
      aria-valuetext={`${shortSeconds(cue.offsetMs)} into the work`}
      title={`${title}. Drag it, or use the arrow keys.`}
      className={clsx(look, 'touch-none cursor-ew-resize before:absolute before:-inset-2')}
      style={{ left, width, background: 'var(--color-accent)' }}
      onKeyDown={(e) => {
        const by = { ArrowLeft: -1, ArrowRight: 1, PageDown: -5, PageUp: 5 }[e.key];
        if (by === undefined) return;
        e.preventDefault();
        e.stopPropagation();
        to(seconds + by);
        onSettle();
      }}
      {...held}
    />
  );
}

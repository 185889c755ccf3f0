import { EVEN, type Side } from '../score';
import {
  isPause,
  type Playback,
  type PlayStep,
  playLengthMs,
  roundOf,
  turnOf,
  untold,
} from './playback';

/** Bends that change how long something lasts. Both sides of a round stay equal. */

const sameRound = (a: PlayStep, b: PlayStep): boolean => roundOf(a) === roundOf(b);

const OTHER: Partial<Record<Side, Side>> = {
  left: 'right',
  right: 'left',
  one: 'other',
  other: 'one',
};
const SECOND_MS = 1000;
const EVENED: readonly string[] = EVEN;

/** Work of one round by side, in ms, of the sides that are done one after the other. */
function workBySide(queue: readonly PlayStep[], of: PlayStep): Map<Side, number> {
  const work = new Map<Side, number>();
  for (const p of queue) {
    const { kind, side } = p.step;
    if (kind !== 'work' || !sameRound(p, of) || OTHER[side] === undefined) continue;
    work.set(side, (work.get(side) ?? 0) + playLengthMs(p));
  }
  return work;
}

/**
 * Makes both sides of a round equal again: the side that has less gets the rest where it is still to
 * come, or once more after the round where it is over.
 */
function level(
  queue: readonly PlayStep[],
  index: number,
  of: PlayStep,
  state: Playback,
): PlayStep[] {
  // Where one side has more on purpose, only the teacher knows what the other shall have.
  if (of.step.uneven) return [...queue];
  let levelled = [...queue];
  const work = workBySide(queue, of);
  const most = Math.max(0, ...work.values());
  for (const [side, ms] of work) {
    const missing = most - ms;
    if (missing <= 0) continue;
    const isPart = (p: PlayStep) =>
      p.step.kind === 'work' && p.step.side === side && sameRound(p, of);
    const ahead = levelled.findLastIndex((p, i) => i >= index && isPart(p));
    if (ahead >= 0) {
      levelled = levelled.map((p, i) => (i === ahead ? { ...p, extraMs: p.extraMs + missing } : p));
      continue;
    }
    const model = levelled.find(isPart);
    if (model) levelled = onceMore(levelled, { model, side, ms: missing, spares: state.spares });
  }
  return levelled;
}

/** Puts in a change to a side and more of its work, after the last work of the round. */
function onceMore(
  queue: readonly PlayStep[],
  more: { model: PlayStep; side: Side; ms: number; spares: Playback['spares'] },
): PlayStep[] {
  const { model, side, ms, spares } = more;
  const after = queue.findLastIndex((p) => p.step.kind === 'work' && sameRound(p, model));
  const spare = EVENED.includes(side) ? spares.get(side as (typeof EVEN)[number]) : undefined;
  const turn = turnOf(queue[after] ?? model);
  const nth = queue.filter((p) => p.put === 'even' && sameRound(p, model)).length;
  const { beatMs: _beat, breath: _breath, unitMs: _unit, leastMs: _least, ...step } = model.step;
  const change: PlayStep[] = spare
    ? [
        {
          key: `${turn}.even.${nth}.switch`,
          step: { ...step, kind: 'switch', durationMs: spare.durationMs, side },
          planned: spare.planned,
          extraMs: 0,
          leastMs: spare.durationMs,
          put: 'even',
        },
      ]
    : [];
  const work: PlayStep = {
    key: `${turn}.even.${nth}.work`,
    step: { ...model.step, durationMs: ms },
    planned: UNSPOKEN,
    extraMs: 0,
    leastMs: ms,
    put: 'even',
  };
  return [...queue.slice(0, after + 1), ...change, work, ...queue.slice(after + 1)];
}

/** The group of cues of a step in which nothing is said. */
const UNSPOKEN = -1;

/** What "longer" is about: in an upbeat or a switch the work to come, else the step that is played. */
function growingAt({ queue, index }: Playback): number {
  const kind = queue[index]?.step.kind;
  return kind === 'upbeat' || kind === 'switch'
    ? queue.findIndex((p, i) => i > index && p.step.kind === 'work')
    : index;
}

/** The step that becomes longer where something is to. */
export const growing = (state: Playback): PlayStep | undefined => state.queue[growingAt(state)];

/**
 * How much longer a step is made that is to last so much longer, in ms: by whole breaths, reps or counts of its work,
 * at least one, so that nobody is left in the middle of one.
 */
export function inWholeUnits({ step }: PlayStep, ms: number): number {
  const unitMs = step.kind === 'work' ? step.unitMs : undefined;
  return unitMs ? Math.round(Math.max(1, Math.round(ms / unitMs)) * unitMs) : ms;
}

/** Some counts more of a step, in whole pairs where the sides take turns; one breath where it is breathed. */
export function moreOf(
  { step }: PlayStep,
  counts: number,
): { of: 'breath' | 'counts'; n: number; ms: number } {
  const { breath, kind, side } = step;
  const paired = side === 'alternating' ? 2 : 1;
  const unitMs = (kind === 'work' ? step.unitMs : undefined) ?? paired * SECOND_MS;
  if (kind === 'work' && breath) return { of: 'breath', n: 1, ms: Math.round(unitMs) };
  const units = Math.ceil(counts / paired);
  return { of: 'counts', n: units * paired, ms: Math.round(units * unitMs) };
}

/**
 * Makes the step longer. In an upbeat or a switch it is the work to come that grows. Both sides of a
 * round stay equal: the other side grows along, or comes once more where it is over.
 */
export function extend(state: Playback, ms: number): Playback {
  const target = growingAt(state);
  const grown = state.queue[target];
  if (!grown) return state;
  const longer = state.queue.map((p, i) => (i === target ? { ...p, extraMs: p.extraMs + ms } : p));
  const works = grown.step.kind === 'work';
  const queue = works ? untold(level(longer, state.index, grown, state), [grown]) : longer;
  return {
    ...state,
    queue,
    ...(state.status === 'over' ? { status: 'running', endedAt: null } : {}),
  };
}

/** The release or rest that is running or comes next grows or shrinks, as far as its let-go allows. */
export function changeRest(state: Playback, ms: number): Playback {
  const target = state.queue.findIndex((p, i) => i >= state.index && isPause(p));
  const pause = state.queue[target];
  if (!pause || state.status === 'over') return state;
  const least = Math.max(pause.leastMs, target === state.index ? state.elapsedMs : 0);
  const length = Math.max(Math.min(least, playLengthMs(pause)), playLengthMs(pause) + ms);
  const extraMs = length - pause.step.durationMs;
  if (extraMs === pause.extraMs) return state;
  const queue = state.queue.map((p, i) => (i === target ? { ...p, extraMs } : p));
  return { ...state, queue };
}

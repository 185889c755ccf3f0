import {
  beyond,
  CUE_GAP_MS,
  type Cue,
  type Score,
  type SpareName,
  type Step,
  turnOfStep,
} from '../score';
import type { RunEventType } from './events';

/** A step as this run plays it: the planned one, perhaps longer or shorter, perhaps in an added round. */
export interface PlayStep {
  /** Unique within the run, also where a round was added. */
  key: string;
  step: Step;
  /** Index of the planned step, for its cues; those of the easier score follow those of the score. */
  planned: number;
  /** Below nought where the step was made shorter. */
  extraMs: number;
  /** How short it may become: the floor of its dose, or as long as what is said in it. */
  leastMs: number;
  /** It was swapped to the easier version in the middle of the move. */
  swapped?: true;
  /** Of a step in which the work is let go: how long the words for it take, in ms. */
  letGoMs?: number;
  /** Index of the group of cues that go on where it is longer than planned. */
  beyond?: number;
  /** The upbeat of a round that a bend added. */
  spare?: true;
  /** A bend has changed how much comes: what is said of that before it is not true any more. */
  untold?: true;
  /** A bend put it in: more of a side that had less, or the let-go of a move that was left. */
  put?: 'even' | 'letGo';
}

/** An upbeat or a change of side that a bend may put in. */
export interface SpareStep {
  planned: number;
  durationMs: number;
}

/**
 * `over` means the last step has run out but the class is not closed; the teacher may still go
 * back. `finished` is final.
 */
export type RunStatus = 'ready' | 'running' | 'paused' | 'over' | 'finished';

/** A bend that can still be taken back, and how things stood before it. */
export interface Undoable {
  id: string;
  type: RunEventType;
  at: number;
  before: Playback;
}

/** Everything a run is at one instant. Nothing else holds the time. */
export interface Playback {
  status: RunStatus;
  queue: readonly PlayStep[];
  index: number;
  /** Time into the current step. */
  elapsedMs: number;
  /** The instant this state describes, epoch ms; 0 before the start. */
  at: number;
  startedAt: number | null;
  pausedAt: number | null;
  /** When the last step ran out or the class was finished. */
  endedAt: number | null;
  /** The same steps in the easier version, where there is one. */
  easier: readonly PlayStep[];
  spares: ReadonlyMap<SpareName, SpareStep>;
  /** The turn that was worked last, if only for a moment; it is let go when the class leaves it. */
  worked: string | null;
  /** The bend made last, while it can be taken back. */
  last: Undoable | null;
}

export const playLengthMs = (p: PlayStep): number => p.step.durationMs + p.extraMs;

/** No shorter release than that is of any use. */
const LEAST_RELEASE_MS = 3000;

/** The steps of a score as they would be played undisturbed. */
function playSteps(score: Score, from = 0): PlayStep[] {
  const saidMs = score.steps.map(() => 0);
  const letGoMs = new Map<number, number>();
  for (const cue of score.cues) {
    if (cue.kind === 'letGo') letGoMs.set(cue.step, cue.offsetMs + cue.durationMs + CUE_GAP_MS);
    saidMs[cue.step] = Math.max(saidMs[cue.step] ?? 0, cue.offsetMs + cue.durationMs);
  }
  return score.steps.map((step, i) => {
    const { kind, durationMs } = step;
    const said = saidMs[i] ?? 0;
    const before = score.steps[i - 1];
    const spill = before ? (saidMs[i - 1] ?? 0) - before.durationMs : 0;
    const least = {
      upbeat: durationMs,
      switch: durationMs,
      work: step.leastMs ?? durationMs,
      release: Math.max(LEAST_RELEASE_MS, said),
      rest: Math.max(spill, said),
    }[kind];
    const leastMs = Math.max(0, Math.min(durationMs, least));
    const goMs = letGoMs.get(i);
    return {
      key: step.id,
      step,
      planned: from + i,
      extraMs: 0,
      leastMs,
      ...(goMs !== undefined && { letGoMs: goMs }),
    };
  });
}

/** Every spare of a run by its name; where both scores have one of a name, that of the class. */
function sparesOf(score: Score, easier?: Score | null): Map<SpareName, SpareStep> {
  const from = score.steps.length + (easier?.steps.length ?? 0);
  const all = [...(score.spares ?? []), ...(easier?.spares ?? [])];
  const named = all.map(
    ({ name, durationMs }, i) => [name, { planned: from + i, durationMs }] as const,
  );
  return new Map(named.reverse());
}

/** @param easier the same class compiled with the easier version of every move that has one */
export function ready(score: Score, easier?: Score | null): Playback {
  const spares = sparesOf(score, easier);
  const countedOn = (p: PlayStep): PlayStep => {
    const { countsOn } = p.step;
    const more = countsOn === undefined ? undefined : spares.get(beyond(countsOn));
    return more ? { ...p, beyond: more.planned } : p;
  };
  return {
    status: 'ready',
    queue: playSteps(score).map(countedOn),
    easier: easier ? playSteps(easier, score.steps.length).map(countedOn) : [],
    spares,
    worked: null,
    last: null,
    index: 0,
    elapsedMs: 0,
    at: 0,
    startedAt: null,
    pausedAt: null,
    endedAt: null,
  };
}

/** A stretch of time in one step. */
export interface Pass {
  part: PlayStep;
  ms: number;
}

/**
 * Lets time pass up to an instant. Going back in time changes nothing.
 * @param passes is told what was played on the way
 */
export function advance(state: Playback, to: number, passes?: (pass: Pass) => void): Playback {
  if (to <= state.at) return state;
  if (state.status !== 'running') return { ...state, at: to };
  let { index, worked } = state;
  let toPlayMs = to - state.at;
  let from = state.elapsedMs;
  for (;;) {
    const current = state.queue[index];
    if (!current) break;
    const rest = Math.max(0, playLengthMs(current) - from);
    if (current.step.kind === 'work' && Math.min(toPlayMs, rest) > 0) worked = turnOf(current);
    if (toPlayMs < rest) {
      passes?.({ part: current, ms: toPlayMs });
      break;
    }
    passes?.({ part: current, ms: rest });
    toPlayMs -= rest;
    if (index === state.queue.length - 1) {
      const elapsedMs = from + rest;
      const endedAt = to - toPlayMs;
      return { ...state, status: 'over', index, elapsedMs, at: to, worked, endedAt };
    }
    from = 0;
    index++;
  }
  return { ...state, index, elapsedMs: from + toPlayMs, at: to, worked };
}

/** A class bent over and over still ends: most rounds of one segment, planned and added. */
export const MOST_ROUNDS = 20;

/** The turn a part belongs to: one round of one segment, and in an order by side one side of it. */
export const turnOf = ({ key }: PlayStep): string => turnOfStep(key);

/** One round of one segment, wherever in the class its sides come. */
export const roundOf = ({ step }: PlayStep): string => `${step.segmentId}.${step.round}`;

/**
 * How much comes is not said any more where a bend has changed it: before the rounds that it changed, and before the
 * first round of their segments, which tells of all of them.
 * @param changed parts of those rounds
 */
export function untold(
  queue: readonly PlayStep[],
  changed: readonly PlayStep[],
): readonly PlayStep[] {
  const rounds = new Set(changed.map(roundOf));
  const segments = new Set(changed.map((p) => p.step.segmentId));
  return queue.map((p) => {
    const { kind, round, segmentId } = p.step;
    const leads = (kind === 'upbeat' || kind === 'switch') && !p.put;
    const tells = rounds.has(roundOf(p)) || (round === 1 && segments.has(segmentId));
    return leads && tells ? { ...p, untold: true } : p;
  });
}

/** Whether a cue is true of a step as it is played. */
export const isTrue = (p: PlayStep, { kind }: Cue): boolean => !(p.untold && kind === 'dose');

export const isPause = (p: PlayStep): boolean =>
  p.step.kind === 'release' || p.step.kind === 'rest';

/** When a class that is closed now came to its end: a pause before the closing is not part of it. */
export const endOf = (state: Playback): number => state.endedAt ?? state.pausedAt ?? state.at;

/** How far from its hour a class is still taken to be led for it, in ms. */
const SAME_MEETING_MS = 30 * 60_000;

/** The score as it is played: with the lengths and rounds it has come to have, in the run's order. */
export function playedScore(score: Score, queue: readonly PlayStep[]): Score {
  let startMs = 0;
  const steps = queue.map((p): Step => {
    const durationMs = playLengthMs(p);
    const step = { ...p.step, id: p.key, startMs, durationMs };
    startMs += durationMs;
    return step;
  });
  return { ...score, steps, totalMs: startMs };
}

/**
 * When the slot of a session ends, epoch ms. It is counted from the hour on the calendar, or from the
 * start where the class was led at another time altogether.
 */
export function slotEnd(startsAt: number, startedAt: number, slotMs: number): number {
  return (Math.abs(startedAt - startsAt) <= SAME_MEETING_MS ? startsAt : startedAt) + slotMs;
}

/** Time left to the end of the class, in ms, were nothing changed any more. */
export function remainingMs(state: Playback): number {
  let ms = -state.elapsedMs;
  for (let i = state.index; i < state.queue.length; i++) {
    const p = state.queue[i];
    if (p) ms += playLengthMs(p);
  }
  return state.status === 'finished' ? 0 : Math.max(0, ms);
}

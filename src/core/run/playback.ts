import type { Cue, Score, Step } from '../score';
import type { RunEventDraft } from './events';

/** A step as this run plays it: the planned one, perhaps longer, perhaps in an added round. */
export interface PlayStep {
  /** Unique within the run, also where a round was added. */
  key: string;
  step: Step;
  /** Index of the planned step, for its cues. */
  planned: number;
  extraMs: number;
}

/**
 * `over` means the last step has run out but the class is not closed; the teacher may still go
 * back. `finished` is final.
 */
export type RunStatus = 'ready' | 'running' | 'paused' | 'over' | 'finished';

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
}

export const playLengthMs = (p: PlayStep): number => p.step.durationMs + p.extraMs;

export function ready(score: Score): Playback {
  return {
    status: 'ready',
    queue: score.steps.map((step, planned) => ({ key: step.id, step, planned, extraMs: 0 })),
    index: 0,
    elapsedMs: 0,
    at: 0,
    startedAt: null,
    pausedAt: null,
    endedAt: null,
  };
}

/** Lets time pass up to an instant. Going back in time changes nothing. */
export function advance(state: Playback, to: number): Playback {
  if (to <= state.at) return state;
  if (state.status !== 'running') return { ...state, at: to };
  let { index } = state;
  let elapsedMs = state.elapsedMs + (to - state.at);
  for (;;) {
    const current = state.queue[index];
    if (!current) break;
    const length = playLengthMs(current);
    if (elapsedMs < length) break;
    if (index === state.queue.length - 1) {
      const endedAt = to - (elapsedMs - length);
      return { ...state, status: 'over', index, elapsedMs: length, at: to, endedAt };
    }
    elapsedMs -= length;
    index++;
  }
  return { ...state, index, elapsedMs, at: to };
}

const goTo = (state: Playback, index: number): Playback => ({
  ...state,
  index,
  elapsedMs: 0,
  status: state.status === 'over' ? 'running' : state.status,
  endedAt: null,
});

/** Index of the upbeat that leads into the step at an index. */
function upbeatBefore(state: Playback, index: number): number {
  for (let i = index; i >= 0; i--) if (state.queue[i]?.step.kind === 'upbeat') return i;
  return 0;
}

/** How far into an upbeat "again" still means the one before, in ms. */
const FRESH_UPBEAT_MS = 1500;

function again(state: Playback): Playback {
  const own = upbeatBefore(state, state.index);
  const fresh = own === state.index && state.elapsedMs < FRESH_UPBEAT_MS && own > 0;
  return goTo(state, fresh ? upbeatBefore(state, own - 1) : own);
}

function next(state: Playback): Playback {
  if (state.status === 'over') return state;
  if (state.index < state.queue.length - 1) return goTo(state, state.index + 1);
  const last = state.queue[state.index];
  return { ...state, status: 'over', elapsedMs: last ? playLengthMs(last) : 0, endedAt: state.at };
}

/** The other side of the same round, wherever in the class it comes. */
const isOtherSide = (a: PlayStep, b: PlayStep) =>
  a.step.kind === 'work' &&
  b.step.kind === 'work' &&
  a.step.segmentId === b.step.segmentId &&
  a.step.round === b.step.round &&
  a.step.side !== b.step.side;

/**
 * Makes the step longer. In an upbeat or a switch it is the work to come that grows. A first side
 * that grows takes its other side along, so that both sides stay equal.
 */
function extend(state: Playback, ms: number): Playback {
  const current = state.queue[state.index];
  if (!current) return state;
  const { kind } = current.step;
  const target =
    kind === 'upbeat' || kind === 'switch'
      ? state.queue.findIndex((p, i) => i > state.index && p.step.kind === 'work')
      : state.index;
  const grown = state.queue[target];
  if (!grown) return state;
  const queue = state.queue.map((p, i) =>
    i === target || (i > target && isOtherSide(p, grown)) ? { ...p, extraMs: p.extraMs + ms } : p,
  );
  return {
    ...state,
    queue,
    ...(state.status === 'over' ? { status: 'running', endedAt: null } : {}),
  };
}

/** Plays the segment's last round once more, after it. */
function addRound(state: Playback): Playback {
  const current = state.queue[state.index];
  if (!current) return state;
  const ofSegment = state.queue.filter((p) => p.step.segmentId === current.step.segmentId);
  const lastRound = Math.max(...ofSegment.map((p) => p.step.round));
  const model = ofSegment.filter((p) => p.step.round === lastRound);
  const after = state.queue.findLastIndex((p) => model.includes(p));
  const added = model.map((p) => ({
    ...p,
    key: `${p.step.segmentId}.${lastRound + 1}.${p.key.split('.').slice(2).join('.')}`,
    extraMs: 0,
    step: { ...p.step, round: lastRound + 1 },
  }));
  const queue = [...state.queue.slice(0, after + 1), ...added, ...state.queue.slice(after + 1)].map(
    (p) =>
      p.step.segmentId === current.step.segmentId
        ? { ...p, step: { ...p.step, rounds: lastRound + 1 } }
        : p,
  );
  return state.status === 'over' ? goTo({ ...state, queue }, state.index + 1) : { ...state, queue };
}

/** When a class that is closed now came to its end: a pause before the closing is not part of it. */
export const endOf = (state: Playback): number => state.endedAt ?? state.pausedAt ?? state.at;

/** Applies one event. An event that makes no sense in the state it meets changes nothing but the clock. */
export function apply(before: Playback, event: RunEventDraft): Playback {
  const state = advance(before, event.at);
  if (state.status === 'finished') return state;
  if (event.type === 'started') {
    if (state.status !== 'ready') return state;
    const begun: Playback = { ...state, status: 'running', at: event.at, startedAt: event.at };
    return begun.queue.length ? begun : { ...begun, status: 'over', endedAt: event.at };
  }
  if (state.status === 'ready') return state;
  switch (event.type) {
    case 'paused':
      return state.status === 'running'
        ? { ...state, status: 'paused', pausedAt: state.at }
        : state;
    case 'resumed':
      return state.status === 'paused' ? { ...state, status: 'running', pausedAt: null } : state;
    case 'extended':
      return extend(state, event.ms);
    case 'roundAdded':
      return addRound(state);
    case 'again':
      return again(state);
    case 'next':
      return next(state);
    case 'jumped': {
      const index = state.queue.findIndex((p) => p.key === event.stepId);
      return index < 0 ? state : goTo(state, index);
    }
    case 'finished':
      return { ...state, status: 'finished', endedAt: endOf(state) };
  }
}

export function replay(state: Playback, events: readonly RunEventDraft[]): Playback {
  return events.reduce(apply, state);
}

/**
 * Where a run is: the score, what has happened, and the time are all there is to it.
 * @param now epoch ms on the server's clock
 */
export function position(score: Score, events: readonly RunEventDraft[], now: number): Playback {
  return advance(replay(ready(score), events), now);
}

/** Time left to the end of the class, in ms, were nothing changed any more. */
export function remainingMs(state: Playback): number {
  let left = -state.elapsedMs;
  for (let i = state.index; i < state.queue.length; i++) {
    const p = state.queue[i];
    if (p) left += playLengthMs(p);
  }
  return state.status === 'finished' ? 0 : Math.max(0, left);
}

export interface DueCue {
  /** Unique within the run for this pass through the step. */
  key: string;
  cue: Cue;
  /** Epoch ms at which it starts, if the class runs on undisturbed. */
  at: number;
}

const cueOffset = (cue: Cue, p: PlayStep): number => cue.offsetMs + (cue.fromEnd ? p.extraMs : 0);

/** Groups a score's cues by the step they stand in. */
export function cuesByStep(score: Score): Cue[][] {
  const groups: Cue[][] = score.steps.map(() => []);
  for (const cue of score.cues) groups[cue.step]?.push(cue);
  return groups;
}

/** The cues that start from the state's instant on, within a horizon in ms, in order. */
export function cuesAhead(
  state: Playback,
  groups: readonly (readonly Cue[])[],
  horizonMs: number,
): DueCue[] {
  const due: DueCue[] = [];
  let stepAt = state.at - state.elapsedMs;
  for (let i = state.index; i < state.queue.length; i++) {
    const p = state.queue[i];
    if (!p || stepAt > state.at + horizonMs) break;
    for (const cue of groups[p.planned] ?? []) {
      const at = stepAt + cueOffset(cue, p);
      if (at >= state.at && at <= state.at + horizonMs)
        due.push({ key: `${p.key}#${cue.id}`, cue, at });
    }
    stepAt += playLengthMs(p);
  }
  return due.sort((a, b) => a.at - b.at);
}

export interface DueBeat {
  key: string;
  /** Epoch ms. */
  at: number;
}

/** The beats that are marked by a tone, from the state's instant on, within a horizon in ms. */
export function beatsAhead(state: Playback, horizonMs: number): DueBeat[] {
  const due: DueBeat[] = [];
  let stepAt = state.at - state.elapsedMs;
  for (let i = state.index; i < state.queue.length; i++) {
    const p = state.queue[i];
    if (!p || stepAt > state.at + horizonMs) break;
    const { beatMs } = p.step;
    for (let n = 0; beatMs && n * beatMs < playLengthMs(p); n++) {
      const at = Math.round(stepAt + n * beatMs);
      if (at >= state.at && at <= state.at + horizonMs) due.push({ key: `${p.key}~${n}`, at });
    }
    stepAt += playLengthMs(p);
  }
  return due;
}

/** The cue of the current step that was started last, if one was. */
export function currentCue(
  state: Playback,
  groups: readonly (readonly Cue[])[],
  of: (cue: Cue) => boolean = () => true,
): Cue | undefined {
  const p = state.queue[state.index];
  if (!p) return undefined;
  return groups[p.planned]?.findLast((cue) => of(cue) && cueOffset(cue, p) <= state.elapsedMs);
}

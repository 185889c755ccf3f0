import type { Cue, Score, Step } from '../score';
import { isRoomEvent, type RunEventDraft, type RunEventType, UNDO_MS } from './events';

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
  /** The bend made last, while it can be taken back. */
  last: Undoable | null;
}

export const playLengthMs = (p: PlayStep): number => p.step.durationMs + p.extraMs;

/** How far from its hour a class is still taken to be led for it, in ms. */
const SAME_MEETING_MS = 30 * 60_000;

/** No shorter release than that is of any use. */
const LEAST_RELEASE_MS = 3000;

/** The steps of a score as they would be played undisturbed. */
function playSteps(score: Score, from = 0): PlayStep[] {
  const saidMs = score.steps.map(() => 0);
  for (const cue of score.cues) {
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
    return { key: step.id, step, planned: from + i, extraMs: 0, leastMs };
  });
}

/** @param easier the same class compiled with the easier version of every move that has one */
export function ready(score: Score, easier?: Score | null): Playback {
  return {
    status: 'ready',
    queue: playSteps(score),
    easier: easier ? playSteps(easier, score.steps.length) : [],
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
  let { index } = state;
  let left = to - state.at;
  let from = state.elapsedMs;
  for (;;) {
    const current = state.queue[index];
    if (!current) break;
    const rest = Math.max(0, playLengthMs(current) - from);
    if (left < rest) {
      passes?.({ part: current, ms: left });
      break;
    }
    passes?.({ part: current, ms: rest });
    left -= rest;
    if (index === state.queue.length - 1) {
      const elapsedMs = from + rest;
      return { ...state, status: 'over', index, elapsedMs, at: to, endedAt: to - left };
    }
    from = 0;
    index++;
  }
  return { ...state, index, elapsedMs: from + left, at: to };
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

/** How far into a step "again" or "back" still means the one before, in ms. */
const FRESH_MS = 1500;

function again(state: Playback): Playback {
  const own = upbeatBefore(state, state.index);
  const fresh = own === state.index && state.elapsedMs < FRESH_MS && own > 0;
  return goTo(state, fresh ? upbeatBefore(state, own - 1) : own);
}

/** To the start of the step, or of the one before when pressed at once. */
function back(state: Playback): Playback {
  const fresh = state.elapsedMs < FRESH_MS && state.index > 0;
  return goTo(state, fresh ? state.index - 1 : state.index);
}

/** On to the first step of the next block, or to the end of the class. */
function skip(state: Playback): Playback {
  const block = state.queue[state.index]?.step.blockId;
  const target = state.queue.findIndex((p, i) => i > state.index && p.step.blockId !== block);
  if (target >= 0) return goTo(state, target);
  return next({ ...state, index: state.queue.length - 1 });
}

/** Straight to the close of the class, or to its questions where it has no other close. */
function close(state: Playback): Playback {
  if (state.queue[state.index]?.step.phase === 'close') return state;
  const target = state.queue.findIndex((p, i) => i > state.index && p.step.phase === 'close');
  return target < 0 ? state : goTo(state, target);
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

export const isPause = (p: PlayStep): boolean =>
  p.step.kind === 'release' || p.step.kind === 'rest';

/** The release or rest that is running or comes next grows or shrinks, as far as its let-go allows. */
function changeRest(state: Playback, ms: number): Playback {
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

/** Where the way into the work begins that is running or is being led up to. */
function leadIn(state: Playback): number {
  const kind = state.queue[state.index]?.step.kind;
  if (kind === 'release' || kind === 'rest') return -1;
  for (let i = state.index; i >= 0; i--) {
    const at = state.queue[i]?.step.kind;
    if (at === 'upbeat' || at === 'switch') return i;
  }
  return 0;
}

/**
 * Swaps what is left of the move in work to its easier version and leads into it again. In a release
 * or rest it is the move to come that is swapped.
 */
function ease(state: Playback): Playback {
  if (state.status === 'over') return state;
  const lead = leadIn(state);
  const from = lead < 0 ? state.queue.findIndex((p, i) => i > state.index && !isPause(p)) : lead;
  const segment = state.queue[from]?.step.segmentId;
  const easier = state.easier.filter((p) => p.step.segmentId === segment);
  const work = easier.find((p) => p.step.kind === 'work');
  const now = state.queue.find(
    (p, i) => i >= from && p.step.segmentId === segment && p.step.kind === 'work',
  );
  if (!work || !now || work.step.variant === now.step.variant) return state;
  const byId = new Map(easier.map((p) => [p.step.id, p]));
  const explained = easier.find((p) => p.step.kind === 'upbeat');
  const queue = state.queue.map((p, i): PlayStep => {
    if (i < from || p.step.segmentId !== segment) return p;
    const first = i === from && p.step.kind === 'upbeat';
    const swapped = (first ? explained : undefined) ?? byId.get(p.step.id);
    if (!swapped) return p;
    const { round, rounds, side } = p.step;
    const step = { ...swapped.step, round, rounds, side };
    return { ...swapped, key: `${p.key}~easier`, step, swapped: true };
  });
  return lead < 0 ? { ...state, queue } : goTo({ ...state, queue }, from);
}

/** Takes away what a catch-up has worked out; never from what has begun, never below a floor. */
function trim(
  state: Playback,
  cuts: readonly { key: string; ms: number }[],
  dropped: readonly string[],
): Playback {
  const cutBy = new Map(cuts.map((cut) => [cut.key, cut.ms]));
  const gone = new Set(dropped);
  const queue = state.queue.flatMap((p, i) => {
    if (i <= state.index) return [p];
    if (gone.has(p.key)) return [];
    const ms = cutBy.get(p.key);
    if (!ms) return [p];
    const length = Math.max(Math.min(p.leastMs, playLengthMs(p)), playLengthMs(p) - ms);
    return [{ ...p, extraMs: length - p.step.durationMs }];
  });
  return { ...state, queue };
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

/** Bends that change where the class is; taken back, they give the time since back as well. */
const MOVES: readonly RunEventType[] = [
  'paused',
  'resumed',
  'again',
  'back',
  'next',
  'skipped',
  'eased',
  'jumped',
  'closing',
];

/** The bend that can be taken back at an instant. */
export const undoable = (state: Playback, at: number): Undoable | null =>
  state.last && at - state.last.at <= UNDO_MS && state.status !== 'finished' ? state.last : null;

/**
 * Takes the last bend back. After a bend that changed the place, the class goes on where it was left;
 * after one that changed lengths, it is as if it had never been.
 */
function undo(state: Playback, of: string): Playback {
  const last = undoable(state, state.at);
  if (last?.id !== of) return state;
  const { before, type } = last;
  const after = MOVES.includes(type) ? { ...before, at: state.at } : advance(before, state.at);
  // What was played is played: a class that stands again, or is over again, is so from now on.
  const again = after.status !== state.status;
  return {
    ...after,
    pausedAt: after.status === 'paused' && again ? state.at : after.pausedAt,
    endedAt: after.status === 'over' && again ? state.at : after.endedAt,
  };
}

function bent(state: Playback, event: RunEventDraft): Playback {
  switch (event.type) {
    case 'paused':
      return state.status === 'running'
        ? { ...state, status: 'paused', pausedAt: state.at }
        : state;
    case 'resumed':
      return state.status === 'paused' ? { ...state, status: 'running', pausedAt: null } : state;
    case 'extended':
      return extend(state, event.ms);
    case 'restChanged':
      return changeRest(state, event.ms);
    case 'roundAdded':
      return addRound(state);
    case 'again':
      return again(state);
    case 'back':
      return back(state);
    case 'next':
      return next(state);
    case 'skipped':
      return skip(state);
    case 'eased':
      return ease(state);
    case 'trimmed':
      return trim(state, event.cuts, event.dropped);
    case 'closing':
      return close(state);
    case 'jumped': {
      const index = state.queue.findIndex((p) => p.key === event.stepId);
      const part = state.queue[index];
      if (!part) return state;
      const elapsedMs = Math.min(event.intoMs ?? 0, playLengthMs(part));
      return { ...goTo(state, index), elapsedMs };
    }
    default:
      return state;
  }
}

/** Applies one event. An event that makes no sense in the state it meets changes nothing but the clock. */
export function apply(
  before: Playback,
  event: RunEventDraft,
  passes?: (pass: Pass) => void,
): Playback {
  const state = advance(before, event.at, passes);
  if (state.status === 'finished' || isRoomEvent(event)) return state;
  if (event.type === 'started') {
    if (state.status !== 'ready') return state;
    const begun: Playback = { ...state, status: 'running', at: event.at, startedAt: event.at };
    return begun.queue.length ? begun : { ...begun, status: 'over', endedAt: event.at };
  }
  if (state.status === 'ready') return state;
  if (event.type === 'undone') return undo(state, event.of);
  if (event.type === 'finished') {
    return { ...state, status: 'finished', endedAt: endOf(state), last: null };
  }
  const after = bent(state, event);
  if (after === state) return state;
  const { id, type } = event;
  const known = { ...state, last: undoable(state, event.at) };
  const pausedAt = after.status === 'paused' ? after.pausedAt : null;
  return { ...after, pausedAt, last: { id, type, at: event.at, before: known } };
}

export function replay(state: Playback, events: readonly RunEventDraft[]): Playback {
  return events.reduce((at, event) => apply(at, event), state);
}

/**
 * Where a run is: the score, what has happened, and the time are all there is to it.
 * @param now epoch ms on the server's clock
 */
export function position(
  score: Score,
  events: readonly RunEventDraft[],
  now: number,
  easier?: Score | null,
): Playback {
  return advance(replay(ready(score, easier), events), now);
}

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

/** Groups the cues of a run's scores by the step they stand in, as play steps name it. */
export function cuesByStep(score: Score, easier?: Score | null): Cue[][] {
  const groups: Cue[][] = [];
  for (const { steps, cues } of easier ? [score, easier] : [score]) {
    const from = groups.length;
    for (const _ of steps) groups.push([]);
    for (const cue of cues) groups[from + cue.step]?.push(cue);
  }
  return groups;
}

interface Placed {
  cue: Cue;
  offsetMs: number;
}

/** An upbeat may open by letting go of the move before, which is long past when a move is swapped. */
const isOfThisMove = (cue: Cue) => cue.kind !== 'letGo';

/**
 * The cues of a step as it is played. Counts to the end move with the end, and so does what is said
 * between them; in a step that was made shorter what no longer fits is not said.
 */
function placed(p: PlayStep, all: readonly Cue[] = []): Placed[] {
  const group = p.swapped && p.step.kind === 'upbeat' ? all.filter(isOfThisMove) : all;
  if (p.extraMs === 0) return group.map((cue) => ({ cue, offsetMs: cue.offsetMs }));
  const firstEnd = Math.min(...group.flatMap((cue) => (cue.fromEnd ? cue.offsetMs : [])));
  const moves = (cue: Cue) => cue.offsetMs >= firstEnd;
  const moved = group.map((cue) => ({
    cue,
    offsetMs: cue.offsetMs + (moves(cue) ? p.extraMs : 0),
  }));
  if (p.extraMs > 0) return moved;
  const kept = moved.filter(({ cue, offsetMs }) => !moves(cue) || offsetMs >= 0);
  const ends = kept.flatMap(({ cue, offsetMs }) => (moves(cue) ? offsetMs : []));
  const free = Math.min(playLengthMs(p), ...ends);
  return kept.filter(({ cue, offsetMs }) => moves(cue) || offsetMs + cue.durationMs <= free);
}

/** The cues from the state's instant on, in order, as long as the class runs on undisturbed. */
export function* cuesToCome(
  state: Playback,
  groups: readonly (readonly Cue[])[],
): Generator<DueCue> {
  let stepAt = state.at - state.elapsedMs;
  for (let i = state.index; i < state.queue.length; i++) {
    const p = state.queue[i];
    if (!p) return;
    for (const { cue, offsetMs } of placed(p, groups[p.planned])) {
      const at = stepAt + offsetMs;
      if (at >= state.at) yield { key: `${p.key}#${cue.id}`, cue, at };
    }
    stepAt += playLengthMs(p);
  }
}

/** The cues that start from the state's instant on, within a horizon in ms, in order. */
export function cuesAhead(
  state: Playback,
  groups: readonly (readonly Cue[])[],
  horizonMs: number,
): DueCue[] {
  const due: DueCue[] = [];
  for (const cue of cuesToCome(state, groups)) {
    if (cue.at > state.at + horizonMs) break;
    due.push(cue);
  }
  return due;
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
  return placed(p, groups[p.planned]).findLast(
    ({ cue, offsetMs }) => of(cue) && offsetMs <= state.elapsedMs,
  )?.cue;
}

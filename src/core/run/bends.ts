import type { Score } from '../score';
import { isRoomEvent, type RunEventDraft, type RunEventType, UNDO_MS } from './events';
import {
  advance,
  endOf,
  isPause,
  type Pass,
  type Playback,
  type PlayStep,
  playLengthMs,
  ready,
  type Undoable,
} from './playback';

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

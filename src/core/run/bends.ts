import { isOnlySaid, type Score } from '../score';
import { ease } from './easier';
import { isRoomEvent, type NewRunEvent, type RunEventType, UNDO_MS } from './events';
import { again, back, close, goTo, leaveFor, next, skip } from './places';
import {
  advance,
  endOf,
  isPause,
  type Pass,
  type Playback,
  type PlayStep,
  playLengthMs,
  ready,
  turnOf,
  type Undoable,
} from './playback';
import { addRound, trim } from './rounds';
import { changeRest, extend } from './sides';

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
  // Time does not run back: where taking back makes the class stand or end again, it does so from now on.
  const again = after.status !== state.status;
  return {
    ...after,
    pausedAt: after.status === 'paused' && again ? state.at : after.pausedAt,
    endedAt: after.status === 'over' && again ? state.at : after.endedAt,
  };
}

/**
 * Where a jump to a step leads. Nobody changes sides or lets go in a round that they have not begun: such a
 * jump leads to the upbeat of that round.
 */
function beginning(state: Playback, queue: readonly PlayStep[], key: string): number {
  const index = queue.findIndex((p) => p.key === key);
  const part = queue[index];
  if (!part || isOnlySaid(part.step.segmentId)) return index;
  const inside = isPause(part) || part.step.kind === 'switch';
  if (!inside || state.worked === turnOf(part)) return index;
  return queue.findIndex((p) => turnOf(p) === turnOf(part));
}

function bent(state: Playback, event: NewRunEvent): Playback {
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
      const { intoMs, stepId } = event;
      const find = (queue: readonly PlayStep[]) => queue.findIndex((p) => p.key === stepId);
      const index = find(state.queue);
      const part = state.queue[index];
      if (!part) return state;
      // Into the middle of a step: the class was there a moment ago, and nobody has left it.
      if (intoMs === undefined) return leaveFor(state, (queue) => beginning(state, queue, stepId));
      return { ...goTo(state, index), elapsedMs: Math.min(intoMs, playLengthMs(part)) };
    }
    default:
      return state;
  }
}

/** Applies one event. An event that makes no sense in the state it meets changes nothing but the clock. */
export function apply(
  before: Playback,
  event: NewRunEvent,
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
  const known = { ...state, last: stillUndoable(state.last, event.at) };
  const pausedAt = after.status === 'paused' ? after.pausedAt : null;
  return { ...after, pausedAt, last: { id, type, at: event.at, before: known } };
}

/** The bends that can still be taken back; older ones are forgotten, however many there were. */
function stillUndoable(last: Undoable | null, at: number): Undoable | null {
  if (!last || at - last.at > UNDO_MS) return null;
  const { before } = last;
  const earlier = stillUndoable(before.last, at);
  return earlier === before.last ? last : { ...last, before: { ...before, last: earlier } };
}

/** The events without those that came twice: an event is known by its id. */
export function once<E extends NewRunEvent>(events: readonly E[]): readonly E[] {
  const seen = new Set<string>();
  const first = events.filter(({ id }) => !seen.has(id) && seen.add(id));
  return first.length === events.length ? events : first;
}

/** @param events in order; one that came twice counts once */
export function replay(state: Playback, events: readonly NewRunEvent[]): Playback {
  return once(events).reduce((at, event) => apply(at, event), state);
}

/**
 * Replays a log that grows, and keeps its place: what was replayed before is not replayed again, so that
 * a long run costs as much at its end as at its beginning.
 */
export function replayer(start: Playback): (events: readonly NewRunEvent[]) => Playback {
  let known: readonly NewRunEvent[] = [];
  let state = start;
  return (events) => {
    const all = once(events);
    const last = known.length - 1;
    // Events are never changed: where the last known one stands in its place, so do those before it.
    const grown =
      last < 0 || (all.length > last && all[last] === known[last] && all[0] === known[0]);
    state = replay(grown ? state : start, grown ? all.slice(known.length) : all);
    known = all;
    return state;
  };
}

/**
 * Where a run is: the score, what has happened, and the time are all there is to it.
 * @param now epoch ms on the server's clock
 */
export function position(
  score: Score,
  events: readonly NewRunEvent[],
  now: number,
  easier?: Score | null,
): Playback {
  return advance(replay(ready(score, easier), events), now);
}

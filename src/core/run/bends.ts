import { EVEN, type MORE, QUESTIONS, type Score, type Side } from '../score';
import { isRoomEvent, type RunEventDraft, type RunEventType, UNDO_MS } from './events';
import {
  advance,
  endOf,
  isPause,
  MOST_ROUNDS,
  type Pass,
  type Playback,
  type PlayStep,
  playLengthMs,
  ready,
  turnOf,
  type Undoable,
} from './playback';

/** How far into a step "again" or "back" still means the one before, in ms. */
const FRESH_MS = 1500;

const goTo = (state: Playback, index: number): Playback => ({
  ...state,
  index,
  elapsedMs: 0,
  status: state.status === 'over' ? 'running' : state.status,
  endedAt: null,
});

/**
 * The state without let-gos that an earlier bend put in; what was played of them is played. While one is
 * being played, the class stands before the place it was sent to.
 */
function withoutPutLetGos(state: Playback): Playback {
  const { queue, index, elapsedMs } = state;
  if (!queue.some((p) => p.put === 'letGo')) return state;
  const before = queue.slice(0, index).filter((p) => p.put === 'letGo').length;
  const kept = queue.filter((p) => p.put !== 'letGo');
  const within = queue[index]?.put === 'letGo';
  const at = Math.min(index - before, kept.length - 1);
  return { ...state, queue: kept, index: at, elapsedMs: within ? FRESH_MS : elapsedMs };
}

/**
 * Leaves a move for another place. People who are in the middle of it are let go first: its let-go is
 * played before what comes.
 * @param find index of the place in a queue, its length for the end; below nought where it is not there
 */
function leaveFor(
  state: Playback,
  find: (queue: readonly PlayStep[], from: number) => number,
): Playback {
  const here = withoutPutLetGos(state);
  const current = here.queue[here.index];
  const target = find(here.queue, here.index);
  const place = here.queue[target];
  if (!current || target < 0) return state;
  const { kind } = current.step;
  const turn = turnOf(current);
  const inTheMiddle = kind === 'work' || kind === 'switch';
  const letGo =
    inTheMiddle &&
    state.queue[state.index] === current &&
    (!place || turnOf(place) !== turn) &&
    here.status !== 'over'
      ? here.queue.find((p) => turnOf(p) === turn && p.letGoMs !== undefined && !p.put)
      : undefined;
  if (!letGo?.letGoMs) return place ? goTo(here, target) : state;
  const { breath: _, ...step } = letGo.step;
  const put: PlayStep = {
    ...letGo,
    key: `${turn}.letGo.${here.at}`,
    step: { ...step, kind: 'release', durationMs: letGo.letGoMs },
    extraMs: 0,
    leastMs: letGo.letGoMs,
    put: 'letGo',
  };
  const queue = [...here.queue.slice(0, target), put, ...here.queue.slice(target)];
  return goTo({ ...here, queue }, target);
}

/** The part the class stands in, or before while a move that was left is let go. */
const standingAt = ({ queue, index }: Playback): PlayStep | undefined =>
  queue[index]?.put === 'letGo' ? queue[index + 1] : queue[index];

/** Index of the upbeat that leads into the step at an index. */
function upbeatBefore(state: Playback, index: number): number {
  for (let i = index; i >= 0; i--) if (state.queue[i]?.step.kind === 'upbeat') return i;
  return 0;
}

function again(now: Playback): Playback {
  const state = withoutPutLetGos(now);
  const own = upbeatBefore(state, state.index);
  const fresh = own === state.index && state.elapsedMs < FRESH_MS && own > 0;
  return goTo(state, fresh ? upbeatBefore(state, own - 1) : own);
}

/** To the start of the step, or of the one before when pressed at once. */
function back(now: Playback): Playback {
  const state = withoutPutLetGos(now);
  const fresh = state.elapsedMs < FRESH_MS && state.index > 0;
  return goTo(state, fresh ? state.index - 1 : state.index);
}

/** On to the first step of the next block, or to the end of the class. */
function skip(state: Playback): Playback {
  const ahead = standingAt(state);
  const further = (queue: readonly PlayStep[], from: number) =>
    queue.findIndex((p, i) => i > from && p !== ahead && p.step.blockId !== ahead?.step.blockId);
  if (further(state.queue, state.index) >= 0) return leaveFor(state, further);
  const letGo = leaveFor(state, (queue) => queue.length);
  return letGo === state ? next({ ...state, index: state.queue.length - 1 }) : letGo;
}

/** Straight to the close of the class, or to its questions where it has no other close. */
function close(state: Playback): Playback {
  if (state.queue[state.index]?.step.phase === 'close') return state;
  return leaveFor(state, (queue, from) =>
    queue.findIndex((p, i) => i > from && p.step.phase === 'close'),
  );
}

function next(state: Playback): Playback {
  if (state.status === 'over') return state;
  if (state.index < state.queue.length - 1) return goTo(state, state.index + 1);
  const last = state.queue[state.index];
  return { ...state, status: 'over', elapsedMs: last ? playLengthMs(last) : 0, endedAt: state.at };
}

/** One round of a segment, wherever in the class its sides come. */
const sameRound = (a: PlayStep, b: PlayStep): boolean =>
  a.step.segmentId === b.step.segmentId && a.step.round === b.step.round;

const OTHER: Partial<Record<Side, Side>> = {
  left: 'right',
  right: 'left',
  one: 'other',
  other: 'one',
};
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
    if (model) levelled = onceMore(levelled, model, side, missing, state);
  }
  return levelled;
}

/** Puts in a change to a side and more of its work, after the last work of the round. */
function onceMore(
  queue: readonly PlayStep[],
  model: PlayStep,
  side: Side,
  ms: number,
  { spares }: Playback,
): PlayStep[] {
  const after = queue.findLastIndex((p) => p.step.kind === 'work' && sameRound(p, model));
  const spare = EVENED.includes(side) ? spares.get(side as (typeof EVEN)[number]) : undefined;
  const turn = turnOf(queue[after] ?? model);
  const nth = queue.filter((p) => p.put === 'even' && sameRound(p, model)).length;
  const { beatMs: _, ...step } = model.step;
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

/**
 * Makes the step longer. In an upbeat or a switch it is the work to come that grows. Both sides of a
 * round stay equal: the other side grows along, or comes once more where it is over.
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
  const longer = state.queue.map((p, i) => (i === target ? { ...p, extraMs: p.extraMs + ms } : p));
  const queue = grown.step.kind === 'work' ? level(longer, state.index, grown, state) : longer;
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
 * or rest it is the move to come that is swapped. Bends made before stay, and a side whose other side
 * is over gets as much as that one had.
 */
function ease(state: Playback): Playback {
  if (state.status === 'over') return state;
  const lead = leadIn(state);
  const from = lead < 0 ? state.queue.findIndex((p, i) => i > state.index && !isPause(p)) : lead;
  const segment = state.queue[from]?.step.segmentId;
  const easier = state.easier.filter((p) => p.step.segmentId === segment);
  const isOwn = (p: PlayStep, i: number) => i >= from && p.step.segmentId === segment;
  const work = easier.find((p) => p.step.kind === 'work');
  const now = state.queue.find((p, i) => isOwn(p, i) && p.step.kind === 'work');
  if (!work || !now || work.step.variant === now.step.variant) return state;

  const begunTurns = new Set<string>();
  const begunRounds = new Set<number>();
  state.queue.slice(0, from).forEach((p) => {
    if (p.step.segmentId !== segment) return;
    begunTurns.add(turnOf(p));
    if (p.step.kind === 'work') begunRounds.add(p.step.round);
  });
  const byTurn = new Map<string, PlayStep[]>();
  for (const p of easier) byTurn.set(turnOf(p), [...(byTurn.get(turnOf(p)) ?? []), p]);
  const byId = new Map(easier.map((p) => [p.step.id, p]));
  const explained = easier.find((p) => p.step.kind === 'upbeat');

  const swap = (p: PlayStep, to: PlayStep, key: string): PlayStep => {
    const { round, rounds } = p.step;
    const extraMs = begunRounds.has(round)
      ? playLengthMs(p) - to.step.durationMs
      : Math.max(to.leastMs - to.step.durationMs, p.extraMs);
    const step = { ...to.step, round, rounds };
    const bent = p.step.kind === 'work' || isPause(p) ? extraMs : 0;
    return { ...to, key, step, extraMs: bent, swapped: true };
  };
  const doneTurns = new Set<string>();
  const queue = state.queue.flatMap((p, i): PlayStep[] => {
    if (!isOwn(p, i) || p.put) return [p];
    const turn = turnOf(p);
    const inEasier = byTurn.get(p.step.id.split('.').slice(0, 2).join('.'));
    const same =
      inEasier &&
      sidesOf(inEasier) === sidesOf(state.queue.filter((q) => turnOf(q) === turn && !q.put));
    if (begunTurns.has(turn) || begunRounds.has(p.step.round) || same) {
      const first = i === from && p.step.kind === 'upbeat';
      const to = (first ? explained : undefined) ?? byId.get(p.step.id);
      return to && (to.step.side === p.step.side || first) ? [swap(p, to, `${p.key}~easier`)] : [p];
    }
    // A version that shares its sides in another way replaces a round that has not begun as a whole.
    if (doneTurns.has(turn)) return [];
    doneTurns.add(turn);
    return (inEasier ?? []).map((to) => {
      const like = state.queue.find((q) => turnOf(q) === turn && q.step.kind === to.step.kind) ?? p;
      return swap(like, to, `${turn}.${to.key.split('.').slice(2).join('.')}~easier`);
    });
  });
  return lead < 0 ? { ...state, queue } : goTo({ ...state, queue }, from);
}

/** The sides of some parts of one turn, to tell apart how versions share them. */
const sidesOf = (parts: readonly PlayStep[]): string =>
  parts.flatMap((p) => (p.step.kind === 'work' ? p.step.side : [])).join(' ');

/**
 * Takes away what a catch-up has worked out: never from what has begun, never below a floor, whole
 * rounds only, and from both sides alike.
 */
function trim(
  state: Playback,
  cuts: readonly { key: string; ms: number }[],
  dropped: readonly string[],
): Playback {
  const cutBy = new Map(cuts.map((cut) => [cut.key, cut.ms]));
  const gone = new Set(dropped);
  const roundOf = (p: PlayStep) => `${p.step.segmentId}.${p.step.round}`;
  const begun = new Set(state.queue.slice(0, state.index + 1).map(roundOf));
  const kept = new Set(state.queue.flatMap((p) => (gone.has(p.key) ? [] : roundOf(p))));
  const cutOf = (p: PlayStep): number =>
    Math.max(0, Math.min(cutBy.get(p.key) ?? 0, playLengthMs(p) - p.leastMs));
  const least = new Map<string, number>();
  for (const p of state.queue) {
    if (p.step.kind !== 'work') continue;
    least.set(roundOf(p), Math.min(least.get(roundOf(p)) ?? Number.POSITIVE_INFINITY, cutOf(p)));
  }
  const queue = state.queue.flatMap((p, i) => {
    if (i <= state.index) return [p];
    const round = roundOf(p);
    if (!begun.has(round) && !kept.has(round)) return [];
    const isWork = p.step.kind === 'work';
    const ms = isWork ? (begun.has(round) ? 0 : (least.get(round) ?? 0)) : cutOf(p);
    return ms > 0 ? [{ ...p, extraMs: p.extraMs - ms }] : [p];
  });
  return { ...state, queue };
}

/** A part of a copied round, under a key of its own. */
function inRound(p: PlayStep, round: number): string {
  const [segment, of = '', ...rest] = p.key.split('.');
  return [segment, `${round}${of.endsWith('r') ? 'r' : ''}`, ...rest].join('.');
}

/** Which upbeat leads into a turn of an added round. */
function moreFor(turn: readonly PlayStep[]): (typeof MORE)[number] {
  const sides = turn.flatMap((p) => (p.step.kind === 'work' ? p.step.side : []));
  if (sides[0] === 'right') return 'moreRight';
  if (sides[0] === 'left') return 'moreEach';
  return sides[0] === 'one' ? 'moreDirections' : 'more';
}

/**
 * Plays the segment's last round once more, after it; in an order by side, each side after its own. Its
 * upbeat says that it is one more, since the words of no planned round are true of it.
 */
function addRound(state: Playback): Playback {
  const current = standingAt(state);
  if (!current || current.step.segmentId === QUESTIONS) return state;
  const { segmentId } = current.step;
  const ofSegment = state.queue.filter((p) => p.step.segmentId === segmentId && !p.put);
  const lastRound = Math.max(...ofSegment.map((p) => p.step.round));
  if (lastRound >= MOST_ROUNDS) return state;
  const model = ofSegment.filter((p) => p.step.round === lastRound);
  const workMs = Math.max(...model.map((p) => (p.step.kind === 'work' ? p.step.durationMs : 0)));
  const copy = (turn: readonly PlayStep[]): PlayStep[] => {
    const spare = state.spares.get(moreFor(turn));
    return turn.map((p) => {
      const { explains: _, ...step } = { ...p.step, round: lastRound + 1 };
      const key = inRound(p, lastRound + 1);
      if (p.step.kind === 'upbeat' && spare) {
        const { durationMs, planned } = spare;
        return {
          ...p,
          key,
          planned,
          extraMs: 0,
          leastMs: durationMs,
          step: { ...step, durationMs },
        };
      }
      // Where a round was done half in one version and half in another, both sides are equal again.
      const extraMs = p.step.kind === 'work' ? workMs - p.step.durationMs : 0;
      return { ...p, key, step, extraMs };
    });
  };
  const turns = [...new Set(model.map(turnOf))].map((key) =>
    model.filter((p) => turnOf(p) === key),
  );
  /** Copies go after the last part of their turn, or of the next one where the class is past it. */
  const copies = new Map<number, PlayStep[]>();
  let waiting: PlayStep[] = [];
  for (const turn of turns) {
    const key = turnOf(turn[0] ?? current);
    const after = state.queue.findLastIndex((p) => turnOf(p) === key && p.put !== 'letGo');
    waiting = [...waiting, ...copy(turn)];
    if (after < state.index && turn !== turns.at(-1)) continue;
    copies.set(after, waiting);
    waiting = [];
  }
  const queue = state.queue.flatMap((p, i) => [p, ...(copies.get(i) ?? [])]);
  const counted = queue.map((p) =>
    p.step.segmentId === segmentId ? { ...p, step: { ...p.step, rounds: lastRound + 1 } } : p,
  );
  const added = { ...state, queue: counted };
  return state.status === 'over' ? goTo(added, state.index + 1) : added;
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
      const { intoMs, stepId } = event;
      const find = (queue: readonly PlayStep[]) => queue.findIndex((p) => p.key === stepId);
      const index = find(state.queue);
      const part = state.queue[index];
      if (!part) return state;
      // Into the middle of a step: the class was there a moment ago, and nobody has left it.
      if (intoMs === undefined) return leaveFor(state, find);
      return { ...goTo(state, index), elapsedMs: Math.min(intoMs, playLengthMs(part)) };
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
export function once<E extends RunEventDraft>(events: readonly E[]): readonly E[] {
  const seen = new Set<string>();
  const first = events.filter(({ id }) => !seen.has(id) && seen.add(id));
  return first.length === events.length ? events : first;
}

/** @param events in order; one that came twice counts once */
export function replay(state: Playback, events: readonly RunEventDraft[]): Playback {
  return once(events).reduce((at, event) => apply(at, event), state);
}

/**
 * Replays a log that grows, and keeps its place: what was replayed before is not replayed again, so that
 * a long run costs as much at its end as at its beginning.
 */
export function replayer(start: Playback): (events: readonly RunEventDraft[]) => Playback {
  let known: readonly RunEventDraft[] = [];
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
  events: readonly RunEventDraft[],
  now: number,
  easier?: Score | null,
): Playback {
  return advance(replay(ready(score, easier), events), now);
}

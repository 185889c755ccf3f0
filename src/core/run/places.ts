import { inFull, meeting, type StepKind } from '../score';
import { type Playback, type PlayStep, playLengthMs, turnOf } from './playback';

/** Bends that take the class to another place. */

/** How far into a step "again" or "back" still means the one before, in ms. */
const FRESH_MS = 1500;

export const goTo = (state: Playback, index: number): Playback => ({
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

const meets = ({ step }: PlayStep): string => meeting(step.moveId, step.variant);

/** What some parts explain: moves, each in one version. */
export const explainedBy = (parts: readonly PlayStep[]): ReadonlySet<string> =>
  new Set(parts.flatMap((p) => (p.step.explains ? meets(p) : [])));

/**
 * The queue in which what nobody has heard explained is explained where it comes next, where the score has the words
 * for it.
 * @param missed as `explainedBy` names it
 * @param target from there on
 */
export function explainedLater(
  { queue, spares }: Pick<Playback, 'queue' | 'spares'>,
  missed: ReadonlySet<string>,
  target: number,
): readonly PlayStep[] {
  if (missed.size === 0) return queue;
  const left = new Set(missed);
  return queue.map((p, i) => {
    if (i < target || p.step.kind !== 'upbeat' || !left.delete(meets(p))) return p;
    const full = p.step.explains ? undefined : spares.get(inFull(p.step.id));
    if (!full) return p;
    const { planned, durationMs } = full;
    const step = { ...p.step, durationMs, explains: true as const };
    return { ...p, planned, leastMs: durationMs, step };
  });
}

/**
 * Leaves a move for another place. People who are in the middle of it are let go first: its let-go is
 * played before what comes.
 * @param find index of the place in a queue, its length for the end; below nought where it is not there
 */
export function leaveFor(
  state: Playback,
  find: (queue: readonly PlayStep[], from: number) => number,
): Playback {
  const stays = withoutPutLetGos(state);
  const current = stays.queue[stays.index];
  const target = find(stays.queue, stays.index);
  // An upbeat that is left counts as passed over, since it is not over.
  const missed = explainedBy(stays.queue.slice(stays.index, target));
  const here = { ...stays, queue: explainedLater(stays, missed, target) };
  const place = here.queue[target];
  if (!current || target < 0) return state;
  const { kind } = current.step;
  const turn = turnOf(current);
  const inTheMiddle =
    (kind === 'work' || kind === 'switch') &&
    state.queue[state.index] === current &&
    here.worked === turn &&
    here.status !== 'over';
  const letGo =
    inTheMiddle && (!place || turnOf(place) !== turn)
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
export const standingAt = ({ queue, index }: Playback): PlayStep | undefined =>
  queue[index]?.put === 'letGo' ? queue[index + 1] : queue[index];

/**
 * Index of the step by which the turn at an index is led into. Where all that leads into it is muted, it
 * begins with its first step; what comes before that is another move's.
 */
export function ledIntoBy(
  { queue }: Pick<Playback, 'queue'>,
  index: number,
  kinds: readonly StepKind[] = ['upbeat'],
): number {
  const here = queue[index];
  for (let i = index; here && i >= 0; i--) {
    const part = queue[i];
    if (!part || turnOf(part) !== turnOf(here)) return i + 1;
    if (kinds.includes(part.step.kind)) return i;
  }
  return 0;
}

export function again(now: Playback): Playback {
  const state = withoutPutLetGos(now);
  const own = ledIntoBy(state, state.index);
  const fresh = own === state.index && state.elapsedMs < FRESH_MS && own > 0;
  return goTo(state, fresh ? ledIntoBy(state, own - 1) : own);
}

/** To the start of the step, or of the one before when pressed at once. */
export function back(now: Playback): Playback {
  const state = withoutPutLetGos(now);
  const fresh = state.elapsedMs < FRESH_MS && state.index > 0;
  return goTo(state, fresh ? state.index - 1 : state.index);
}

/** On to the first step of the next block, or to the end of the class. */
export function skip(state: Playback): Playback {
  const ahead = standingAt(state);
  const further = (queue: readonly PlayStep[], from: number) =>
    queue.findIndex((p, i) => i > from && p !== ahead && p.step.blockId !== ahead?.step.blockId);
  if (further(state.queue, state.index) >= 0) return leaveFor(state, further);
  const letGo = leaveFor(state, (queue) => queue.length);
  return letGo === state ? next({ ...state, index: state.queue.length - 1 }) : letGo;
}

/** Straight to the close of the class, or to its questions where it has no other close. */
export function close(state: Playback): Playback {
  if (standingAt(state)?.step.phase === 'close') return state;
  return leaveFor(state, (queue, from) =>
    queue.findIndex((p, i) => i > from && p.step.phase === 'close'),
  );
}

export function next(state: Playback): Playback {
  if (state.status === 'over') return state;
  if (state.index < state.queue.length - 1) return goTo(state, state.index + 1);
  const last = state.queue[state.index];
  return { ...state, status: 'over', elapsedMs: last ? playLengthMs(last) : 0, endedAt: state.at };
}

import { isOnlySaid, type MORE, notLast, parseStep, printStep } from '../score';
import { goTo, standingAt } from './places';
import {
  MOST_ROUNDS,
  type Playback,
  type PlayStep,
  playLengthMs,
  roundOf,
  turnOf,
  untold,
} from './playback';

/** Bends that take rounds away or put one in. */

/**
 * Takes away what a catch-up has worked out: never from what has begun, never below a floor, whole
 * rounds only, and from both sides alike.
 */
export function trim(
  state: Playback,
  cuts: readonly { key: string; ms: number }[],
  dropped: readonly string[],
): Playback {
  const cutBy = new Map(cuts.map((cut) => [cut.key, cut.ms]));
  const gone = new Set(dropped);
  const begun = new Set(state.queue.slice(0, state.index + 1).map(roundOf));
  const kept = new Set(state.queue.flatMap((p) => (gone.has(p.key) ? [] : roundOf(p))));
  const cutOf = (p: PlayStep): number =>
    Math.max(0, Math.min(cutBy.get(p.key) ?? 0, playLengthMs(p) - p.leastMs));
  const least = new Map<string, number>();
  for (const p of state.queue) {
    if (p.step.kind !== 'work') continue;
    // A side that comes once more would be cut twice.
    const ms = p.put ? 0 : cutOf(p);
    least.set(roundOf(p), Math.min(least.get(roundOf(p)) ?? Number.POSITIVE_INFINITY, ms));
  }
  const changed: PlayStep[] = [];
  const trimmed = state.queue.flatMap((p, i) => {
    if (i <= state.index) return [p];
    const round = roundOf(p);
    const isWork = p.step.kind === 'work';
    const isGone = !begun.has(round) && !kept.has(round);
    const ms = isWork ? (begun.has(round) ? 0 : (least.get(round) ?? 0)) : cutOf(p);
    if (isGone || (isWork && ms > 0)) changed.push(p);
    if (isGone) return [];
    return ms > 0 ? [{ ...p, extraMs: p.extraMs - ms }] : [p];
  });
  const roundsOf = new Map<string, number>();
  for (const { step } of trimmed) {
    roundsOf.set(step.segmentId, Math.max(roundsOf.get(step.segmentId) ?? 0, step.round));
  }
  const counted = trimmed.map((p) => {
    const rounds = roundsOf.get(p.step.segmentId) ?? p.step.rounds;
    return rounds < p.step.rounds ? { ...p, step: { ...p.step, rounds } } : p;
  });
  const queue = untold(counted, changed);
  return { ...state, queue };
}

/** A part of a copied round, under a key of its own. */
function inRound(p: PlayStep, round: number): string {
  const key = parseStep(p.key);
  return key ? printStep({ ...key, turn: { ...key.turn, round } }) : p.key;
}

/** Which upbeat leads into a turn of an added round. */
function moreFor(turn: readonly PlayStep[]): (typeof MORE)[number] {
  const sides = turn.flatMap((p) => (p.step.kind === 'work' ? p.step.side : []));
  if (sides[0] === 'right') return 'moreRight';
  if (sides[0] === 'left') return 'moreEach';
  return sides[0] === 'one' ? 'moreDirections' : 'more';
}

/**
 * The queue in which no round is announced as the last one after which more come, where the score has the words for it.
 * @param playing the part that is played, whose words are being said
 */
export function lastNoMore(
  { queue, spares }: Pick<Playback, 'queue' | 'spares'>,
  playing?: number,
): readonly PlayStep[] {
  const firstSpare = Math.min(...[...spares.values()].map(({ planned }) => planned));
  return queue.map((p, i) => {
    const { kind, round, rounds } = p.step;
    const asPlanned = kind === 'upbeat' && !p.put && p.planned < firstSpare;
    const more = asPlanned && i !== playing && round < rounds;
    const spare = more ? spares.get(notLast(p.step)) : undefined;
    if (!spare) return p;
    const { planned, durationMs } = spare;
    return { ...p, planned, leastMs: durationMs, step: { ...p.step, durationMs } };
  });
}

/**
 * Plays the segment's last round once more, after it; in an order by side, each side after its own. Its
 * upbeat says that it is one more, since the words of no planned round are true of it.
 */
export function addRound(state: Playback): Playback {
  const current = standingAt(state);
  if (!current || isOnlySaid(current.step.segmentId)) return state;
  const { segmentId } = current.step;
  const ofSegment = state.queue.filter((p) => p.step.segmentId === segmentId && !p.put);
  const lastRound = Math.max(...ofSegment.map((p) => p.step.round));
  if (lastRound >= MOST_ROUNDS) return state;
  const model = ofSegment.filter((p) => p.step.round === lastRound);
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
          spare: true,
        };
      }
      return { ...p, key, step, extraMs: 0 };
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
  const added = { ...state, queue: lastNoMore({ ...state, queue: counted }, state.index) };
  return state.status === 'over' ? goTo(added, state.index + 1) : added;
}

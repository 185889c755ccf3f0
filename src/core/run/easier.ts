import { inTheMiddle, parseStep, turnOfStep } from '../score';
import { explainedBy, explainedLater, goTo, ledIntoBy } from './places';
import {
  isPause,
  type Playback,
  type PlayStep,
  playLengthMs,
  type SpareStep,
  turnOf,
} from './playback';
import { lastNoMore } from './rounds';

/** Where the way into the work begins that is running or is being led up to; below nought in a pause. */
function leadIn(state: Playback): number {
  const here = state.queue[state.index];
  if (!here || isPause(here)) return -1;
  return ledIntoBy(state, state.index, ['upbeat', 'switch']);
}

/**
 * Swaps the move in work to its easier version and leads into it again. In a release or rest it is the move to
 * come that is swapped. What of it is over is swapped as well, since the class may go back to it. Bends made before
 * stay, and both sides of a round that was begun get as much as they had.
 */
export function ease(state: Playback): Playback {
  if (state.status === 'over') return state;
  const led = leadIn(state);
  const from = led < 0 ? state.queue.findIndex((p, i) => i > state.index && !isPause(p)) : led;
  const segment = state.queue[from]?.step.segmentId;
  const easier = state.easier.filter((p) => p.step.segmentId === segment);
  const isOwn = ({ step }: PlayStep) => step.segmentId === segment;
  const work = easier.find((p) => p.step.kind === 'work');
  const now = state.queue.find((p, i) => i >= from && isOwn(p) && p.step.kind === 'work');
  if (!work || !now || work.step.variant === now.step.variant) return state;

  const begunTurns = new Set<string>();
  const begunRounds = new Set<number>();
  state.queue.slice(0, from).forEach((p) => {
    if (!isOwn(p)) return;
    begunTurns.add(turnOf(p));
    if (p.step.kind === 'work') begunRounds.add(p.step.round);
  });
  const byTurn = new Map<string, PlayStep[]>();
  for (const p of easier) byTurn.set(turnOf(p), [...(byTurn.get(turnOf(p)) ?? []), p]);
  const byId = new Map(easier.map((p) => [p.step.id, p]));
  const here = state.queue[state.index]?.step;
  /** What leads into the work in full. Runs from before there was such a thing have it in their first round alone. */
  const ledIntoWith = (p: PlayStep): SpareStep | undefined => {
    const begun = here?.kind === 'work' ? state.spares.get(inTheMiddle(here.id)) : undefined;
    const spare = begun ?? state.spares.get(inTheMiddle(p.step.id));
    if (spare || p.step.kind !== 'upbeat') return spare;
    const { step, planned } = easier.find((of) => of.step.kind === 'upbeat') ?? p;
    return step.side === p.step.side ? { planned, durationMs: step.durationMs } : undefined;
  };

  const swap = (p: PlayStep, to: PlayStep, key: string, lead?: SpareStep): PlayStep => {
    const { round, rounds } = p.step;
    const extraMs = begunRounds.has(round)
      ? playLengthMs(p) - to.step.durationMs
      : Math.max(to.leastMs - to.step.durationMs, p.extraMs);
    const step = { ...to.step, round, rounds };
    const bent = p.step.kind === 'work' || isPause(p) ? extraMs : 0;
    const untold = p.untold && { untold: p.untold };
    const swapped: PlayStep = { ...to, key, step, extraMs: bent, swapped: true, ...untold };
    if (!lead) return swapped;
    const { durationMs, planned } = lead;
    return { ...swapped, planned, step: { ...step, durationMs }, leastMs: durationMs };
  };
  const doneTurns = new Set<string>();
  const swapped = state.queue.flatMap((p, i): PlayStep[] => {
    const isPlayed = led < 0 && i === state.index;
    if (!isOwn(p) || isPlayed) return [p];
    if (p.put) return [p.put === 'even' ? inVersionOf(p, easier) : p];
    const turn = turnOf(p);
    const inEasier = byTurn.get(turnOfStep(p.step.id));
    const same =
      inEasier &&
      sidesOf(inEasier) === sidesOf(state.queue.filter((q) => turnOf(q) === turn && !q.put));
    if (begunTurns.has(turn) || begunRounds.has(p.step.round) || same) {
      const lead = i === from && p.step.kind !== 'work' ? ledIntoWith(p) : undefined;
      // An added round is still announced as one more, since the words of no planned round are true of it.
      if (p.spare && !lead) return [{ ...p, step: { ...p.step, variant: work.step.variant } }];
      const to = byId.get(p.step.id);
      // What is over keeps its key, by which the class may be sent back to it.
      const key = i < from ? p.key : `${p.key}~easier`;
      return to?.step.side === p.step.side ? [swap(p, to, key, lead)] : [p];
    }
    // A version that shares its sides in another way replaces a round that has not begun as a whole.
    if (doneTurns.has(turn)) return [];
    doneTurns.add(turn);
    return (inEasier ?? []).map((to, n) => {
      const lead = n === 0 && i === from && to.step.kind !== 'work' ? ledIntoWith(to) : undefined;
      const like = state.queue.find((q) => turnOf(q) === turn && q.step.kind === to.step.kind) ?? p;
      return swap(like, to, `${turn}.${parseStep(to.key)?.part ?? to.key}~easier`, lead);
    });
  });
  // Where the usual version comes again, nobody has heard how it is done.
  const missed = explainedBy(state.queue.filter((p, i) => i >= state.index && isOwn(p)));
  const explained = explainedLater({ ...state, queue: swapped }, missed, from);
  const queue = lastNoMore({ ...state, queue: explained });
  return led < 0 ? { ...state, queue } : goTo({ ...state, queue }, from);
}

/** What a bend put in to make a side even, in the version of some parts of its segment; as long as it was. */
function inVersionOf(p: PlayStep, parts: readonly PlayStep[]): PlayStep {
  const { durationMs, kind, round, rounds, side } = p.step;
  const work = parts.find((of) => of.step.kind === 'work' && of.step.side === side);
  if (!work) return p;
  const { variant } = work.step;
  if (kind !== 'work') return { ...p, step: { ...p.step, variant } };
  return { ...p, step: { ...work.step, round, rounds, durationMs } };
}

/** The sides of some parts of one turn, to tell apart how versions share them. */
const sidesOf = (parts: readonly PlayStep[]): string =>
  parts.flatMap((p) => (p.step.kind === 'work' ? p.step.side : [])).join(' ');

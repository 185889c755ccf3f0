import { type Program, type Solver, solve } from '../program';
import { meeting } from '../score';
import { isPause, type Playback, type PlayStep, playLengthMs, remainingMs } from './playback';

/** What a catch-up takes away from the steps to come. */
export interface CatchUp {
  cuts: { key: string; ms: number }[];
  dropped: string[];
  /** What a teacher reads before agreeing to it, in running order. */
  lines: { segmentId: string; moveId: string; words: string }[];
  /** How far past the wanted end the class still ends, in ms; below nought where it ends before. */
  lateMs: number;
  /** False where the search was stopped before it could prove that no smaller change would do. */
  proved: boolean;
}

/**
 * Repeats, rests and what the class can do without go first; then the length of the work, then a whole
 * move. Ours.
 */
const PRICE = { pauses: 1, round: 8, leaveOutOptional: 10, work: 30, wholeWork: 30, leaveOut: 90 };
const MOST_CUTS = 6;
const PAUSE_SHARES = [0, 0.5, 1];
/** What a second past the wanted end costs, and a second before it. */
const SECOND = { late: 50, early: 3 };
const EARLY_IS_FINE_S = 2;
/** The search stops after so much work, not after a time, so that every machine trims alike. */
const EFFORT = { nodes: 400, gap: 0.02 };

interface Cut {
  cuts: { key: string; ms: number }[];
  dropped: string[];
  words: string[];
  savedMs: number;
  cost: number;
}

const seconds = (ms: number) => Math.round(ms / 1000);

/** How much may be cut from a step. */
const spare = (p: PlayStep): number => Math.max(0, playLengthMs(p) - p.leastMs);
/** How often a step may be cut by the unit it is done in, so that no rep is left half done. */
const unitsOf = (p: PlayStep): number => Math.floor(spare(p) / (p.step.unitMs ?? 1000));

/** What is to come of one segment, with what has begun of it. */
interface Coming {
  ahead: PlayStep[];
  begun: Set<number>;
  /** Another segment to come leaves the explaining to this one. */
  explains: boolean;
}

/**
 * The ways in which what is to come of one segment can be made shorter. A round that has begun keeps
 * its work, so that both of its sides stay equal; a drain, and what the teacher locked, stay whole.
 */
function choicesOf({ ahead, begun, explains }: Coming): Cut[] {
  const first = ahead[0]?.step;
  if (!first) return [];
  if (ahead.some((p) => p.step.locked || p.step.keep)) {
    return [{ cuts: [], dropped: [], words: [], savedMs: 0, cost: 0 }];
  }
  const rounds = [...new Set(ahead.map((p) => p.step.round))]
    .filter((round) => !begun.has(round))
    .sort((a, b) => a - b);
  const whole = begun.size === 0;
  // Where a side comes once more to be even, the round keeps its work as well.
  const evened = new Set(ahead.flatMap((p) => (p.put === 'even' ? p.step.round : [])));
  const isNew = ({ step }: PlayStep) => rounds.includes(step.round) && !evened.has(step.round);
  const work = ahead.filter((p) => p.step.kind === 'work' && isNew(p));
  const levels = Math.min(MOST_CUTS, Math.max(0, ...work.map(unitsOf)));
  const pausesMs = ahead.filter(isPause).reduce((sum, p) => sum + spare(p), 0);
  const mayLeaveOut = whole && !explains && first.phase !== 'close' && first.phase !== 'arrive';
  const leaving = first.optional ? PRICE.leaveOutOptional : PRICE.leaveOut;
  const total = begun.size + rounds.length;

  const choices: Cut[] = [];
  for (let drop = 0; drop <= rounds.length; drop++) {
    const none = whole && drop === rounds.length;
    if (none && !mayLeaveOut) continue;
    const goneRounds = new Set(rounds.slice(rounds.length - drop));
    const gone = ahead.filter((p) => goneRounds.has(p.step.round));
    const kept = ahead.filter((p) => !goneRounds.has(p.step.round));
    const keptWork = work.filter((p) => !goneRounds.has(p.step.round));
    const droppedMs = gone.reduce((sum, p) => sum + playLengthMs(p), 0);
    for (let level = 0; level <= (keptWork.length ? levels : 0); level++) {
      const workCuts = keptWork.flatMap((p) => {
        const units = Math.floor((unitsOf(p) * level) / levels) || 0;
        const ms = Math.round(units * (p.step.unitMs ?? 1000));
        return ms > 0 ? [{ key: p.key, ms: Math.min(ms, spare(p)), of: p }] : [];
      });
      if (level > 0 && workCuts.length === 0) continue;
      for (const share of none || pausesMs < 1000 ? [0] : PAUSE_SHARES) {
        const pauseCuts = kept.filter(isPause).flatMap((p) => {
          const ms = Math.floor((spare(p) * share) / 1000) * 1000;
          return ms > 0 ? [{ key: p.key, ms }] : [];
        });
        if (share > 0 && pauseCuts.length === 0) continue;
        const sum = (all: readonly { ms: number }[]) => all.reduce((ms, c) => ms + c.ms, 0);
        const words: string[] = [];
        if (none) words.push('left out');
        else if (drop > 0) words.push(`${total - drop} of ${total} rounds`);
        if (workCuts.length) words.push(shorter(workCuts));
        if (pauseCuts.length) words.push(`pauses ${seconds(sum(pauseCuts))} s shorter in all`);
        const lengthMs = keptWork.reduce((ms, p) => ms + playLengthMs(p), 0);
        choices.push({
          cuts: [...workCuts.map(({ key, ms }) => ({ key, ms })), ...pauseCuts],
          dropped: gone.map((p) => p.key),
          words,
          savedMs: droppedMs + sum(workCuts) + sum(pauseCuts),
          cost:
            (none ? leaving : drop * PRICE.round) +
            (workCuts.length ? PRICE.work + (PRICE.wholeWork * sum(workCuts)) / lengthMs : 0) +
            (pauseCuts.length ? PRICE.pauses + seconds(sum(pauseCuts)) / 4 : 0),
        });
      }
    }
  }
  return choices;
}

/** How much shorter the work gets, round by round where they differ. */
function shorter(cuts: readonly { of: PlayStep; ms: number }[]): string {
  const told = cuts.map(({ of, ms }) => {
    const length = playLengthMs(of);
    return `${seconds(length - ms)} s instead of ${seconds(length)} s`;
  });
  return [...new Set(told)].slice(0, 3).join(', then ');
}

/** The segments still to come, each with its parts, in the order they come. */
function comingOf(queue: readonly PlayStep[], index: number): Coming[] {
  const bySegment = new Map<string, Coming>();
  const begun = new Map<string, Set<number>>();
  queue.forEach((p, i) => {
    const { segmentId, round } = p.step;
    if (i <= index) {
      begun.set(segmentId, (begun.get(segmentId) ?? new Set()).add(round));
      return;
    }
    const coming = bySegment.get(segmentId) ?? {
      ahead: [],
      begun: begun.get(segmentId) ?? new Set(),
      explains: false,
    };
    coming.ahead.push(p);
    bySegment.set(segmentId, coming);
  });
  const all = [...bySegment.values()];
  const seen = new Map<string, Coming>();
  for (const coming of all) {
    for (const p of coming.ahead) {
      if (p.step.kind !== 'upbeat') continue;
      const meets = meeting(p.step.moveId, p.step.variant);
      const by = seen.get(meets);
      if (p.step.explains) seen.set(meets, coming);
      else if (by && by !== coming) by.explains = true;
    }
  }
  return all;
}

/**
 * Trims the class that is still to come so that it ends at a time: floors, locks and the drain hold, sides
 * stay equal, nothing loses its only explanation, the close stays, and as little as possible changes. The
 * same state is trimmed alike on every machine.
 * @param endAt epoch ms
 */
export function catchUp(state: Playback, endAt: number, solver: Solver): CatchUp {
  const needMs = state.at + remainingMs(state) - endAt;
  if (needMs <= 0) return { cuts: [], dropped: [], lines: [], lateMs: needMs, proved: true };
  const coming = comingOf(state.queue, state.index);
  const groups = coming.map(choicesOf);
  const all = groups.flat();
  const saved: [number, number][] = all.map((c, i) => [i, c.savedMs / 1000]);
  const rows: Program['rows'] = [
    { of: saved, least: needMs / 1000, slackCost: SECOND.late },
    { of: saved, most: needMs / 1000 + EARLY_IS_FINE_S, slackCost: SECOND.early },
  ];
  let from = 0;
  for (const group of groups) {
    const one = group.map((_, i): [number, number] => [from + i, 1]);
    if (one.length) rows.push({ of: one, least: 1, most: 1 });
    from += group.length;
  }
  const { taken, status } = solve({ costs: all.map((c) => c.cost), rows }, solver, EFFORT);
  const chosen = taken.flatMap((i) => all[i] ?? []);
  const stepOf = new Map(coming.flatMap((c) => c.ahead.map((p) => [p.key, p.step] as const)));
  return {
    cuts: chosen.flatMap((c) => c.cuts),
    dropped: chosen.flatMap((c) => c.dropped),
    lines: chosen.flatMap((c) => {
      const step = stepOf.get(c.cuts[0]?.key ?? c.dropped[0] ?? '');
      return step && c.words.length
        ? [{ segmentId: step.segmentId, moveId: step.moveId, words: c.words.join(', ') }]
        : [];
    }),
    lateMs: needMs - chosen.reduce((sum, c) => sum + c.savedMs, 0),
    proved: status === 'optimal',
  };
}

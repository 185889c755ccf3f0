import { type Program, type Solver, solve } from '../fit';
import { isPause, type Playback, type PlayStep, playLengthMs, remainingMs } from './playback';

/** What a catch-up takes away from the steps to come. */
export interface CatchUp {
  cuts: { key: string; ms: number }[];
  dropped: string[];
  /** What a teacher reads before agreeing to it, in running order. */
  lines: { segmentId: string; moveId: string; words: string }[];
  /** How far past the wanted end the class still ends, in ms; below nought where it ends before. */
  lateMs: number;
}

/** The least change first: pauses, then the length of the work, then rounds, then whole moves. Ours. */
const PRICE = { pauses: 1, work: 3, wholeWork: 20, round: 12, leaveOut: 60, leaveOutOptional: 25 };
const MOST_CUTS = 6;
const PAUSE_SHARES = [0, 0.5, 1];
/** What a second past the wanted end costs, and a second before it. */
const SECOND = { late: 50, early: 3 };
const EARLY_IS_FINE_S = 2;

interface Choice {
  cuts: { key: string; ms: number }[];
  dropped: string[];
  words: string[];
  savedMs: number;
  cost: number;
}

const seconds = (ms: number) => Math.round(ms / 1000);

/** How much may be cut from a step. */
const spare = (p: PlayStep): number => Math.max(0, playLengthMs(p) - p.leastMs);

/**
 * The ways in which what is to come of one segment can be made shorter. A round that has begun keeps
 * its work, so that both of its sides stay equal.
 * @param all its parts in the whole queue
 * @param ahead those that have not begun
 */
function choicesOf(all: readonly PlayStep[], ahead: readonly PlayStep[]): Choice[] {
  const begun = new Set(all.filter((p) => !ahead.includes(p)).map((p) => p.step.round));
  const rounds = [...new Set(ahead.map((p) => p.step.round))]
    .filter((round) => !begun.has(round))
    .sort((a, b) => a - b);
  const first = ahead[0]?.step;
  if (!first) return [];
  const whole = begun.size === 0;
  const work = ahead.find((p) => p.step.kind === 'work' && rounds.includes(p.step.round));
  const unitMs = work?.step.unitMs ?? 1000;
  const units = work ? Math.floor(spare(work) / unitMs) : 0;
  const stepsOfCuts = Math.max(1, Math.ceil(units / MOST_CUTS));
  const pausesMs = ahead.filter(isPause).reduce((sum, p) => sum + spare(p), 0);
  const mayLeaveOut = whole && first.phase !== 'close' && first.phase !== 'arrive';

  const choices: Choice[] = [];
  for (let drop = 0; drop <= rounds.length; drop++) {
    const none = whole && drop === rounds.length;
    if (none && !mayLeaveOut) continue;
    const goneRounds = new Set(rounds.slice(rounds.length - drop));
    const gone = ahead.filter((p) => goneRounds.has(p.step.round));
    const kept = ahead.filter((p) => !goneRounds.has(p.step.round));
    const droppedMs = gone.reduce((sum, p) => sum + playLengthMs(p), 0);
    const leaving = work?.step.optional ? PRICE.leaveOutOptional : PRICE.leaveOut;
    const total = begun.size + rounds.length;
    const allUnits = none || rounds.length === drop ? 0 : units;
    for (let cut = 0; cut <= allUnits; cut += stepsOfCuts) {
      for (const share of none || pausesMs < 1000 ? [0] : PAUSE_SHARES) {
        const cuts = kept.flatMap((p) => {
          const most = spare(p);
          const ms =
            p.step.kind === 'work'
              ? rounds.includes(p.step.round)
                ? Math.min(most, Math.round(cut * unitMs))
                : 0
              : isPause(p)
                ? Math.floor((most * share) / 1000) * 1000
                : 0;
          return ms > 0 ? [{ key: p.key, ms }] : [];
        });
        const pauseMs = kept
          .filter(isPause)
          .reduce((sum, p) => sum + Math.floor((spare(p) * share) / 1000) * 1000, 0);
        if (share > 0 && pauseMs === 0) continue;
        const length = work ? playLengthMs(work) : 0;
        const words: string[] = [];
        if (none) words.push('left out');
        else if (drop > 0) words.push(`${total - drop} of ${total} rounds`);
        if (cut > 0) {
          words.push(`${seconds(length - cut * unitMs)} s instead of ${seconds(length)} s`);
        }
        if (pauseMs > 0) words.push(`pauses ${seconds(pauseMs)} s shorter in all`);
        choices.push({
          cuts,
          dropped: gone.map((p) => p.key),
          words,
          savedMs: droppedMs + cuts.reduce((sum, c) => sum + c.ms, 0),
          cost:
            (none ? leaving : drop * PRICE.round) +
            (cut > 0 ? PRICE.work + (PRICE.wholeWork * cut * unitMs) / length : 0) +
            (pauseMs > 0 ? PRICE.pauses + seconds(pauseMs) / 4 : 0),
        });
      }
    }
  }
  return choices;
}

/**
 * Trims the class that is still to come so that it ends at a time: floors and locks hold, sides stay
 * equal, the close stays, and as little as possible changes.
 * @param endAt epoch ms
 */
export function catchUp(state: Playback, endAt: number, solver: Solver): CatchUp {
  const needMs = state.at + remainingMs(state) - endAt;
  const ahead = state.queue.slice(state.index + 1);
  if (needMs <= 0) return { cuts: [], dropped: [], lines: [], lateMs: needMs };
  const segments = [...new Set(ahead.map((p) => p.step.segmentId))];
  const of = (parts: readonly PlayStep[], id: string) =>
    parts.filter((p) => p.step.segmentId === id);
  const groups = segments.map((id) => choicesOf(of(state.queue, id), of(ahead, id)));
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
  const { taken } = solve({ costs: all.map((c) => c.cost), rows }, solver, { seconds: 2 });
  const chosen = taken.flatMap((i) => all[i] ?? []);
  const moveOf = new Map(ahead.map((p) => [p.key, p.step]));
  return {
    cuts: chosen.flatMap((c) => c.cuts),
    dropped: chosen.flatMap((c) => c.dropped),
    lines: chosen.flatMap((c) => {
      const step = moveOf.get(c.cuts[0]?.key ?? c.dropped[0] ?? '');
      return step && c.words.length
        ? [{ segmentId: step.segmentId, moveId: step.moveId, words: c.words.join(', ') }]
        : [];
    }),
    lateMs: needMs - chosen.reduce((sum, c) => sum + c.savedMs, 0),
  };
}

import { PHASES, type PhaseName } from '../class';
import { type Move, mainRegion, REGIONS, type Region } from '../move';
import type { Program, Row } from '../program';
import type { Candidate } from './candidates';
import { type DraftWish, serves } from './wish';

/** The choice of moves comes this near to the slot; the fit then makes it last the slot exactly. */
const NEAR = 0.96;
/** Where kit and cautions leave little, a class of this share of the slot is better than none. */
const ENOUGH = 0.5;

/** How a class of a length is usually made up: least and most segments of each phase (common practice). */
function shape(slotSeconds: number): Record<PhaseName, [least: number, most: number]> {
  const minutes = slotSeconds / 60;
  if (minutes < 4)
    return { arrive: [0, 1], warmUp: [0, 1], work: [1, 2], massage: [0, 1], close: [0, 0] };
  if (minutes < 8)
    return { arrive: [1, 1], warmUp: [1, 1], work: [1, 3], massage: [0, 1], close: [0, 1] };
  if (minutes < 15)
    return { arrive: [1, 1], warmUp: [1, 2], work: [2, 5], massage: [1, 3], close: [1, 1] };
  if (minutes < 40)
    return { arrive: [1, 1], warmUp: [2, 4], work: [3, 9], massage: [2, 7], close: [1, 1] };
  return { arrive: [1, 2], warmUp: [2, 8], work: [5, 24], massage: [3, 20], close: [1, 2] };
}

/** Least and most share of the slot for the phases that take most of it. */
const SHARES: Partial<Record<PhaseName, [least: number, most: number]>> = {
  work: [0.3, 0.7],
  massage: [0.1, 0.45],
};

const MOST_FIRM = 2;
/** Work with firm hands that nothing eases, in ms: as much as the check allows. */
const MOST_FIRM_MS = 120_000;
const EASING_SECONDS = 10;

/** Prices, all our own: what the class is for first, then variety, then chance. */
const COST = {
  aimed: -6,
  missingRegion: 60,
  recent: 3,
  shown: 12,
  newToAll: 4,
  chance: 3,
  firm: 2,
  off: 3,
  toConfirm: 4,
  noNeckWarmUp: 20,
  missingSecond: 0.5,
};

/** Chance without a generator: the same text and seed always give the same number from 0 to 1. */
function chance(text: string, seed: number): number {
  let h = seed ^ 0x9e3779b9;
  for (const c of text) h = Math.imul(h ^ (c.codePointAt(0) ?? 0), 0x01000193);
  h = Math.imul(h ^ (h >>> 15), 0x85ebca6b);
  return ((h ^ (h >>> 13)) >>> 0) / 2 ** 32;
}

/** The program of a draft: at most one amount of each move, in the shape of a class of this length. */
export function programOf(
  wish: DraftWish,
  candidates: readonly Candidate[],
  {
    fixedMs,
    relaxed,
  }: {
    /** What the class takes besides. */
    fixedMs: number;
    /** Asks for less: any number of segments, and only so much of the slot. */
    relaxed: boolean;
  },
): Program {
  const met = (move: Move) => wish.people.filter((p) => p.met.has(move.id)).length;
  const costs = candidates.map(({ move, done, off, toConfirm }) => {
    let cost = COST.chance * chance(move.id, wish.seed);
    if (serves(wish.aim, move)) cost += COST.aimed;
    if (wish.recent.includes(move.id)) cost += COST.recent;
    if (wish.shown.some((moves) => moves.includes(move.id))) cost += COST.shown;
    if (wish.people.length && met(move) === 0) cost += COST.newToAll;
    if (done.hands === 'firm') cost += COST.firm;
    if (toConfirm) cost += COST.toConfirm;
    // The wanted amount is the best one; others only help to make the time come out.
    return Math.round(100 * (cost + COST.off * off)) / 100;
  });
  const rows: Row[] = [];
  const all = (of: (c: Candidate) => number): Row['of'] =>
    candidates.flatMap((c, i): Row['of'] => {
      const coefficient = of(c);
      return coefficient ? [[i, coefficient]] : [];
    });
  const row = (of: (c: Candidate) => number, bounds: Omit<Row, 'of'>) => {
    const terms = all(of);
    if (terms.length) rows.push({ of: terms, ...bounds });
  };
  for (const id of new Set(candidates.map((c) => c.move.id))) {
    row((c) => (c.move.id === id ? 1 : 0), { most: 1 });
  }
  const slot = wish.slotSeconds - fixedMs / 1000;
  row((c) => c.lengthMs / 1000, { least: (relaxed ? ENOUGH : NEAR) * slot, most: slot });
  if (relaxed) row((c) => c.lengthMs / 1000, { least: NEAR * slot, slackCost: COST.missingSecond });
  const parts = shape(wish.slotSeconds);
  for (const phase of PHASES) {
    const [usually, most] = parts[phase];
    const least = relaxed ? 0 : usually;
    row((c) => (c.phase === phase ? 1 : 0), { least, most });
    const share = SHARES[phase];
    if (share && least > 0) {
      row((c) => (c.phase === phase ? c.lengthMs / 1000 : 0), {
        least: share[0] * slot,
        most: share[1] * slot,
        slackCost: 1,
      });
    }
  }
  const working = (c: Candidate) => c.phase === 'work' || c.phase === 'massage';
  const isDrain = (c: Candidate) => c.phase === 'massage' && c.done.demands.includes('drain');
  const massages = parts.massage[1];
  if (candidates.some(isDrain)) {
    // A massage ends by draining, once.
    row((c) => (isDrain(c) ? massages : c.phase === 'massage' ? -1 : 0), { least: 0 });
    row((c) => (isDrain(c) ? 1 : 0), { most: 1 });
  }
  row((c) => (c.done.hands === 'firm' ? 1 : 0), { most: MOST_FIRM });
  row(
    (c) =>
      c.done.hands === 'firm' && c.segment.releaseSeconds < EASING_SECONDS ? c.workMs / 1000 : 0,
    { most: MOST_FIRM_MS / 1000 },
  );
  row((c) => (c.done.head === 'back' ? 1 : 0), { most: 1 });
  const inRegion = (region: Region) => (c: Candidate) =>
    c.phase !== 'arrive' && c.phase !== 'close' && mainRegion(c.done) === region ? 1 : 0;
  // Shoulders and neck warm up first, whatever the class is about.
  if (parts.warmUp[1] > 0) {
    row((c) => (c.phase === 'warmUp' && inRegion('neck')(c) ? 1 : 0), {
      least: 1,
      slackCost: COST.noNeckWarmUp,
    });
  }
  if (wish.aim.kind === 'whole') {
    for (const region of REGIONS) {
      row(inRegion(region), { least: 1, slackCost: COST.missingRegion });
      row((c) => (working(c) ? inRegion(region)(c) : 0), { most: wish.slotSeconds > 2400 ? 8 : 3 });
    }
  } else if (wish.aim.kind === 'focus') {
    const { aim } = wish;
    for (const region of REGIONS) {
      // About three for the focus to one for each other part.
      row((c) => (!working(c) ? 0 : serves(aim, c.move) ? 1 : -3 * inRegion(region)(c)), {
        least: 0,
        slackCost: COST.missingRegion,
      });
    }
  } else {
    const { aim } = wish;
    row((c) => (!working(c) ? 0 : serves(aim, c.move) ? 1 : -1), {
      least: 0,
      slackCost: COST.missingRegion,
    });
  }
  for (const moves of wish.shown) {
    // Clearly different: at most half of the working moves of any draft shown before.
    const before = (c: Candidate) => working(c) && moves.includes(c.move.id);
    const most = Math.floor(new Set(candidates.filter(before).map((c) => c.move.id)).size / 2);
    row((c) => (before(c) ? 1 : 0), { most });
  }
  return { costs, rows };
}

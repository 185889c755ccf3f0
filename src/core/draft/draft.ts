import { type BookedPerson, sortedByOrder } from '../checks';
import {
  type Aim,
  addSegment,
  changeRules,
  emptyPlan,
  freeSegmentIds,
  PHASES,
  type PhaseName,
  type Plan,
  phaseFor,
  type Rules,
  type Segment,
  segmentOf,
} from '../class';
import { fitToSlot, type Program, type Row, type Solver, solve } from '../fit';
import {
  AREA_NAMES,
  type CarriedCaution,
  concerns,
  countOf,
  doseBeats,
  doseMs,
  doseRange,
  inVariant,
  type Language,
  type Move,
  mainRegion,
  PURPOSE_NAMES,
  REGION_NAMES,
  REGIONS,
  type Region,
  type Variant,
  worksOn,
} from '../move';
import {
  type Book,
  closingMs,
  type LengthOptions,
  performedSides,
  turnLength,
  turnsOfBlock,
} from '../score';

/** What a class is to be drafted from. */
export interface DraftWish {
  name: string;
  slotSeconds: number;
  language: Language;
  aim: Aim;
  kit: Plan['kit'];
  rules: Partial<Rules>;
  people: readonly BookedPerson[];
  /** Moves that these people did in their last sessions. */
  recent: readonly string[];
  /** Moves of the drafts shown before, so that another one is clearly different. */
  shown: readonly (readonly string[])[];
  /** Makes equal choices fall differently; the same seed gives the same draft. */
  seed: number;
}

export interface Drafted {
  plan: Plan;
  /** Why each segment is there, in a few words, by segment id. */
  reasons: Map<string, string>;
  cost: number;
}

/** A move in one amount and version that a class could have. */
interface Candidate {
  move: Move;
  done: Move;
  variant: Variant | undefined;
  phase: PhaseName;
  segment: Segment;
  lengthMs: number;
  workMs: number;
}

/** The choice of moves comes this near to the slot; the fit then makes it last the slot exactly. */
const NEAR = 0.96;

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

const SHORTER = 0.7;
const MOST_FIRM = 2;
/** Work with the head back, in ms, well under what the check allows in a row. */
const MOST_HEAD_BACK_MS = 45_000;

/** Prices, all our own: what the class is for first, then variety, then chance. */
const COST = {
  aimed: -6,
  missingRegion: 60,
  recent: 3,
  shown: 12,
  newToAll: 4,
  chance: 3,
  firm: 2,
};

const CLOSING = ['warm-palms-over-eyes', 'travelling-palms', 'closing-word'];

/** The version of a move that everybody booked can do, or null where there is none. */
function versionForAll(
  move: Move,
  people: readonly { cautions: readonly CarriedCaution[] }[],
): { done: Move; variant: Variant | undefined } | null {
  for (const variant of [undefined, 'easier'] as const) {
    if (variant && !move.variants[variant]) continue;
    const done = inVariant(move, variant);
    const open = people.some((p) => concerns(done, p.cautions).length > 0);
    const strong = done.pressure === 'strong';
    if (!open && !strong) return { done, variant };
  }
  return null;
}

/** The amounts a move could be done in: the usual one, and a shorter one where its range has room. */
function amounts(move: Move): { rounds: number; dose: Move['dose'] }[] {
  const [floor] = doseRange(move, doseMs(move.dose));
  const { count, beatMs } = doseBeats(move.dose);
  const timed = move.dose.kind === 'hold' || move.dose.kind === 'open';
  const step = (timed && count >= 20) || (move.sides === 'alternating' && !timed) ? 2 : 1;
  const fewer = Math.round((count * SHORTER) / step) * step;
  const short = fewer >= step && fewer < count && fewer * beatMs >= floor * 1000;
  const doses = short ? [move.dose, countOf(move.dose, fewer)] : [move.dose];
  const rounds = move.rounds > 1 ? [move.rounds, move.rounds - 1] : [1];
  return rounds.flatMap((r) => doses.map((dose) => ({ rounds: r, dose })));
}

/** Chance without a generator: the same text and seed always give the same number from 0 to 1. */
function chance(text: string, seed: number): number {
  let h = seed ^ 0x9e3779b9;
  for (const c of text) h = Math.imul(h ^ (c.codePointAt(0) ?? 0), 0x01000193);
  h = Math.imul(h ^ (h >>> 15), 0x85ebca6b);
  return ((h ^ (h >>> 13)) >>> 0) / 2 ** 32;
}

const MASSAGE_ON_OIL = ['oilToClose', 'oil'];

function usable(move: Move, wish: DraftWish, rules: Rules): boolean {
  if (!move.props.every((prop) => wish.kit.includes(prop))) return false;
  if (rules.skin === 'dry' && move.surface === 'glide') return false;
  if (rules.skin === 'oil' && move.surface === 'dry') return false;
  const late = phaseFor(move) === 'massage';
  return !(late && MASSAGE_ON_OIL.includes(rules.skin) && move.surface === 'dry');
}

function phasesOf(move: Move): PhaseName[] {
  if (move.kind !== 'breath') return [phaseFor(move)];
  return CLOSING.includes(move.id) ? ['close'] : ['arrive'];
}

function candidatesOf(
  wish: DraftWish,
  plan: Plan,
  shelf: readonly Move[],
  book: Book,
  options: LengthOptions,
): Candidate[] {
  const lengthOfTurn = turnLength(plan, book, options);
  return shelf.flatMap((move) => {
    const version = versionForAll(move, wish.people);
    if (!version || !usable(move, wish, plan.rules)) return [];
    const { done, variant } = version;
    return phasesOf(move).flatMap((phase) =>
      amounts(done).flatMap(({ rounds, dose }): Candidate[] => {
        const segment: Segment = {
          ...segmentOf(move, 's0'),
          dose,
          rounds,
          ...(variant && { variant }),
        };
        const block = { id: 'b', order: 'straight' as const, laps: 1, segments: [segment] };
        const lastTurn = phase === 'close';
        const turns = turnsOfBlock(block, phase, new Set());
        const lengthMs = turns.reduce(
          (sum, t) => sum + lengthOfTurn(t, lastTurn && t === turns.at(-1)),
          0,
        );
        const workMs = rounds * performedSides(segment.sides).length * doseMs(dose);
        if (done.head === 'back' && workMs > MOST_HEAD_BACK_MS) return [];
        return [{ move, done, variant, phase, segment, lengthMs, workMs }];
      }),
    );
  });
}

const serves = (aim: Aim, move: Move): boolean =>
  aim.kind === 'focus'
    ? worksOn(move, aim.areas)
    : aim.kind === 'purpose' && move.purposes.includes(aim.purpose);

/** The program of a draft: at most one amount of each move, in the shape of a class of this length. */
function programOf(wish: DraftWish, candidates: readonly Candidate[], fixedMs: number): Program {
  const met = (move: Move) => wish.people.filter((p) => p.met.has(move.id)).length;
  const costs = candidates.map(({ move, done, segment }) => {
    let cost = COST.chance * chance(move.id, wish.seed);
    if (serves(wish.aim, move)) cost += COST.aimed;
    if (wish.recent.includes(move.id)) cost += COST.recent;
    if (wish.shown.some((moves) => moves.includes(move.id))) cost += COST.shown;
    if (wish.people.length && met(move) === 0) cost += COST.newToAll;
    if (done.hands === 'firm') cost += COST.firm;
    // The usual amount is the best one; others only help to make the time come out.
    const asUsual = segment.rounds === move.rounds && doseMs(segment.dose) === doseMs(move.dose);
    return Math.round(100 * (cost + (asUsual ? 0 : 1))) / 100;
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
  row((c) => c.lengthMs / 1000, { least: NEAR * slot, most: slot });
  const parts = shape(wish.slotSeconds);
  for (const phase of PHASES) {
    const [least, most] = parts[phase];
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
  row((c) => (c.done.head === 'back' ? 1 : 0), { most: 1 });
  const inRegion = (region: Region) => (c: Candidate) =>
    c.phase !== 'arrive' && c.phase !== 'close' && mainRegion(c.done) === region ? 1 : 0;
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

/** Near enough to the best: the difference is a matter of taste by then. */
const LIMITS = { seconds: 1.2, gap: 0.1 };
const FIT_LIMITS = { seconds: 1, gap: 0.5 };

/**
 * Drafts a class: chooses moves, amounts and order by the same solver that fits a class to its slot.
 * No move that a caution of somebody booked speaks against is ever taken.
 * @returns null where nothing fits the wish: too short a slot, or too little left by kit and cautions
 */
export function draft(
  wish: DraftWish,
  shelf: readonly Move[],
  book: Book,
  solver: Solver,
  options: LengthOptions = {},
): Drafted | null {
  const empty: Plan = {
    ...changeRules(emptyPlan(wish.name, wish.slotSeconds), wish.rules),
    language: wish.language,
    aim: wish.aim,
    kit: wish.kit,
  };
  const candidates = candidatesOf(wish, empty, shelf, book, options);
  const program = programOf(wish, candidates, closingMs(empty));
  const answer = solve(program, solver, LIMITS);
  const chosen = answer.taken.flatMap((i) => candidates[i] ?? []);
  if (chosen.length === 0) return null;
  const plan = chosen.reduce((next, { phase, segment }) => {
    const [id = 's'] = freeSegmentIds(next, 1);
    return addSegment(next, { ...segment, id }, phase);
  }, empty);
  const moveOf = (id: string) => book.move(id);
  const ordered = sortedByOrder(warmFirst(plan, moveOf), moveOf);
  const fitted = fitToSlot(ordered, book, solver, {
    ...options,
    limits: FIT_LIMITS,
    refused: roundsOf(ordered),
  });
  const exact = fitted.kind === 'fits' ? fitted.plan : fitted.nearest;
  return {
    plan: exact,
    reasons: reasonsOf(exact, wish, chosen),
    cost: answer.taken.reduce((sum, i) => sum + (program.costs[i] ?? 0), 0),
  };
}

/** Rounds were chosen with the moves; leaving them alone keeps the second step quick. */
const roundsOf = (plan: Plan): Set<string> =>
  new Set(
    PHASES.flatMap((phase) =>
      plan.phases[phase].flatMap((b) => b.segments.map((s) => `${s.id} rounds`)),
    ),
  );

/** Shoulders and neck before tapping and scalp, as a warm-up goes. */
function warmFirst(plan: Plan, moveOf: (id: string) => Move | undefined): Plan {
  const height = (id: string) => {
    const move = moveOf(id);
    const region = move && mainRegion(move);
    return region ? REGIONS.indexOf(region) : REGIONS.length;
  };
  const warmUp = plan.phases.warmUp.toSorted(
    (a, b) => height(a.segments[0]?.move ?? '') - height(b.segments[0]?.move ?? ''),
  );
  return { ...plan, phases: { ...plan.phases, warmUp } };
}

function reasonsOf(plan: Plan, wish: DraftWish, chosen: readonly Candidate[]): Map<string, string> {
  const byMove = new Map(chosen.map((c) => [c.move.id, c]));
  const covered = new Set<Region>();
  return new Map(
    PHASES.flatMap((phase) =>
      plan.phases[phase].flatMap((block) =>
        block.segments.map((segment): [string, string] => {
          const candidate = byMove.get(segment.move);
          return [segment.id, candidate ? reasonOf(candidate, wish, covered) : ''];
        }),
      ),
    ),
  );
}

function reasonOf(
  { move, done, variant, phase }: Candidate,
  wish: DraftWish,
  covered: Set<Region>,
): string {
  const words: string[] = [];
  if (phase === 'arrive') words.push('to arrive');
  if (phase === 'close') words.push('a quiet end');
  if (done.demands.includes('drain')) words.push('drains at the end');
  if (wish.aim.kind === 'focus' && serves(wish.aim, move)) {
    const area = wish.aim.areas.find((a) => worksOn(move, [a]));
    words.push(`for the focus: ${area ? AREA_NAMES[area] : 'here'}`);
  }
  if (wish.aim.kind === 'purpose' && serves(wish.aim, move)) {
    words.push(`helps to ${PURPOSE_NAMES[wish.aim.purpose]}`);
  }
  const region = mainRegion(done);
  if (words.length === 0 && region && !covered.has(region))
    words.push(`the first work for: ${REGION_NAMES[region]}`);
  if (region) covered.add(region);
  if (words.length === 0)
    words.push(
      phase === 'warmUp'
        ? 'warms up'
        : `more for: ${region ? REGION_NAMES[region] : 'the whole face'}`,
    );
  if (variant === 'easier') words.push('the easier version suits everybody');
  const newcomers = wish.people.filter((p) => !p.met.has(move.id)).length;
  const all = wish.people.length;
  if (all && newcomers === 0) words.push('everybody knows it');
  else if (newcomers > 0)
    words.push(newcomers === all ? 'new to everybody' : `new to ${newcomers}`);
  const lately = wish.recent.includes(move.id);
  if (wish.recent.length && !lately && newcomers < all) words.push('not done lately');
  return words.join('; ');
}

export const draftMoves = (plan: Plan): string[] =>
  PHASES.flatMap((phase) => plan.phases[phase].flatMap((b) => b.segments.map((s) => s.move)));

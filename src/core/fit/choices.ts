import {
  type Block,
  moveIn,
  type Plan,
  placedSegments,
  type ResolvedClass,
  type Segment,
  stagesOver,
} from '../class';
import {
  countOf,
  type Dose,
  doseBeats,
  doseMs,
  doseRange,
  doseSchema,
  isTimed,
  type Move,
  type MoveText,
  ownRange,
  variantText,
} from '../move';
import type { SearchLimits } from '../program';

/** Limits that the fit keeps to, and that can be let go one by one to see which of them collide. */
export const LIMITS = ['locks', 'floors', 'ceilings', 'rounds', 'balance', 'refusals'] as const;
export type Limit = (typeof LIMITS)[number];
/** What stands in the way of a fit: a limit, what would not be safe, or the slot itself. */
export type Obstacle = Limit | 'safety' | 'slot';

export interface FitOptions {
  /** Edits the teacher does not want, as `segmentId what`. */
  refused?: ReadonlySet<string>;
  /** Segments that stay as they are, since changing them would raise something that must be changed. */
  frozen?: ReadonlySet<string>;
  /**
   * The segments concerned where a changed class would have something that must be changed and does not
   * have to be now. Their changes are not made.
   */
  unsafe?: (changed: Plan) => readonly string[];
  /** SearchLimits that are let go. */
  without?: readonly Limit[];
  /** When the solver may stop looking for a smaller change; it finds the smallest where nothing is said. */
  limits?: SearchLimits;
}

/** A value that a segment may take, and what changing to it costs. */
export interface Option<T> {
  value: T;
  cost: number;
}

/** What of one segment may be changed. The first of each list is how it is now, at no cost. */
export interface SegmentOptions {
  segment: Segment;
  doses: Option<Dose>[];
  rounds: Option<number>[];
  rests: Option<number>[];
  releases: Option<number>[];
  /** What leaving it out costs; undefined where it has to stay. */
  leaveOut?: number;
}

export interface BlockOptions {
  block: Block;
  laps: Option<number>[];
  segments: SegmentOptions[];
}

/**
 * The price of a change, so that the least change comes first: rests before releases before doses
 * before rounds before laps before leaving out. Values are our own.
 */
const PRICE = {
  rest: 1,
  release: 2,
  dose: 3,
  wholeDose: 20,
  round: 12,
  lap: 15,
  leaveOut: 25,
};

const MOST_DOSES = 15;
const HOLD_STEP_SECONDS = 5;
const FINE_UP_TO_SECONDS = 15;
const REST_REACH_SECONDS = 6;
const MOST_REST_SECONDS = 10;
const LEAST_RELEASE_SECONDS = 3;
const MOST_RELEASE_SECONDS = 15;

/** The largest number up to one that a dose of its kind may have; 0 where there is none. */
function mostOf(dose: Dose, upTo: number): number {
  let n = upTo;
  while (n > 0 && !doseSchema.safeParse(countOf(dose, n)).success) n--;
  return n;
}

/** The amounts of a dose between its move's floor and ceiling that a teacher would choose. */
function dosesOf(segment: Segment, move: Move, without: readonly Limit[]): Option<Dose>[] {
  const { dose, sides } = segment;
  const now = doseMs(dose);
  const usual = doseMs(move.dose);
  const [floor, ceiling] = ownRange(dose) ?? doseRange(move, usual);
  const least = (without.includes('floors') ? floor / 2 : floor) * 1000;
  const most = Math.min(600, without.includes('ceilings') ? ceiling * 2 : ceiling) * 1000;
  const { count, beatMs } = doseBeats(dose);
  const timed = isTimed(dose);
  const step = timed && most > FINE_UP_TO_SECONDS * 1000 ? HOLD_STEP_SECONDS : 1;
  const all: Option<Dose>[] = [];
  const first = Math.max(1, Math.ceil(least / beatMs / step) * step);
  const last = mostOf(dose, Math.floor(most / beatMs));
  for (let n = first; n <= last; n += step) {
    if (n === count || (sides === 'alternating' && !timed && n % 2)) continue;
    const other = countOf(dose, n);
    if (stagesOver(other, segment.stages ?? []) > stagesOver(dose, segment.stages ?? [])) continue;
    const change = Math.abs(doseMs(other) - now) / now;
    all.push({ value: other, cost: PRICE.dose + Math.ceil(PRICE.wholeDose * change) });
  }
  const nearest = [...all].sort((a, b) => a.cost - b.cost);
  const every = Math.ceil(nearest.length / (MOST_DOSES - 1));
  return [{ value: dose, cost: 0 }, ...nearest.filter((_, i) => i % Math.max(1, every) === 0)];
}

function seconds(now: number, least: number, most: number, price: number): Option<number>[] {
  const list: Option<number>[] = [{ value: now, cost: 0 }];
  for (let by = 1; by <= REST_REACH_SECONDS; by++) {
    for (const value of [now - by, now + by]) {
      if (value >= least && value <= most) list.push({ value, cost: price + by });
    }
  }
  return list;
}

function whole(now: number, least: number, most: number, price: number): Option<number>[] {
  const list: Option<number>[] = [{ value: now, cost: 0 }];
  for (let value = least; value <= most; value++) {
    if (value !== now) list.push({ value, cost: price * Math.abs(value - now) });
  }
  return list;
}

const ROUNDS_REACH = { fewer: 2, more: 1 };
const USUAL_ROUNDS = 3;

/** What may be changed in a class, block by block and segment by segment. */
export function choicesOf(
  { plan, moves }: ResolvedClass,
  { refused: asked = new Set(), frozen = new Set(), without = [] }: FitOptions = {},
): BlockOptions[] {
  const refused = without.includes('refusals') ? new Set<string>() : asked;
  const placed = placedSegments(plan);
  const uses = new Map<string, number>();
  for (const { segment } of placed) uses.set(segment.move, (uses.get(segment.move) ?? 0) + 1);
  const last = placed.at(-1)?.segment.id;
  const blocks = new Map(placed.map((p) => [p.block.id, p.block]));
  return [...blocks.values()].map((block) => {
    const isFixed = (s: Segment) =>
      frozen.has(s.id) || (s.locked && !without.includes('locks')) || false;
    const anyLocked = block.segments.some(isFixed);
    const segments = block.segments.map((segment): SegmentOptions => {
      const move = moveIn(moves, segment);
      const locked = isFixed(segment);
      const free = (what: string) => !locked && !refused.has(`${segment.id} ${what}`);
      const own = (segment.byRound?.length ?? 0) > 0;
      const { rounds, restSeconds, releaseSeconds } = segment;
      const pauses = releaseSeconds + restSeconds > 0;
      const reach = without.includes('rounds')
        ? [1, 10]
        : [
            Math.max(1, rounds - ROUNDS_REACH.fewer),
            Math.max(rounds, Math.min(USUAL_ROUNDS, rounds + ROUNDS_REACH.more)),
          ];
      const [fewest = 1, most = 1] = block.order === 'straight' && !own ? reach : [rounds, rounds];
      const droppable =
        segment.optional &&
        free('segment') &&
        uses.get(segment.move) === 1 &&
        segment.id !== last &&
        block.segments.length === 1 &&
        block.order === 'straight';
      return {
        segment,
        doses:
          !own && free('dose')
            ? dosesOf(segment, move, without)
            : [{ value: segment.dose, cost: 0 }],
        rounds: free('rounds')
          ? whole(rounds, fewest, most, PRICE.round)
          : [{ value: rounds, cost: 0 }],
        rests:
          pauses && free('rest')
            ? seconds(
                restSeconds,
                releaseSeconds > 0 ? 0 : LEAST_RELEASE_SECONDS,
                Math.max(restSeconds, MOST_REST_SECONDS),
                PRICE.rest,
              )
            : [{ value: restSeconds, cost: 0 }],
        releases:
          releaseSeconds > 0 && free('release')
            ? seconds(
                releaseSeconds,
                Math.min(
                  releaseSeconds,
                  leastRelease(segment, variantText(move, plan.language, segment.variant)),
                ),
                Math.max(releaseSeconds, MOST_RELEASE_SECONDS),
                PRICE.release,
              )
            : [{ value: releaseSeconds, cost: 0 }],
        ...(droppable && { leaveOut: PRICE.leaveOut }),
      };
    });
    const refusedLaps = block.segments.some((s) => refused.has(`${s.id} laps`));
    const laps =
      block.order === 'circuit' && !anyLocked && !refusedLaps
        ? whole(
            block.laps,
            Math.max(1, block.laps - ROUNDS_REACH.fewer),
            Math.max(block.laps, Math.min(USUAL_ROUNDS, block.laps + ROUNDS_REACH.more)),
            PRICE.lap,
          )
        : [{ value: block.laps, cost: 0 }];
    return { block, laps, segments };
  });
}

/** The shortest release of a segment, in seconds: long enough to say its let-go, and to be of any use. */
function leastRelease(segment: Segment, text: MoveText): number {
  const words = segment.cues?.letGo ?? text.letGo;
  return Math.max(LEAST_RELEASE_SECONDS, Math.ceil(words.length / 12) + 1);
}

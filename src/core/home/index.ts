import {
  addSegment,
  changeRules,
  emptyPlan,
  freeSegmentIds,
  type Plan,
  phaseFor,
  segmentOf,
  updateSegment,
} from '../class';
import { versionForAll } from '../draft';
import type { Language } from '../language';
import { filled } from '../language/filled';
import { type CarriedCaution, HANDS_FREE_RELEASE, type Move, strongAreas } from '../move';
import { type Book, compile } from '../score';
import type { GivenWords } from './words/words';

export * from './for-person';

/** A move of a class to do at home, as somebody reads it. */
export interface HomeLine {
  id: string;
  name: string;
  /** How much there is of it, in the version that is for them; null where they are to leave it out. */
  dose: string | null;
  /** How it is done in the version that is for them, and what to mind; nothing of what they leave out. */
  how: string;
  mind: string;
  does: 'asPlanned' | 'easier' | 'handsFree' | 'leaveOut';
  /** Why it is not as planned: something they carry now is against it, or it is too strong to be done alone. */
  because: 'carried' | 'strong' | null;
  /** How often a week at most; null where it may be done every day, or is not done. */
  aWeek: number | null;
}

/** What somebody reads of how a move is done, and how often. */
export function readOf({ how, does, because, aWeek }: HomeLine, given: GivenWords): string {
  const strong = because === 'strong';
  const before = {
    asPlanned: '',
    easier: strong ? given.strongEasier : given.easier,
    // How it is let go stands in what to mind.
    handsFree: '',
    leaveOut: strong ? given.strongLeaveOut : given.leaveOut,
  }[does];
  const often = aWeek === 1 ? given.once : aWeek && filled(given.aWeek, { times: aWeek });
  return [before, how, often].filter(Boolean).join(' ');
}

/** Whom a home class is for, and what is known of them. */
export interface HomeWish {
  name: string;
  /** How long it may last, in seconds. */
  seconds: number;
  language: Language;
  cautions: readonly CarriedCaution[];
  /** Ids of moves with an open note on form, the newest first. */
  noted: readonly string[];
  /** Ids of the moves they have met. */
  met: readonly string[];
}

export interface HomeDraft {
  plan: Plan;
  /** Names of noted moves that are left out, since something they carry is against every version. */
  left: string[];
}

const MOST_ROUNDS = 3;

/**
 * A short class to do at home, out of moves that somebody has met: those with a note first, then those that
 * work the same places. Every move is done in a version that nothing they carry is against, and let go without
 * hands. It lasts no longer than was wished, by the estimate of its speech.
 * @returns null where they have met nothing that fits
 */
export function homeClass(wish: HomeWish, book: Book): HomeDraft | null {
  const start = changeRules(
    { ...emptyPlan(wish.name, wish.seconds), language: wish.language },
    { release: HANDS_FREE_RELEASE },
  );
  const lengthOf = (plan: Plan) => compile(plan, book).totalMs;
  const fits = (plan: Plan) => lengthOf(plan) <= wish.seconds * 1000;
  /** The class with so many rounds of a segment, where that still fits. */
  const orLonger = (plan: Plan, id: string, rounds: number): Plan => {
    const longer = updateSegment(plan, id, (s) => ({ ...s, rounds: Math.max(rounds, s.rounds) }));
    return fits(longer) ? longer : plan;
  };
  const left: string[] = [];
  let plan = start;
  for (const move of inOrder(wish, book)) {
    const version = versionForAll(move, [{ cautions: [...wish.cautions] }]);
    if ('against' in version) {
      if (wish.noted.includes(move.id)) left.push(move.id);
      continue;
    }
    const [id = 's1'] = freeSegmentIds(plan, 1);
    const segment = { ...segmentOf(move, id), rounds: 1, variant: version.variant };
    const longer = addSegment(plan, segment, phaseFor(move));
    if (!fits(longer)) continue;
    plan = longer;
    // What is to be worked on is done twice before anything else comes in.
    if (wish.noted.includes(move.id)) plan = orLonger(plan, id, 2);
  }
  const ids = Object.values(plan.phases).flatMap((blocks) =>
    blocks.flatMap((b) => b.segments.map((s) => ({ id: s.id, move: s.move }))),
  );
  if (ids.length === 0) return null;
  // What time is left goes into rounds, those with a note first.
  const byNote = [...ids].sort(
    (a, b) => Number(wish.noted.includes(b.move)) - Number(wish.noted.includes(a.move)),
  );
  for (let round = 2; round <= MOST_ROUNDS; round++) {
    for (const { id } of byNote) {
      plan = orLonger(plan, id, round);
    }
  }
  return { plan, left };
}

/** The moves to try, each once: noted, then of the same places, then the rest of what was met. */
function inOrder({ noted, met }: HomeWish, book: Book): Move[] {
  const moves = [...new Set([...noted, ...met])].flatMap((id) => book.move(id) ?? []);
  const areas = new Set(noted.flatMap((id) => book.move(id) ?? []).flatMap(strongAreas));
  const rank = (move: Move): number => {
    const at = noted.indexOf(move.id);
    if (at >= 0) return at - noted.length;
    if (move.kind === 'warmup' || move.kind === 'breath') return 2;
    return strongAreas(move).some((a) => areas.has(a)) ? 0 : 1;
  };
  return moves
    .map((move, i) => ({ move, rank: rank(move), i }))
    .sort((a, b) => a.rank - b.rank || a.i - b.i)
    .map(({ move }) => move);
}

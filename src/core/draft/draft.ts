import { sortedByOrder } from '../balance';
import { type Checked, musts, raises } from '../checks';
import {
  addSegment,
  type Block,
  changeRules,
  emptyPlan,
  freeSegmentIds,
  moveIn,
  PHASES,
  type Plan,
  placedSegments,
  type ResolvedClass,
  resolve,
} from '../class';
import { fitToSlot } from '../fit';
import { mainRegion, REGIONS } from '../move';
import { type Solver, solve } from '../program';
import { type Book, compile, keptFreeMs, type LengthOptions, lengthOf } from '../score';
import { candidatesOf, type Found } from './candidates';
import { programOf } from './program';
import type { Drafted, DraftFrom, DraftWish, NoDraft } from './wish';
import { missingFor, notesOf, reasonsOf } from './words';

/**
 * Near enough to the best: the difference is a matter of taste by then. The search stops after so much
 * work, never after a time, so that a seed gives the same class on every machine.
 */
const SEARCH = { nodes: 400, gap: 0.03 };
const FIT_SEARCH = { nodes: 200, gap: 0.5 };
/** Most classes that are made and looked at before the moves that raise something are given up. */
const MOST_GOES = 6;

/**
 * Drafts a class: chooses moves, amounts and order by the same solver that fits a class to its slot.
 * No move, version or release that a caution of somebody booked speaks against is ever taken, and the
 * class raises nothing that must be changed.
 * @returns what is missing where nothing fits the wish: a slot, kit, or moves that cautions leave
 */
export function draft(wish: DraftWish, from: DraftFrom, solver: Solver): Drafted | NoDraft {
  const { shelf, book, ...options } = from;
  const empty: Plan = {
    ...changeRules(emptyPlan(wish.name, wish.slotSeconds), wish.rules),
    language: wish.language,
    aim: wish.aim,
    kit: wish.kit,
  };
  const found = candidatesOf(wish, empty, from);
  const checked = (plan: Plan): Checked => ({
    plan,
    score: compile(plan, book, options),
    book,
    shelf,
    people: wish.people,
    sessionsAWeek: 1,
    compile: (p) => compile(p, book, options),
  });
  const givenUp = new Set<string>();
  for (let go = 0; go < MOST_GOES; go++) {
    const made = makeOf({ wish, empty, found, givenUp, book, solver, options, checked });
    if (!made) break;
    const wrong = musts(checked(made.plan));
    if (wrong.length === 0) {
      const lengthMs = lengthOf(made.plan, book, options);
      return { ...made, notes: notesOf(made, { wish, found, shelf, lengthMs }) };
    }
    const concerned = new Set(wrong.flatMap((f) => f.segments));
    const moves = placedSegments(made.plan).filter((p) => concerned.has(p.segment.id));
    // The last of those concerned goes: one less is often enough.
    const last = moves.at(-1);
    if (!last) break;
    givenUp.add(last.segment.move);
  }
  return { kind: 'none', missing: missingFor(found, wish) };
}

interface Making {
  wish: DraftWish;
  /** The class without a segment. */
  empty: Plan;
  found: Found;
  /** Ids of moves that are not to be chosen. */
  givenUp: ReadonlySet<string>;
  book: Book;
  solver: Solver;
  options: LengthOptions;
  checked: (plan: Plan) => Checked;
}

/** Chooses moves and amounts, puts them in order, and makes them last the slot. */
function makeOf(making: Making): Omit<Drafted, 'notes'> | null {
  const { wish, empty, found, givenUp, book, solver, options, checked } = making;
  const candidates = found.candidates.filter((c) => !givenUp.has(c.move.id));
  for (const relaxed of [false, true]) {
    const program = programOf(wish, candidates, { fixedMs: keptFreeMs(empty), relaxed });
    const answer = solve(program, solver, SEARCH);
    const chosen = answer.taken.flatMap((i) => candidates[i] ?? []);
    if (chosen.length === 0) continue;
    const plan = chosen.reduce((next, { phase, segment }) => {
      const [id = 's'] = freeSegmentIds(next, 1);
      return addSegment(next, { ...segment, id }, phase);
    }, empty);
    const ordered = inOrder(resolve(plan, book));
    const fitted = fitToSlot(ordered, book, solver, {
      ...options,
      limits: FIT_SEARCH,
      refused: roundsOf(ordered),
      unsafe: (changed) =>
        raises(checked(ordered), changed, ['slot-overrun']).flatMap((f) => f.segments),
    });
    const slotMs = wish.slotSeconds * 1000;
    const near = fitted.kind === 'cannot' && fitted.nearestMs <= slotMs ? fitted.nearest : ordered;
    const exact = fitted.kind === 'fits' ? fitted.plan : near;
    return {
      kind: 'drafted',
      plan: exact,
      reasons: reasonsOf(exact, wish, chosen),
      cost: answer.taken.reduce((sum, i) => sum + (program.costs[i] ?? 0), 0),
      proved: answer.status === 'optimal',
    };
  }
  return null;
}

/** Rounds were chosen with the moves; leaving them alone keeps the second step quick. */
const roundsOf = (plan: Plan): Set<string> =>
  new Set(
    PHASES.flatMap((phase) =>
      plan.phases[phase].flatMap((b) => b.segments.map((s) => `${s.id} rounds`)),
    ),
  );

/** Shoulders and neck before tapping and scalp, as a warm-up goes. */
function inOrder({ plan, moves }: ResolvedClass): Plan {
  const height = ({ segments: [first] }: Block) => {
    const region = first && mainRegion(moveIn(moves, first));
    return region ? REGIONS.indexOf(region) : REGIONS.length;
  };
  const warmUp = [...plan.phases.warmUp].sort((a, b) => height(a) - height(b));
  return sortedByOrder({ plan: { ...plan, phases: { ...plan.phases, warmUp } }, moves });
}

export const draftMoves = (plan: Plan): string[] =>
  PHASES.flatMap((phase) => plan.phases[phase].flatMap((b) => b.segments.map((s) => s.move)));

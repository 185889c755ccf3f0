import { type Checked, musts, raises, sortedByOrder } from '../checks';
import {
  addSegment,
  changeRules,
  emptyPlan,
  freeSegmentIds,
  PHASES,
  type Plan,
  placedSegments,
} from '../class';
import { fitToSlot, type Solver, solve } from '../fit';
import { type Move, mainRegion, REGIONS } from '../move';
import { type Book, closingMs, compile, type LengthOptions, lengthOf } from '../score';
import { candidatesOf, type Found } from './candidates';
import { programOf } from './program';
import type { Drafted, DraftWish, NoDraft } from './wish';
import { missingFor, notesOf, reasonsOf } from './words';

/**
 * Near enough to the best: the difference is a matter of taste by then. The search stops after so much
 * work, never after a time, so that a seed gives the same class on every machine.
 */
const LIMITS = { nodes: 400, gap: 0.03 };
const FIT_LIMITS = { nodes: 200, gap: 0.5 };
/** Most classes that are made and looked at before the moves that raise something are given up. */
const MOST_GOES = 6;

/**
 * Drafts a class: chooses moves, amounts and order by the same solver that fits a class to its slot.
 * No move, version or release that a caution of somebody booked speaks against is ever taken, and the
 * class raises nothing that must be changed.
 * @returns what is missing where nothing fits the wish: a slot, kit, or moves that cautions leave
 */
export function draft(
  wish: DraftWish,
  shelf: readonly Move[],
  book: Book,
  solver: Solver,
  options: LengthOptions = {},
): Drafted | NoDraft {
  const empty: Plan = {
    ...changeRules(emptyPlan(wish.name, wish.slotSeconds), wish.rules),
    language: wish.language,
    aim: wish.aim,
    kit: wish.kit,
  };
  const found = candidatesOf(wish, empty, shelf, book, options);
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
    const made = makeOf(wish, empty, found, givenUp, book, solver, options, checked);
    if (!made) break;
    const wrong = musts(checked(made.plan));
    if (wrong.length === 0) {
      const ms = lengthOf(made.plan, book, options);
      return { ...made, notes: notesOf(made, wish, found, shelf, ms) };
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

/** Chooses moves and amounts, puts them in order, and makes them last the slot. */
function makeOf(
  wish: DraftWish,
  empty: Plan,
  found: Found,
  givenUp: ReadonlySet<string>,
  book: Book,
  solver: Solver,
  options: LengthOptions,
  checked: (plan: Plan) => Checked,
): Omit<Drafted, 'notes'> | null {
  const candidates = found.candidates.filter((c) => !givenUp.has(c.move.id));
  for (const relaxed of [false, true]) {
    const program = programOf(wish, candidates, closingMs(empty), relaxed);
    const answer = solve(program, solver, LIMITS);
    const chosen = answer.taken.flatMap((i) => candidates[i] ?? []);
    if (chosen.length === 0) continue;
    const plan = chosen.reduce((next, { phase, segment }) => {
      const [id = 's'] = freeSegmentIds(next, 1);
      return addSegment(next, { ...segment, id }, phase);
    }, empty);
    const ordered = sortedByOrder(warmFirst(plan, book.move), book.move);
    const fitted = fitToSlot(ordered, book, solver, {
      ...options,
      limits: FIT_LIMITS,
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

export const draftMoves = (plan: Plan): string[] =>
  PHASES.flatMap((phase) => plan.phases[phase].flatMap((b) => b.segments.map((s) => s.move)));

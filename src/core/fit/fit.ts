import { PHASES, type Plan, type Segment } from '../class';
import { type Row, type Solver, solve } from '../program';
import { type Book, type LengthOptions, lengthOf } from '../score';
import { type FitOptions, LIMITS, type Limit, type Obstacle } from './choices';
import { type Model, modelOf, planOf } from './model';

/** A class lasts its slot when it ends at most this much before it. */
export const TOLERANCE_MS = 2000;

export type Fitted =
  | {
      kind: 'fits';
      plan: Plan;
      cost: number;
      /** False where the search was stopped before it could prove that no smaller change would do. */
      proved: boolean;
    }
  | {
      kind: 'cannot';
      /** The class nearest to the slot that the limits allow, and its length in ms. */
      nearest: Plan;
      nearestMs: number;
      /**
       * What stands in the way, never empty: letting go of any one of these would make it fit, or of all
       * of them where `together`.
       */
      collide: Obstacle[];
      together: boolean;
    };

/** The search stops after so much work; the best is nearly always proved long before. */
const EFFORT = { nodes: 2000, absoluteGap: 0.99 };

const lengthRow = (model: Model): Row['of'] =>
  model.lengths.flatMap((ms, at): Row['of'] => (ms ? [[at, ms / 1000]] : []));

/** @param any whether any way will do, which is found sooner than the cheapest */
function attempt(
  plan: Plan,
  book: Book,
  solver: Solver,
  { any = false, ...options }: FitOptions & LengthOptions & { any?: boolean },
) {
  const model = modelOf(plan, book, options);
  const slot = plan.slotSeconds - model.fixedMs / 1000;
  const rows = [
    ...model.program.rows,
    { of: lengthRow(model), least: slot - TOLERANCE_MS / 1000, most: slot },
  ];
  const costs = any ? model.program.costs.map(() => 0) : model.program.costs;
  return { model, slot, ...solve({ costs, rows }, solver, options.limits) };
}

/** Whether an attempt fills the slot; one that was stopped may still have found a way. */
function fills({ model, slot, status, taken }: ReturnType<typeof attempt>): boolean {
  if (status !== 'stopped') return status === 'optimal';
  const seconds = taken.reduce((sum, at) => sum + (model.lengths[at] ?? 0), 0) / 1000;
  return taken.length > 0 && seconds <= slot && seconds >= slot - TOLERANCE_MS / 1000;
}

/** Most goes at a fit whose changes would not be safe; each leaves more of the class as it is. */
const MOST_GOES = 12;

/** Tries until no change raises something that must be changed; what does stays as it is. */
function safely(
  plan: Plan,
  options: FitOptions & LengthOptions,
  go: (options: FitOptions & LengthOptions) => { changed: Plan } | null,
): ReadonlySet<string> {
  const frozen = new Set(options.frozen);
  for (let n = 0; options.unsafe && n < MOST_GOES; n++) {
    const made = go({ ...options, frozen });
    const unsafe = made ? options.unsafe(made.changed) : [];
    const before = frozen.size;
    for (const id of unsafe) frozen.add(id);
    if (unsafe.length === 0) return frozen;
    // Nothing more to hold: the trouble is in no single segment, so nothing is changed at all.
    if (frozen.size === before) for (const id of segmentIds(plan)) frozen.add(id);
  }
  return frozen;
}

const segmentIds = (plan: Plan): string[] =>
  PHASES.flatMap((p) => plan.phases[p].flatMap((b) => b.segments.map((s) => s.id)));

const changedBy = (plan: Plan, { model, taken }: ReturnType<typeof attempt>): Plan =>
  planOf(
    plan,
    taken.flatMap((at) => model.effects[at] ?? []),
  );

/** The class as near to its slot as the limits allow. */
function nearestTo(
  plan: Plan,
  book: Book,
  solver: Solver,
  options: FitOptions & LengthOptions,
): Plan {
  const model = modelOf(plan, book, options);
  const slot = plan.slotSeconds - model.fixedMs / 1000;
  const away = { of: lengthRow(model), least: slot, most: slot, slackCost: 1000 };
  const rows = [...model.program.rows, away];
  const near = solve({ costs: model.program.costs, rows }, solver, options.limits ?? EFFORT);
  return changedBy(plan, { model, slot, ...near });
}

/** The limits that collide: any one that is enough, else a smallest set that is enough together. */
function obstacles(
  plan: Plan,
  book: Book,
  solver: Solver,
  options: FitOptions & LengthOptions,
): { collide: Obstacle[]; together: boolean } {
  const letGo = options.without ?? [];
  const fitsWithout = (some: readonly Obstacle[]): boolean => {
    const limits = some.filter((o): o is Limit => o !== 'safety' && o !== 'slot');
    const frozen = some.includes('safety') ? new Set<string>() : options.frozen;
    const without = [...letGo, ...limits];
    return fills(attempt(plan, book, solver, { ...options, without, frozen, any: true }));
  };
  const held: Obstacle[] = LIMITS.filter(
    (limit) =>
      !letGo.includes(limit) &&
      (limit !== 'refusals' || (options.refused?.size ?? 0) > 0) &&
      (limit !== 'locks' || segmentsOf(plan).some((s) => s.locked)),
  );
  if (options.frozen?.size) held.push('safety');
  const alone = held.filter((limit) => fitsWithout([limit]));
  if (alone.length) return { collide: alone, together: false };
  if (!fitsWithout(held)) return { collide: ['slot'], together: false };
  let needed = held;
  for (const limit of held) {
    const fewer = needed.filter((l) => l !== limit);
    if (fitsWithout(fewer)) needed = fewer;
  }
  return { collide: needed, together: true };
}

const segmentsOf = (plan: Plan): Segment[] =>
  PHASES.flatMap((p) => plan.phases[p].flatMap((b) => b.segments));

/**
 * Makes a class last its slot, ending at most 2 s before it, by the least change: an integer program
 * over doses, rounds, laps, rests, releases and segments that may be left out. Locks, floors, ceilings
 * and the balance of the class are kept, and nothing is done that would raise what must be changed. Where
 * that cannot be done it says what stands in the way and how near the class can come.
 */
export function fitToSlot(
  plan: Plan,
  book: Book,
  solver: Solver,
  asked: FitOptions & LengthOptions = {},
): Fitted {
  const options = { limits: EFFORT, ...asked };
  let last: ReturnType<typeof attempt> | null = null;
  const frozen = safely(plan, options, (held) => {
    last = attempt(plan, book, solver, held);
    return fills(last) ? { changed: changedBy(plan, last) } : null;
  });
  const held = { ...options, frozen };
  const first = last ?? attempt(plan, book, solver, held);
  if (fills(first)) {
    const changed = changedBy(plan, first);
    if (!options.unsafe || options.unsafe(changed).length === 0) {
      const cost = first.taken.reduce((sum, at) => sum + (first.model.program.costs[at] ?? 0), 0);
      return { kind: 'fits', plan: changed, cost, proved: first.status === 'optimal' };
    }
  }
  const near = safely(plan, held, (more) => ({ changed: nearestTo(plan, book, solver, more) }));
  const nearest = nearestTo(plan, book, solver, { ...held, frozen: near });
  const nearestMs = lengthOf(nearest, book, options);
  return { kind: 'cannot', nearest, nearestMs, ...obstacles(plan, book, solver, held) };
}

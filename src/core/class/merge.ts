import { dequal } from 'dequal';
import { addSegment, freeSegmentIds, removeSegments, updateSegment } from './edit';
import { PHASES, type Plan, placedSegments, type Segment } from './plan';

export interface Merged {
  plan: Plan;
  /** Names of what both sides changed in different ways; there the plan has mine. */
  collisions: string[];
}

/** As it is stored: what is not there and what is undefined are the same. */
const stored = (value: unknown): unknown =>
  value === undefined ? undefined : JSON.parse(JSON.stringify(value));
const same = (a: unknown, b: unknown): boolean => dequal(stored(a), stored(b));

/** Whether two classes are the same once they are stored. */
export const samePlan: (a: Plan, b: Plan) => boolean = same;

/** The order and grouping of a class without what its segments say. */
const structure = (plan: Plan) =>
  PHASES.map((phase) =>
    plan.phases[phase].map(({ segments, ...block }) => [block, segments.map((s) => s.id)]),
  );

function pick<T>(base: T, mine: T, theirs: T, collide: () => void): T {
  if (same(mine, base)) return theirs;
  if (!same(theirs, base) && !same(mine, theirs)) collide();
  return mine;
}

/**
 * Joins two classes that grew from one. What only one side changed is taken from there; where both
 * changed the same thing, mine stands and is named. Nothing that either side added is lost.
 */
export function mergePlans(base: Plan, mine: Plan, theirs: Plan): Merged {
  const collisions: string[] = [];
  const field = <
    K extends 'name' | 'slotSeconds' | 'language' | 'second' | 'aim' | 'kit' | 'music',
  >(
    key: K,
    name: string,
  ) => pick(base[key], mine[key], theirs[key], () => collisions.push(name));
  const rules = Object.fromEntries(
    Object.keys({ ...base.rules, ...mine.rules, ...theirs.rules }).map((key) => {
      const rule = key as keyof Plan['rules'];
      const of = [base.rules[rule], mine.rules[rule], theirs.rules[rule]] as const;
      return [rule, pick(...of, () => collisions.push(`house rule “${rule}”`))];
    }),
  ) as Plan['rules'];
  const {
    second: _,
    music: __,
    ...scalars
  } = {
    ...mine,
    name: field('name', 'name'),
    slotSeconds: field('slotSeconds', 'slot'),
    language: field('language', 'language'),
    aim: field('aim', 'aim'),
    kit: field('kit', 'kit'),
    rules,
  };
  const second = field('second', 'second language');
  const music = field('music', 'music');

  const was = new Map(placedSegments(base).map((p) => [p.segment.id, p.segment]));
  const here = new Map(placedSegments(mine).map((p) => [p.segment.id, p.segment]));
  const there = new Map(placedSegments(theirs).map((p) => [p.segment.id, p.segment]));
  const mineMoved = !same(structure(mine), structure(base));
  const start = mineMoved ? mine : theirs;
  const may = { ...(second && { second }), ...(music && { music }) };
  let plan: Plan = { ...scalars, ...may, phases: start.phases };

  for (const [id, segment] of was) {
    const [my, their] = [here.get(id), there.get(id)];
    if (!my || !their) {
      const kept = my ?? their;
      // Removed on one side: it stays where the other side has changed it since.
      if (kept && same(kept, segment)) plan = removeSegments(plan, [id]);
      continue;
    }
    const joined = mergeSegments(segment, my, their, () =>
      collisions.push(`the segment “${my.move}”`),
    );
    plan = updateSegment(plan, id, () => joined);
  }
  // What the side whose arrangement was not taken added, or changed while the other took it out.
  const [taken, other] = mineMoved ? [here, theirs] : [there, mine];
  let before: string | undefined;
  for (const { phase, segment } of placedSegments(other)) {
    const known = was.get(segment.id);
    const added = !known && !same(taken.get(segment.id), segment);
    const changed = known && !taken.has(segment.id) && !same(segment, known);
    if (!added && !changed) {
      before = segment.id;
      continue;
    }
    const id = taken.has(segment.id) ? (freeSegmentIds(plan, 1)[0] ?? segment.id) : segment.id;
    const index = plan.phases[phase].findIndex((b) => b.segments.some((s) => s.id === before));
    plan = addSegment(plan, { ...segment, id }, phase, index < 0 ? undefined : index + 1);
    before = id;
  }
  return { plan, collisions };
}

function mergeSegments(
  base: Segment,
  mine: Segment,
  theirs: Segment,
  collide: () => void,
): Segment {
  const keys = new Set([...Object.keys(base), ...Object.keys(mine), ...Object.keys(theirs)]);
  let collided = false;
  const joined = Object.fromEntries(
    [...keys].map((key) => {
      const of = (s: Segment) => (s as Record<string, unknown>)[key];
      return [
        key,
        pick(of(base), of(mine), of(theirs), () => {
          collided = true;
        }),
      ];
    }),
  );
  if (collided) collide();
  return Object.fromEntries(
    Object.entries(joined).filter(([, value]) => value !== undefined),
  ) as Segment;
}

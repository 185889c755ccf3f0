import { LIBRARY_BOOK, libraryMove } from '@library';
import { anyPlan } from '@testing/arbitrary';
import { planOf } from '@testing/plans';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  addSegment,
  kitOf,
  moveBlock,
  neighbour,
  PHASES,
  type Plan,
  parsePlan,
  parsePlanText,
  placedSegments,
  planSchema,
  removeSegment,
  resolve,
  segmentOf,
  updateSegment,
} from '.';

const known = (id: string) => libraryMove(id) !== undefined;
const ids = (plan: Plan) => placedSegments(plan).map((p) => p.segment.id);
const fullPlan = () => planOf([{ move: 'tall-o-cheek-lift' }, { move: 'smile-pulses' }]);

/** A plan with one value put at a path, as a file may bring it. */
function broken(path: (string | number)[], value: unknown): unknown {
  const plan = structuredClone(fullPlan());
  let at = plan as unknown as Record<string | number, unknown>;
  for (const key of path.slice(0, -1)) at = at[key] as typeof at;
  at[path.at(-1) as string] = value;
  return plan;
}

describe('reading a plan file', () => {
  it('takes a good one as it is', () => {
    const plan = fullPlan();
    expect(parsePlanText(JSON.stringify(plan), libraryMove)).toEqual({ ok: true, value: plan });
  });

  const first = ['phases', 'work', 0, 'segments', 0];
  it.each<[string, unknown, string, RegExp]>([
    [
      'an unknown move',
      broken([...first, 'move'], 'moon-walk'),
      'phases.work[0].segments[0].move',
      /"moon-walk"/,
    ],
    [
      'zero rounds',
      broken([...first, 'rounds'], 0),
      'phases.work[0].segments[0].rounds',
      /at least 1 round/,
    ],
    [
      'a negative rest',
      broken([...first, 'restSeconds'], -1),
      'phases.work[0].segments[0].restSeconds',
      /negative/,
    ],
    [
      'a 10-hour hold',
      broken([...first, 'dose'], { kind: 'hold', seconds: 36_000 }),
      'phases.work[0].segments[0].dose.seconds',
      /at most 600 seconds/,
    ],
    [
      'too many slow reps',
      broken([...first, 'dose'], { kind: 'reps', reps: 100, secondsEach: 10 }),
      'phases.work[0].segments[0].dose',
      /longer than 600 seconds/,
    ],
    [
      'an unknown dose',
      broken([...first, 'dose'], { kind: 'furlongs' }),
      'phases.work[0].segments[0].dose.kind',
      /one of hold, counts/,
    ],
    [
      'a control character in a cue',
      broken([...first, 'cues'], { letGo: 'Let\u0007go' }),
      'phases.work[0].segments[0].cues.letGo',
      /control characters/,
    ],
    [
      'two segments with one id',
      broken(['phases', 'work', 1, 'segments', 0, 'id'], 's1'),
      'phases.work[1].segments[0].id',
      /already the id of phases.work.0.segments.0/,
    ],
    ['NaN', broken(['slotSeconds'], Number.NaN), 'slotSeconds', /number of seconds/],
    ['another format', broken(['format'], 'v2'), 'format', /upbeat-class\/1/],
    [
      'laps outside a circuit',
      broken(['phases', 'work', 0, 'laps'], 2),
      'phases.work[0].laps',
      /circuit/,
    ],
  ])('names the field of %s', (_, json, field, message) => {
    const result = parsePlan(json, known);
    expect(result.ok ? [] : result.problems).toContainEqual({
      field,
      message: expect.stringMatching(message),
    });
  });

  it('knows the moves a file brings along', () => {
    const move = { ...libraryMove('smile-pulses'), id: 'my-own-pulses' };
    const plan = { ...fullPlan(), moves: [move] };
    expect(parsePlan(plan, (id) => id === 'tall-o-cheek-lift').ok).toBe(false);
    const own = updateSegment(plan as Plan, 's2', (s) => ({ ...s, move: 'my-own-pulses' }));
    expect(parsePlan(own, (id) => id === 'tall-o-cheek-lift').ok).toBe(true);
  });

  it.each([
    ['text that is not JSON', '{ "name": ', /not JSON/],
    ['a file that is too large', `"${'a'.repeat(1_000_001)}"`, /1 000 000/],
    ['deep nesting', '['.repeat(200_000), /not JSON/],
  ])('refuses %s with one clear sentence', (_, text, message) => {
    const result = parsePlanText(text, libraryMove);
    expect(result.ok ? [] : result.problems).toEqual([
      { field: '', message: expect.stringMatching(message) },
    ]);
  });
});

describe('editing', () => {
  const move = libraryMove('nostril-flares');
  if (!move) throw new Error('the library lost nostril-flares');

  it('adds where it is told and leaves the class before as it was', () => {
    const before = fullPlan();
    const after = addSegment(before, segmentOf(move, 'new'), 'work', 1);
    expect(ids(after)).toEqual(['s1', 'new', 's2']);
    expect(ids(before)).toEqual(['s1', 's2']);
  });

  it('removes the block along with its last segment', () => {
    expect(removeSegment(fullPlan(), 's1').phases.work).toHaveLength(1);
  });

  it('moves a block within its phase and into the next', () => {
    const plan = fullPlan();
    const block = plan.phases.work[1]?.id ?? '';
    const up = neighbour(plan, block, -1);
    expect(up && ids(moveBlock(plan, block, up))).toEqual(['s2', 's1']);
    const down = neighbour(plan, block, 1);
    expect(down).toEqual({ phase: 'massage', index: 0 });
    expect(down && moveBlock(plan, block, down).phases.massage).toHaveLength(1);
  });

  it('knows that there is nowhere beyond the first and the last phase', () => {
    const plan = addSegment(fullPlan(), segmentOf(move, 'a'), 'arrive');
    expect(neighbour(plan, 'block-a', -1)).toBeNull();
  });

  it('never loses or doubles a segment by moving, and stays a valid class', () => {
    fc.assert(
      fc.property(anyPlan, fc.nat(), fc.boolean(), (plan, pick, up) => {
        const blocks = PHASES.flatMap((p) => plan.phases[p]);
        const block = blocks[pick % Math.max(1, blocks.length)];
        const to = block && neighbour(plan, block.id, up ? -1 : 1);
        if (!block || !to) return;
        const moved = moveBlock(plan, block.id, to);
        expect([...ids(moved)].sort()).toEqual([...ids(plan)].sort());
        expect(planSchema.safeParse(moved).success).toBe(true);
      }),
      { numRuns: 200 },
    );
  });
});

describe('what has to be at hand', () => {
  const kit = (plan: Plan) => kitOf(resolve(plan, LIBRARY_BOOK));
  const pen = { move: 'pen-under-nose', rounds: 2 };

  it('is what its moves use as they are done, and what is on the skin from the start', () => {
    expect(kit(planOf([pen, pen]))).toEqual(['pen']);
    expect(kit(planOf([{ ...pen, variant: 'easier' }]))).toEqual([]);
    expect(
      kit(planOf([{ ...pen, variant: 'easier', byRound: [{}, { variant: 'harder' }] }])),
    ).toEqual(kit(planOf([{ ...pen, variant: 'harder' }])));
    expect(kit(planOf([pen], { skin: 'serum' }))).toEqual(['serum', 'pen']);
    expect(kit(planOf([{ move: 'jaw-knuckle-circles' }], { skin: 'oil' }))).toEqual(['oil']);
  });
});

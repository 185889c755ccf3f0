import { LIBRARY, libraryMove } from '@library';
import { RUNS, smallPlan } from '@testing/arbitrary';
import { checkedOf } from '@testing/checked';
import { type Line, planOf } from '@testing/plans';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { groupSegments, type Plan, type Rules, updateBlock } from '@/core/class';
import { type Area, CAUTIONS, type CarriedCaution, type Move, moveSchema } from '@/core/move';
import { type BookedPerson, check, type Finding, musts, repaired } from '.';

/** The smallest classes in which somebody could be hurt and nothing was said, or nothing is wrong. */

const carrying = (...cautions: CarriedCaution[]): BookedPerson[] => [
  { id: 'p1', name: 'Marit', cautions, met: new Set(LIBRARY.map((m) => m.id)) },
];
const context = (plan: Plan, people: BookedPerson[] = [], sessionsAWeek = 1) =>
  checkedOf(plan, { people, sessionsAWeek });
const found = (id: string, plan: Plan, ...more: [BookedPerson[]?, number?]): Finding[] =>
  check(context(plan, ...more)).filter((f) => f.check === id);
const lines = (...all: Line[]) => planOf(all, {}, 3600);
const ruled = (rules: Partial<Rules>, ...all: Line[]) => planOf(all, rules, 3600);
const at = (caution: CarriedCaution['caution'], ...areas: Area[]): CarriedCaution => ({
  caution,
  ...(areas.length && { areas }),
});

describe('a version by round', () => {
  it('that takes the head back is seen by a caution of the neck', () => {
    const plan = lines({ move: 'folded-lip-press', byRound: [{}, { variant: 'harder' }] });
    const [finding] = found('person-caution', plan, carrying(at('neck')));
    expect(finding?.says).toMatch(/should leave it out/);
  });

  it('that is easier in one round of two leaves the other strong', () => {
    const plan = lines({
      move: 'side-knuckle-rolls',
      rounds: 2,
      byRound: [{ variant: 'easier' }, {}],
    });
    expect(found('weekly-cap', plan, [], 2)).toHaveLength(1);
    expect(found('person-caution', plan, carrying(at('jaw')))).toHaveLength(1);
  });

  it('that is easier in every round is no cause for alarm', () => {
    const plan = lines({
      move: 'side-knuckle-rolls',
      rounds: 2,
      byRound: [{ variant: 'easier' }, { variant: 'easier' }],
    });
    expect(found('weekly-cap', plan, [], 2)).toEqual([]);
    expect(found('person-caution', plan, carrying(at('jaw')))).toEqual([]);
  });
});

describe('a caution of one place', () => {
  it.each<[string, string, Area]>([
    ['the drain over the chin', 'closing-face-drain', 'chin'],
    ['tapping under the eyes', 'collarbone-to-crown-tapping', 'eyes'],
    ['slides over the neck', 'upward-slides', 'sideNeck'],
    ['hands below the collarbones', 'anchored-jaw-forward', 'chest'],
    ['palms laid on the jaw', 'travelling-palms', 'jaw'],
    ['fingertips on the cheekbones', 'tall-o-cheek-lift', 'upperCheeks'],
  ])('sees %s', (_, move, area) => {
    expect(found('person-caution', lines({ move }), carrying(at('skin', area)))).not.toEqual([]);
  });

  it('leaves alone what only works a place without touching it', () => {
    const plan = lines({ move: 'anchored-tongue-curl' });
    expect(found('person-caution', plan, carrying(at('procedure', 'underChin')))).toEqual([]);
  });
});

describe('touch that is a release', () => {
  const filler = carrying(at('procedure', 'lowerCheeks'));

  it('is seen where the move itself is done without hands', () => {
    const plan = lines({ move: 'full-cheeks-hold' });
    expect(found('person-caution', plan, filler)).toEqual([]);
    expect(found('person-release', plan, filler)).toHaveLength(1);
  });

  it('is switched for the segment, or for the class', () => {
    const plan = lines({ move: 'full-cheeks-hold' });
    const [finding] = found('person-release', plan, filler);
    const done = finding && repaired(context(plan, filler), finding);
    expect(done).toMatchObject({ kind: 'repaired', label: 'Let go with two slow breaths' });
    const quiet = ruled({ release: 'breaths' }, { move: 'full-cheeks-hold' });
    expect(found('person-release', quiet, filler)).toEqual([]);
  });
});

describe('words that ask for more than the data say', () => {
  it('are seen where a teacher wrote them for a segment', () => {
    const cues = { setup: ['Lift the chin and smile.'] };
    const plan = lines({ move: 'smile-pulses', cues });
    expect(found('person-caution', plan, carrying(at('neck')))).not.toEqual([]);
    const level = { setup: ['Never lift the chin.'] };
    expect(
      found('person-caution', lines({ move: 'smile-pulses', cues: level }), carrying(at('neck'))),
    ).toEqual([]);
  });

  it("are seen in a move of the studio's own", () => {
    const like = libraryMove('smile-pulses') as Move;
    const own = moveSchema.parse({
      ...like,
      id: 'our-own-pinches',
      hands: 'light',
      variants: {},
      text: { en: { ...like.text.en, setup: ['Pinch along the jaw.'], easier: undefined } },
    });
    const plan = { ...lines({ move: 'smile-pulses' }), moves: [own] };
    const [block] = plan.phases.work;
    if (block?.segments[0]) block.segments[0].move = own.id;
    for (const caution of ['bleeding', 'jaw'] as const) {
      expect(found('person-caution', plan, carrying(at(caution)))).not.toEqual([]);
    }
  });
});

describe('single cautions', () => {
  it.each<[string, CarriedCaution, string]>([
    ['blood thinners: pinches', at('bleeding'), 'cheek-pinches'],
    ['jaw pain: the jaw pushed forward', at('jaw'), 'anchored-jaw-forward'],
    ['jaw pain: wide vowels', at('jaw'), 'slow-wide-vowels'],
    ['glaucoma: pressing on the rim of the eye socket', at('eyes'), 'brow-presses'],
    ['swollen glands: pressing below the ears', at('glands'), 'below-ear-press'],
    ['high blood pressure: a breath held', at('bloodPressure'), 'arms-up-arms-down'],
    ['neck pain: the chin lifted while turned', at('neck'), 'side-neck-lift'],
  ])('see %s', (_, caution, move) => {
    expect(found('person-caution', lines({ move }), carrying(caution))).not.toEqual([]);
  });

  it('see a breath that is held by its pattern alone, in any round', () => {
    const pattern = { in: 4, hold: 7, out: 8, pause: 0 };
    const dose = { kind: 'breaths', breaths: 3, pattern } as const;
    const plan = lines({ move: 'slow-belly-breaths', rounds: 2, byRound: [{}, { dose }] });
    expect(found('person-caution', plan, carrying(at('bloodPressure')))).toHaveLength(1);
  });

  it('take a chin on the chest for no head below the heart', () => {
    const plan = lines({ move: 'head-half-circles' });
    expect(found('person-caution', plan, carrying(at('bloodPressure')))).toEqual([]);
  });

  it('ask about what is on the skin from the start', () => {
    const plan = ruled({ skin: 'serum' }, { move: 'kiss-press' });
    expect(found('person-to-ask', plan, carrying(at('allergy')))).toHaveLength(1);
    const dry = ruled({ skin: 'dry' }, { move: 'kiss-press' });
    expect(found('person-to-ask', dry, carrying(at('allergy')))).toEqual([]);
  });
});

describe('oil on the skin', () => {
  const grip = { move: 'brow-pinches', phase: 'massage' } as const;
  const oil = { move: 'forehead-finger-sweeps', phase: 'massage' } as const;

  it('makes a dry grip slip in the second lap of a circuit', () => {
    const plan = lines(grip, oil);
    expect(found('dry-grip-after-glide', plan)).toEqual([]);
    const circuit = groupSegments(plan, ['s1', 's2'], 'circuit');
    const twice = {
      ...circuit,
      phases: {
        ...circuit.phases,
        massage: circuit.phases.massage.map((b) => ({ ...b, laps: 2 })),
      },
    };
    expect(found('dry-grip-after-glide', twice)).toHaveLength(1);
  });

  it('is none where a class puts it on late, whatever could glide before', () => {
    const early = { move: 'neck-sweep-to-collarbone', phase: 'warmUp' } as const;
    const plan = lines(early, { move: 'hairline-press-look-down' }, oil);
    expect(found('dry-grip-after-glide', plan)).toEqual([]);
    expect(found('missing-prop', plan).map((f) => f.key)).toEqual(['missing-prop glide']);
  });

  it('has a drain for dry skin, and no pressure point after a drain', () => {
    const dry = ruled({ skin: 'dry' }, { move: 'jaw-muscle-circles' });
    const [finding] = found('no-drain', dry);
    expect(finding?.repair?.label).toMatch(/drain/);
    const pressed = lines({ move: 'closing-face-drain' }, { move: 'crown-point' });
    expect(found('no-drain', pressed)[0]?.says).toMatch(/comes after the drain/);
  });
});

describe('the body', () => {
  it('is told of a long hold in any round, of an open one, and of a rest that never comes', () => {
    const open = { kind: 'open', seconds: 40, floorSeconds: 20, ceilingSeconds: 60 } as const;
    const long = { kind: 'hold', seconds: 30 } as const;
    const none = { move: 'smile-pulses', rounds: 1, releaseSeconds: 0 } as const;
    const id = 'long-hold-without-release';
    expect(found(id, lines({ ...none, dose: open }))).toHaveLength(1);
    expect(found(id, lines({ ...none, byRound: [{ dose: long }] }))).toHaveLength(1);
    expect(found(id, lines({ ...none, dose: long, restSeconds: 20 }))).toHaveLength(1);
    expect(found(id, lines({ ...none, dose: long, rounds: 2, restSeconds: 20 }))).toHaveLength(1);
  });

  it('takes circles one way for no unequal sides', () => {
    const plan = lines({ move: 'temple-points', sides: 'together' });
    expect(found('sides-unequal', plan)).toEqual([]);
    const one = lines({ move: 'chin-over-shoulder', sides: 'together' });
    expect(found('sides-unequal', one)).toHaveLength(1);
  });
});

describe('every repair', () => {
  const anybody = fc.array(
    fc.record({
      caution: fc.constantFrom(...CAUTIONS),
      areas: fc.option(fc.constant<Area[]>(['jaw', 'eyes']), { nil: undefined }),
    }),
    { maxLength: 3 },
  );

  it('raises nothing that must be changed, in any class', () => {
    fc.assert(
      fc.property(smallPlan(60), anybody, (plan, cautions) => {
        const checked = context(plan, carrying(...cautions));
        const before = new Set(musts(checked).map((f) => f.key));
        for (const finding of check(checked)) {
          if (!finding.repair) continue;
          const done = repaired(checked, finding);
          if (done.kind === 'refused') {
            expect(done.because.length).toBeGreaterThan(0);
            continue;
          }
          const after = musts(context(done.plan, carrying(...cautions)));
          expect(after.filter((f) => !before.has(f.key)).map((f) => f.key)).toEqual([]);
        }
      }),
      { numRuns: Math.min(Math.ceil(RUNS / 2), 120) },
    );
  });
});

describe('a side that is longer on purpose', () => {
  const held = (seconds: number) =>
    ({ kind: 'breaths', breaths: 3, pattern: { in: 4, hold: seconds, out: 4, pause: 0 } }) as const;
  const longer = (seconds: number): Line => ({
    move: 'chin-over-shoulder',
    rounds: 1,
    sides: 'each',
    uneven: { side: 'right', dose: held(seconds), reason: 'It is tight.' },
  });

  it('with a held breath is seen by a caution of the blood pressure', () => {
    const people = carrying(at('bloodPressure'));
    expect(found('person-caution', lines(longer(0)), people)).toEqual([]);
    expect(found('person-caution', lines(longer(3)), people)).toHaveLength(1);
  });

  it('with a breath held for long is told and made shorter', () => {
    const [finding] = found('long-breath-hold', lines(longer(20)));
    const repaired = finding?.repair?.apply(lines(longer(20)));
    expect(repaired && found('long-breath-hold', repaired)).toEqual([]);
  });
});

describe('the opening sentence of a block', () => {
  it('that takes the head back is seen by a caution of the neck', () => {
    const plan = lines({ move: 'staged-brow-hold' });
    const opened = updateBlock(plan, 'block-s1', (b) => ({
      ...b,
      opening: 'Lift the chin and look up.',
    }));
    expect(found('person-caution', opened, carrying(at('neck')))).toHaveLength(1);
  });
});

describe('the words of a stage', () => {
  it('that take the head back are seen by a caution of the neck', () => {
    const stages = [
      { words: 'Settle.', length: { share: 1 } },
      { words: 'Now lift the chin and look up.', length: { share: 1 } },
    ];
    const plain = lines({ move: 'staged-brow-hold' });
    const staged = lines({ move: 'staged-brow-hold', stages });
    expect(found('person-caution', plain, carrying(at('neck')))).toEqual([]);
    expect(found('person-caution', staged, carrying(at('neck')))).toHaveLength(1);
  });
});

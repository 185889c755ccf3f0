import { LIBRARY, LIBRARY_BOOK, libraryMove } from '@library';
import { checkedOf } from '@testing/checked';
import { type Line, planOf } from '@testing/plans';
import { talked } from '@testing/talk';
import { describe, expect, it } from 'vitest';
import {
  changeRules,
  type Plan,
  placedSegments,
  type Rules,
  type Segment,
  updateSegment,
} from '@/core/class';
import { concerns, type Move, moveSchema } from '@/core/move';
import { compile } from '@/core/score';
import { utteranceKey } from '@/core/speech';
import { type BookedPerson, CHECKS, type Checked, check, type Finding } from '.';

/** Slot and kit are ample, so that a class shows only what its test is about. */
const HOUR = 3600;
const hold = (seconds: number) => ({ kind: 'hold', seconds }) as const;
const breathing = (held: number) =>
  ({ kind: 'breaths', breaths: 2, pattern: { in: 4, hold: held, out: 6, pause: 0 } }) as const;

const person = (more: Partial<BookedPerson>): BookedPerson => ({
  id: 'p1',
  name: 'Marit',
  cautions: [],
  met: new Set(LIBRARY.map((m) => m.id)),
  ...more,
});

type Context = Partial<Pick<Checked, 'people' | 'sessionsAWeek' | 'talk' | 'unsaid'>>;

interface Case {
  /** A class that triggers the check. */
  triggers: Plan;
  /** One that only just does not. */
  spares: Plan;
  context?: Context;
  /** For a check whose cause lies in the room, the room that does not trigger it. */
  sparesContext?: Context;
}

const lines = (...all: Line[]) => planOf(all, {}, HOUR);
const ruled = (rules: Partial<Rules>, ...all: Line[]) => planOf(all, rules, HOUR);
const focus = (plan: Plan): Plan => ({ ...plan, aim: { kind: 'focus', areas: ['jaw'] } });

/** One move for each part of the face. */
const WHOLE: Line[] = [
  { move: 'shoulder-rolls-both-ways' },
  { move: 'soft-jaw-drop' },
  { move: 'folded-lip-press' },
  { move: 'smile-pulses' },
  { move: 'nostril-flares' },
  { move: 'gaze-up-hold' },
  { move: 'hairline-press-look-down' },
  { move: 'ear-squeeze-and-circles' },
  { move: 'closing-face-drain' },
];
const slotOf = (plan: Plan, spareMs: number): Plan => {
  const ms = compile(plan, LIBRARY_BOOK).totalMs;
  return { ...plan, slotSeconds: Math.floor((ms + spareMs) / 1000) };
};

/** Four classes of which so much was left out. */
const habit = (share: number) =>
  Array.from({ length: 4 }, () => talked(1, { leftOutMs: 240_000 * share }));

/** A text that the voice has refused. */
const unsaid = (text: string) =>
  new Set([utteranceKey({ text, language: 'en', wordsPerMinute: 150 })]);

const CASES: Record<string, Case> = {
  'slot-overrun': {
    triggers: slotOf(lines(...WHOLE), -1000),
    spares: slotOf(lines(...WHOLE), 1000),
  },
  'person-caution': {
    triggers: lines({ move: 'anchored-jaw-forward' }),
    spares: lines({ move: 'anchored-jaw-forward', variant: 'easier' }),
    context: { people: [person({ cautions: [{ caution: 'neck' }] })] },
  },
  'head-back-in-a-row': {
    triggers: lines({ move: 'tongue-to-ceiling', dose: hold(23), releaseSeconds: 7 }),
    spares: lines({ move: 'tongue-to-ceiling', dose: hold(22), releaseSeconds: 7 }),
  },
  'firm-hands-in-a-row': {
    triggers: lines({ move: 'hair-root-circles', dose: hold(121) }),
    spares: lines({ move: 'hair-root-circles', dose: hold(120) }),
  },
  'sides-unequal': {
    triggers: lines({ move: 'gaze-side-to-side', dose: { kind: 'reps', reps: 5, secondsEach: 4 } }),
    spares: lines({ move: 'gaze-side-to-side', dose: { kind: 'reps', reps: 6, secondsEach: 4 } }),
  },
  'weekly-cap': {
    triggers: lines({ move: 'jaw-knuckle-circles' }),
    spares: lines({ move: 'jaw-knuckle-circles' }, { move: 'jaw-knuckle-circles' }),
    context: { sessionsAWeek: 2 },
    sparesContext: { sessionsAWeek: 1 },
  },
  'person-release': {
    triggers: lines({ move: 'smile-pulses' }),
    spares: lines({ move: 'smile-pulses', release: 'breaths' }),
    context: { people: [person({ cautions: [{ caution: 'procedure', areas: ['upperCheeks'] }] })] },
  },
  'long-breath-hold': {
    triggers: lines({ move: 'slow-belly-breaths', dose: breathing(11) }),
    spares: lines({ move: 'slow-belly-breaths', dose: breathing(10) }),
  },
  'dry-grip-after-glide': {
    triggers: lines({ move: 'forehead-finger-sweeps' }, { move: 'jawline-pinches' }),
    spares: lines({ move: 'jawline-pinches' }, { move: 'forehead-finger-sweeps' }),
  },
  'no-warm-up': {
    triggers: lines({ move: 'smile-pulses' }),
    spares: lines({ move: 'shoulder-rolls-both-ways' }, { move: 'smile-pulses' }),
  },
  'no-drain': {
    triggers: lines({ move: 'closing-face-drain' }, { move: 'forehead-finger-sweeps' }),
    spares: lines({ move: 'forehead-finger-sweeps' }, { move: 'closing-face-drain' }),
  },
  'area-without-work': {
    triggers: lines(...WHOLE.filter((l) => l.move !== 'nostril-flares')),
    spares: lines(...WHOLE),
  },
  'focus-ratio': {
    triggers: focus(
      lines({ move: 'soft-jaw-drop' }, { move: 'jaw-muscle-circles' }, { move: 'smile-pulses' }),
    ),
    spares: focus(
      lines(
        { move: 'soft-jaw-drop' },
        { move: 'jaw-muscle-circles' },
        { move: 'chin-to-ear-hooks' },
        { move: 'smile-pulses' },
      ),
    ),
  },
  'long-hold-without-release': {
    triggers: lines({ move: 'smile-pulses', dose: hold(30), rounds: 2, releaseSeconds: 0 }),
    spares: lines({ move: 'smile-pulses', dose: hold(29), rounds: 2, releaseSeconds: 0 }),
  },
  'same-area-in-a-row': {
    triggers: lines({ move: 'smile-pulses', dose: hold(61), rounds: 3 }),
    spares: lines({ move: 'smile-pulses', dose: hold(60), rounds: 3 }),
  },
  'cue-too-long': {
    triggers: lines({ move: 'smile-pulses', releaseSeconds: 1 }),
    spares: lines({ move: 'smile-pulses', releaseSeconds: 8 }),
  },
  'reminder-without-room': {
    triggers: lines({
      move: 'smile-pulses',
      dose: hold(8),
      cues: {
        form: ['Forehead soft, shoulders down, jaw loose, and keep on breathing all the while.'],
      },
    }),
    spares: lines({ move: 'smile-pulses', dose: hold(8), cues: { form: ['Breathe on.'] } }),
  },
  'missing-prop': {
    triggers: lines({ move: 'pen-under-nose' }),
    spares: { ...lines({ move: 'pen-under-nose' }), kit: ['pen'] },
  },
  claims: {
    triggers: lines({ move: 'smile-pulses', cues: { form: ['This melts fat.', 'Breathe on.'] } }),
    spares: lines({ move: 'smile-pulses', cues: { form: ['This wakes the muscle.'] } }),
  },
  'passed-over': {
    triggers: lines({ move: 'smile-pulses', rounds: 1, byRound: [{}, { variant: 'easier' }] }),
    spares: lines({ move: 'smile-pulses', rounds: 2, byRound: [{}, { variant: 'easier' }] }),
  },
  'cannot-be-said': {
    triggers: lines({ move: 'smile-pulses' }),
    spares: lines({ move: 'smile-pulses' }),
    context: { unsaid: unsaid('Half a smile, small pulses upward.') },
    sparesContext: { unsaid: unsaid('Something that is not said') },
  },
  'left-out-by-habit': {
    triggers: lines({ move: 'smile-pulses' }),
    spares: lines({ move: 'smile-pulses' }),
    context: { talk: habit(0.25) },
    sparesContext: { talk: habit(0.24) },
  },
  'new-to-somebody': {
    triggers: ruled({ explain: 'names-only' }, { move: 'smile-pulses' }),
    spares: ruled({ explain: 'names-only' }, { move: 'smile-pulses' }),
    context: { people: [person({ met: new Set() })] },
    sparesContext: { people: [person({ met: new Set(['smile-pulses']) })] },
  },
  'order-against-school': {
    triggers: lines({ move: 'gaze-up-hold' }, { move: 'soft-jaw-drop' }),
    spares: lines({ move: 'soft-jaw-drop' }, { move: 'gaze-up-hold' }),
  },
  'person-to-ask': {
    triggers: lines({ move: 'alternate-cheek-lifts' }),
    spares: lines({ move: 'palm-by-palm-drain' }),
    context: { people: [person({ cautions: [{ caution: 'bleeding' }] })] },
  },
};

const of = (id: string, findings: Finding[]) => findings.filter((f) => f.check === id);

describe.each(CHECKS.map((c) => [c.id, c] as const))('%s', (id, rule) => {
  const { triggers, spares, context, sparesContext = context } = CASES[id] as Case;

  it('is found in a class that has it', () => {
    const found = of(id, check(checkedOf(triggers, context)));
    expect(found.length).toBeGreaterThan(0);
    const ids = new Set(placedSegments(triggers).map((p) => p.segment.id));
    for (const f of found) {
      expect(f.says).not.toBe('');
      expect(f.segments.every((s) => ids.has(s))).toBe(true);
    }
  });

  it('is not found in one that only just does not', () => {
    expect(of(id, check(checkedOf(spares, sparesContext)))).toEqual([]);
  });

  it('is gone after its repair, which raises nothing as grave', () => {
    const before = check(checkedOf(triggers, context));
    const keys = new Set(before.map((f) => f.key));
    for (const finding of of(id, before)) {
      if (finding.fit || !finding.repair) continue;
      const repaired = finding.repair.apply(triggers);
      const after = check(checkedOf(repaired, context));
      expect(after.map((f) => f.key)).not.toContain(finding.key);
      const raised = after.filter((f) => !keys.has(f.key) && f.severity === rule.severity);
      expect(raised.map((f) => f.key)).toEqual([]);
    }
  });
});

it('every check has a repair, except those that only a person can settle', () => {
  const without = CHECKS.map((c) => c.id).filter((id) => {
    const { triggers, context } = CASES[id] as Case;
    return of(id, check(checkedOf(triggers, context))).every((f) => !f.repair && !f.fit);
  });
  expect(without).toEqual(['cannot-be-said', 'person-to-ask']);
});

describe('other ways to be found and repaired', () => {
  it('names the people concerned apart from the sentence, so that a shared screen can hide them', () => {
    const plan = lines({ move: 'anchored-jaw-forward' });
    const people = [person({ cautions: [{ caution: 'neck' }] })];
    const [found] = of('person-caution', check(checkedOf(plan, { people })));
    expect(found?.people).toEqual(['Marit']);
    expect(`${found?.says} ${found?.why}`).not.toContain('Marit');
  });

  it('a caution of a place concerns only moves on that place', () => {
    const people = [person({ cautions: [{ caution: 'skin', areas: ['chin'] }] })];
    const found = check(checkedOf(lines({ move: 'brow-pinches' }), { people }));
    expect(of('person-caution', found)).toEqual([]);
    const [onChin] = of(
      'person-caution',
      check(checkedOf(lines({ move: 'lip-line-pinches' }), { people })),
    );
    expect(onChin?.says).toContain('1 person');
  });

  it('what nobody may do is swapped for a move that all may, or taken out', () => {
    const plan = lines(
      { move: 'yawn-wide-opening', variant: 'harder' },
      { move: 'closing-face-drain' },
    );
    const people = [person({ cautions: [{ caution: 'jaw' }, { caution: 'glands' }] })];
    const repaired = of('person-caution', check(checkedOf(plan, { people }))).reduce(
      (p, f) => f.repair?.apply(p) ?? p,
      plan,
    );
    expect(of('person-caution', check(checkedOf(repaired, { people })))).toEqual([]);
  });

  it('a repair by the easier version says where own words give way to those of the move', () => {
    const people = [person({ cautions: [{ caution: 'jaw' }] })];
    const easy = LIBRARY.find((m) => concerns(m, [{ caution: 'jaw' }])[0]?.effect === 'easier');
    const repairOf = (cues?: Segment['cues']) => {
      const plan = updateSegment(lines({ move: easy?.id ?? '' }), 's1', (s) => ({ ...s, cues }));
      const [found] = of('person-caution', check(checkedOf(plan, { people })));
      const repaired = found?.repair?.apply(plan) ?? plan;
      const [done] = placedSegments(repaired);
      return [found?.repair?.label, done?.segment.variant, done?.segment.cues];
    };
    const label = 'The easier version for all';
    const announce = 'Now the jaw.';
    expect(repairOf({ announce })).toEqual([label, 'easier', { announce }]);
    expect(repairOf({ announce, short: 'Wide, wide.' })).toEqual([
      `${label}, in the words of the move`,
      'easier',
      { announce },
    ]);
  });

  it('a strain in a row is eased, and own words and rounds are kept or spoken of', () => {
    const rule = 'firm-hands-in-a-row';
    const eased = (plan: Plan) => {
      const [found] = of(rule, check(checkedOf(plan)));
      const repaired = found?.repair?.apply(plan) ?? plan;
      expect(of(rule, check(checkedOf(repaired)))).toEqual([]);
      return { label: found?.repair?.label, segment: placedSegments(repaired)[0]?.segment };
    };
    const plan = lines({ move: 'hair-root-circles', dose: hold(200) });
    expect(eased(plan).label).toBe('Ease it');
    const short = 'Firm, on the bone.';
    const worded = updateSegment(plan, 's1', (s) => ({ ...s, cues: { short } }));
    expect(eased(worded).label).toBe('Ease it, perhaps in the words of the move');

    // A move that has no easier version is done for less long, each round by its own length.
    const like = libraryMove('hair-root-circles') as Move;
    const { easier: _, ...text } = like.text.en ?? {};
    const own = moveSchema.parse({ ...like, id: 'own-firm', variants: {}, text: { en: text } });
    const byRound = [{}, { dose: hold(100) }];
    const line = lines({ move: 'hair-root-circles', dose: hold(160), rounds: 2 });
    const changed = updateSegment(line, 's1', (s) => ({ ...s, move: 'own-firm', byRound }));
    const { segment } = eased({ ...changed, moves: [own] });
    expect([segment?.dose, segment?.byRound]).toEqual([hold(120), [{}, { dose: hold(75) }]]);
  });

  it('one side alone is unequal too', () => {
    const plan = lines({ move: 'chin-over-shoulder', sides: 'together' });
    const [found] = of('sides-unequal', check(checkedOf(plan)));
    const sides = placedSegments(found?.repair?.apply(plan) ?? plan)[0]?.segment.sides;
    expect(sides).toBe('each');
  });

  it('a schedule of twice a week passes a cap of once', () => {
    const plan = lines({ move: 'jaw-knuckle-circles' });
    const [found] = of('weekly-cap', check(checkedOf(plan, { sessionsAWeek: 2 })));
    const repaired = found?.repair?.apply(plan) ?? plan;
    expect(of('weekly-cap', check(checkedOf(repaired, { sessionsAWeek: 2 })))).toEqual([]);
  });

  it('oil from the start is put off to the closing massage for the dry grips', () => {
    const plan = ruled(
      { skin: 'oil' },
      { move: 'hairline-press-look-down' },
      { move: 'forehead-finger-sweeps' },
    );
    const [found] = of('dry-grip-after-glide', check(checkedOf(plan)));
    expect(found?.repair?.apply(plan).rules.skin).toBe('oilToClose');
  });

  it('strokes that need glide are missed in a dry class', () => {
    const plan = ruled({ skin: 'dry' }, { move: 'closing-face-drain' });
    expect(of('missing-prop', check(checkedOf(plan))).map((f) => f.key)).toEqual([
      'missing-prop glide',
    ]);
  });

  it('a purpose wants half of the work', () => {
    const aim = { kind: 'purpose', purpose: 'jaw' } as const;
    const plan = { ...lines({ move: 'smile-pulses' }), aim };
    const [found] = of('focus-ratio', check(checkedOf(plan)));
    expect(of('focus-ratio', check(checkedOf(found?.repair?.apply(plan) ?? plan)))).toEqual([]);
  });

  it.each(['downward', 'focus'] as const)('the %s school has an order of its own', (order) => {
    const plan = focus(
      ruled(
        { order },
        { move: 'folded-lip-press' },
        { move: 'soft-jaw-drop' },
        { move: 'gaze-up-hold' },
      ),
    );
    const [found] = of('order-against-school', check(checkedOf(plan)));
    const moves = placedSegments(found?.repair?.apply(plan) ?? plan).map((p) => p.segment.move);
    expect(moves).toEqual(
      order === 'focus'
        ? ['soft-jaw-drop', 'folded-lip-press', 'gaze-up-hold']
        : ['gaze-up-hold', 'folded-lip-press', 'soft-jaw-drop'],
    );
  });

  it.each(['throughout', 'first'] as const)('explaining %s reaches newcomers', (explain) => {
    const plan = changeRules(lines({ move: 'smile-pulses' }), { explain });
    const people = [person({ met: new Set() })];
    expect(of('new-to-somebody', check(checkedOf(plan, { people })))).toEqual([]);
  });

  it('guidance without room in the work is given before it', () => {
    const plan = ruled({ explain: 'throughout' }, { move: 'folded-lip-press', dose: hold(5) });
    const [found] = of('cue-too-long', check(checkedOf(plan)));
    const after = check(checkedOf(found?.repair?.apply(plan) ?? plan));
    expect(after.map((f) => f.key)).not.toContain(found?.key);
  });

  it('saying less is not proposed where somebody has not met a move, nor in a class that says less', () => {
    const plan = lines({ move: 'smile-pulses' });
    const talk = habit(0.5);
    const someone = [person({}), person({ id: 'p2', met: new Set() })];
    expect(of('left-out-by-habit', check(checkedOf(plan, { talk, people: someone })))).toEqual([]);
    const short = changeRules(plan, { say: 'short' });
    expect(of('left-out-by-habit', check(checkedOf(short, { talk })))).toEqual([]);
    const [found] = of('left-out-by-habit', check(checkedOf(plan, { talk, people: [person({})] })));
    expect(found?.says).toContain('50 %');
    expect(found?.repair?.apply(plan).rules.say).toBe('short');
  });

  it('gravest first', () => {
    const grave = check(
      checkedOf(slotOf(lines({ move: 'jaw-knuckle-circles' }, { move: 'pen-under-nose' }), -5000)),
    );
    const order = grave.map((f) => ['must', 'should', 'may'].indexOf(f.severity));
    expect(order).toEqual(order.toSorted((a, b) => a - b));
    expect(grave[0]?.check).toBe('slot-overrun');
  });

  it('knows every move that its cases name', () => {
    for (const { triggers, spares } of Object.values(CASES)) {
      for (const { segment } of [...placedSegments(triggers), ...placedSegments(spares)]) {
        expect(libraryMove(segment.move)).toBeDefined();
      }
    }
  });
});

import { LIBRARY_BOOK } from '@library';
import { type Line, planOf } from '@testing/plans';
import { describe, expect, it } from 'vitest';
import type { Block, Plan, Rules, Segment } from '@/core/class';
import type { Move } from '@/core/move';
import { compile, lengthOf, type MovesMet, QUESTIONS, type Score } from '.';

/** The schools of the trade, where teachers differ: all of them can be written down. */

const scoreOf = (plan: Plan, room?: MovesMet): Score => compile(plan, LIBRARY_BOOK, { room });
const one = (line: Partial<Line> = {}, rules: Partial<Rules> = {}): Plan =>
  planOf([{ move: 'tall-o-cheek-lift', rounds: 1, ...line }], rules);
const said = (score: Score, kind: string) =>
  score.cues.filter((c) => c.kind === kind).map((c) => c.text);
const work = (score: Score) =>
  score.steps.filter((s) => s.kind === 'work').map((s) => `${s.segmentId}.${s.round} ${s.side}`);

describe('sides', () => {
  const block = (oneSideFirst: boolean): Score => {
    const plan = planOf([
      { move: 'alternate-cheek-lifts', rounds: 1 },
      { move: 'cheek-pinches', rounds: 1 },
      { move: 'neck-sweep-to-collarbone', rounds: 2 },
    ]);
    const segments = plan.phases.massage.flatMap((b) => b.segments);
    const massage: Block[] = [{ id: 'b', order: 'straight', laps: 1, oneSideFirst, segments }];
    return scoreOf({ ...plan, phases: { ...plan.phases, massage } });
  };

  it('go left then right inside each move', () => {
    expect(work(block(false))).toEqual([
      's1.1 left',
      's1.1 right',
      's2.1 both',
      's3.1 left',
      's3.1 right',
      's3.2 left',
      's3.2 right',
    ]);
  });

  it('or one whole side of the face first, then the other, with the same work', () => {
    const score = block(true);
    expect(work(score)).toEqual([
      's1.1 left',
      's2.1 both',
      's3.1 left',
      's3.2 left',
      's1.1 right',
      's3.1 right',
      's3.2 right',
    ]);
    expect(score.totals.workMs).toBe(block(false).totals.workMs);
    expect(said(score, 'side').at(-1)).toBe('Now the right.');
    expect(score.steps.filter((s) => s.kind === 'switch')).toEqual([]);
  });
});

describe('a variant and a dose for a round', () => {
  it('change that round, and explain the variant in full the first time', () => {
    const byRound: Segment['byRound'] = [
      {},
      { dose: { kind: 'hold', seconds: 10 } },
      { variant: 'harder' },
    ];
    const score = scoreOf(one({ rounds: 3, byRound }));
    const steps = score.steps.filter((s) => s.kind === 'work');
    expect(steps.map((s) => s.durationMs)).toEqual([30_000, 10_000, 30_000]);
    expect(steps.map((s) => s.variant)).toEqual([undefined, undefined, 'harder']);
    expect(said(score, 'setup').at(-1)).toMatch(/Pulse the cheeks/);
  });

  it('can stand for the whole segment', () => {
    const score = scoreOf(planOf([{ move: 'anchored-jaw-forward', rounds: 1, variant: 'easier' }]));
    expect(said(score, 'setup')).toEqual([
      'Hands below the collarbones, chin level. Slide the lower jaw forward and feel the front of the neck.',
    ]);
  });
});

describe('the release', () => {
  it('is always said, as the segment, the class or the move has it, and only once', () => {
    expect(said(scoreOf(one({ release: 'massage' })), 'release')).toEqual([
      'Smooth it out with soft hands.',
    ]);
    expect(said(scoreOf(one({})), 'release')).toEqual([
      'Tap lightly where you felt it, never on the eyes.',
    ]);
    const quiet = one({}, { release: 'breaths' });
    expect(said(scoreOf(quiet), 'release')).toEqual(['Two slow breaths.']);
    expect(said(scoreOf(one({ release: 'none' })), 'release')).toEqual([]);
    expect(said(scoreOf(one({ releaseSeconds: 0 })), 'release')).toEqual([]);
  });

  it('strokes a neck with one hand, never both at once', () => {
    const score = scoreOf(planOf([{ move: 'anchored-jaw-forward', rounds: 1 }]));
    expect(said(score, 'release')).toEqual(['Stroke lightly down the neck with one flat hand.']);
  });

  it('by breaths has breath marks that fill it', () => {
    const score = scoreOf(one({ release: 'breaths', releaseSeconds: 20 }));
    const breath = score.steps.find((s) => s.kind === 'release')?.breath;
    expect(breath && 2 * (breath.in + breath.out)).toBe(20);
  });
});

describe('explaining what is new to somebody in the room', () => {
  const plan = one({}, { explain: 'new-in-room' });
  const met = new Set(['tall-o-cheek-lift']);

  it('is short when everybody has met the move', () => {
    expect(said(scoreOf(plan, [met, met]), 'setup')).toEqual([]);
    expect(said(scoreOf(plan, [met, met]), 'short')).toHaveLength(1);
  });

  it('is long as soon as one person has not, and when nobody knows who comes', () => {
    expect(said(scoreOf(plan, [met, new Set()]), 'setup')).toHaveLength(3);
    expect(said(scoreOf(plan), 'setup')).toHaveLength(3);
    expect(lengthOf(plan, LIBRARY_BOOK, { room: [met] })).toBeLessThan(
      lengthOf(plan, LIBRARY_BOOK),
    );
  });
});

describe('counting', () => {
  const reps = (counting: Rules['counting']) =>
    scoreOf(planOf([{ move: 'soft-jaw-drop', rounds: 1 }], { counting }));
  const hold = (counting: Rules['counting']) =>
    scoreOf(one({ dose: { kind: 'hold', seconds: 10 } }, { counting }));

  it.each<[Rules['counting'], string[], number]>([
    ['up', ['one', 'two', 'three', 'four', 'five', 'six'], 10],
    ['down', ['six', 'five', 'four', 'three', 'two', 'one'], 10],
    ['every-rep', ['one', 'two', 'three', 'four', 'five', 'six'], 5],
    ['last-five', ['five', 'four', 'three', 'two', 'one'], 5],
    ['beat', [], 0],
    ['none', [], 0],
  ])('%s says %j for six reps and %i words in a ten-second hold', (counting, words, inHold) => {
    expect(said(reps(counting), 'count')).toEqual(words);
    expect(said(hold(counting), 'count').length).toBeGreaterThanOrEqual(Math.min(inHold, 9));
    expect(said(hold(counting), 'count').length).toBeLessThanOrEqual(inHold);
  });

  it('by the beat marks it on the step instead', () => {
    const marked = reps('beat').steps.find((s) => s.kind === 'work');
    expect(marked?.beatMs).toBe(5000);
    expect(reps('up').steps.every((s) => s.beatMs === undefined)).toBe(true);
  });
});

describe('two languages in one room', () => {
  const plan = one({ rounds: 2 });

  it('can both be spoken, one after the other', () => {
    const score = scoreOf({ ...plan, second: { language: 'de', how: 'speak' } });
    expect(score.cues.filter((c) => c.kind === 'announce').map((c) => c.language)).toEqual([
      'en',
      'de',
      'en',
      'de',
    ]);
    expect(said(score, 'announce')[1]).toBe('Langes O, Wangen heben.');
    expect(said(score, 'dose')).toEqual(['2 rounds of 30 seconds.', '2 Runden, je 30 Sekunden.']);
    expect(said(score, 'letGo')).toHaveLength(4);
    expect(score.totals.upbeatMs).toBeGreaterThan(scoreOf(plan).totals.upbeatMs * 1.4);
  });

  it('or the second only shown, which takes no time', () => {
    const score = scoreOf({ ...plan, second: { language: 'de', how: 'show' } });
    expect(score.totalMs).toBe(scoreOf(plan).totalMs);
    expect(score.cues.find((c) => c.kind === 'letGo')?.also).toBe(
      'Lass los und schließ weich den Mund.',
    );
  });

  it('counts in the first language only', () => {
    const score = scoreOf({ ...plan, second: { language: 'de', how: 'speak' } });
    const counted = score.cues.filter((c) => c.kind === 'count' || c.kind === 'countIn');
    expect(new Set(counted.map((c) => c.language))).toEqual(new Set(['en']));
  });

  it('leave a move that is written in one language only in that language', () => {
    const move = { ...LIBRARY_BOOK.move('tall-o-cheek-lift'), id: 'own-o' } as Move;
    const own = { ...move, text: { en: move.text.en } };
    const line = planOf([{ move: 'tall-o-cheek-lift', rounds: 1 }]).phases.work;
    const work = line.map((b) => ({
      ...b,
      segments: b.segments.map((s) => ({ ...s, move: 'own-o' })),
    }));
    const german: Plan = {
      ...plan,
      language: 'de',
      moves: [own],
      phases: { ...plan.phases, work },
    };
    const score = scoreOf({ ...german, second: { language: 'de', how: 'speak' } });
    const spoken = score.cues.filter((c) => c.kind === 'announce' || c.kind === 'setup');
    expect(new Set(spoken.map((c) => c.language))).toEqual(new Set(['en']));
    expect(said(score, 'announce')).toHaveLength(1);
  });

  it('can be led in German alone', () => {
    const score = scoreOf({ ...plan, language: 'de' });
    expect(said(score, 'countIn').slice(0, 3)).toEqual(['drei', 'zwei', 'eins']);
  });
});

describe('time for questions', () => {
  it('is kept free at the end and announced', () => {
    const score = scoreOf(one({}, { closingSeconds: 120 }));
    expect(score.steps.at(-1)).toMatchObject({
      segmentId: QUESTIONS,
      kind: 'rest',
      durationMs: 120_000,
    });
    expect(said(score, 'questions')).toEqual(['Time for your questions.']);
  });
});

describe('open doses', () => {
  it('last as long as they usually do', () => {
    const score = scoreOf(planOf([{ move: 'closing-free-massage' }]));
    expect(score.totals.workMs).toBe(40_000);
  });
});

describe('breathing rates', () => {
  const breaths = (seconds: number) => 60 / seconds;

  it('are slow paced at about 6 a minute (Lehrer and Gevirtz 2014, from memory)', () => {
    const slow = LIBRARY_BOOK.move('slow-belly-breaths')?.dose;
    const seconds = slow?.kind === 'breaths' ? slow.pattern.in + slow.pattern.out : 0;
    expect(breaths(seconds)).toBe(6);
  });

  it('are within or below resting breathing, 12 to 20 a minute (clinical handbooks, from memory)', () => {
    const lean = LIBRARY_BOOK.move('side-lean-with-hand')?.dose;
    const seconds = lean?.kind === 'breaths' ? lean.pattern.in + lean.pattern.out : 0;
    expect(breaths(seconds)).toBeGreaterThanOrEqual(12);
    expect(breaths(seconds)).toBeLessThanOrEqual(20);
  });
});

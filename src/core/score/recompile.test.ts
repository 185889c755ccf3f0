import { LIBRARY, LIBRARY_BOOK } from '@library';
import { anyDose, anyPlan, RUNS } from '@testing/arbitrary';
import { planOf } from '@testing/plans';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  addSegment,
  arrangeBlock,
  blocksOf,
  changeRules,
  duplicateSegments,
  type Plan,
  placedSegments,
  removeSegment,
  segmentOf,
  shiftBlocks,
  updateSegment,
} from '../class';
import { estimateSpeech, measuredMeter, notingMeter, utteranceKey } from '../speech';
import { compile } from './compile';
import { recompiler } from './recompile';

const EDITS: ((plan: Plan, id: string, edit: { how: number; dose: never }) => Plan)[] = [
  (p, id, { dose }) => updateSegment(p, id, (s) => ({ ...s, dose })),
  (p, id, { how }) => updateSegment(p, id, (s) => ({ ...s, rounds: 1 + (how % 4) })),
  (p, id, { how }) => updateSegment(p, id, (s) => ({ ...s, releaseSeconds: how % 16 })),
  (p, id) => removeSegment(p, id),
  (p, id, { how }) => shiftBlocks(p, [id], how % 2 ? 1 : -1),
  (p, id) => (placedSegments(p).length < 20 ? duplicateSegments(p, [id]) : p),
  (p, _, { how }) => {
    const move = LIBRARY[how % LIBRARY.length];
    return move ? addSegment(p, segmentOf(move, `n${how}`), 'work') : p;
  },
  (p, _, { how }) => changeRules(p, { countIn: how % 2 === 0, counting: 'down' }),
  (p, _, { how }) => ({ ...p, language: how % 2 ? 'de' : 'en' }),
  (p, _, { how }) => ({ ...p, second: how % 2 ? { language: 'en', how: 'speak' } : undefined }),
  (p, _, { how }) => {
    const blocks = blocksOf(p);
    const block = blocks[how % Math.max(1, blocks.length)];
    return block ? arrangeBlock(p, block.id, { oneSideFirst: !block.oneSideFirst }) : p;
  },
];

const anyEdit = fc.record({
  what: fc.nat(EDITS.length - 1),
  where: fc.nat(30),
  how: fc.nat(200),
  dose: anyDose,
});

describe('a class that is compiled again and again', () => {
  it('has the score that compiling it whole gives, after any edits, however much was measured', () => {
    fc.assert(
      fc.property(
        anyPlan,
        fc.array(anyEdit, { minLength: 1, maxLength: 6 }),
        fc.constantFrom(0, 0.5, 1),
        fc.constantFrom(0.8, 1.2),
        (first, edits, share, talkingFactor) => {
          const noting = notingMeter(estimateSpeech);
          compile(first, LIBRARY_BOOK, { meter: noting.meter });
          const lengths = new Map(
            noting.asked
              .filter((_, i, all) => i < share * all.length)
              .map((u) => [utteranceKey(u), 500 + 40 * u.text.length]),
          );
          const recompile = recompiler(LIBRARY_BOOK, { lengths, talkingFactor });
          let plan = first;
          for (const edit of [null, ...edits]) {
            const ids = placedSegments(plan).map((p) => p.segment.id);
            const id = edit && ids[edit.where % Math.max(1, ids.length)];
            if (edit && id) plan = EDITS[edit.what]?.(plan, id, edit as never) ?? plan;
            const meter = measuredMeter(lengths, estimateSpeech);
            const asks = notingMeter(meter.meter);
            const whole = compile(plan, LIBRARY_BOOK, { meter: asks.meter, talkingFactor });
            const again = recompile(plan);
            expect({ ...again.score, speech: whole.speech }).toEqual(whole);
            const unknown = new Set(again.unknown.map(utteranceKey));
            const missing = asks.asked.map(utteranceKey).filter((key) => !lengths.has(key));
            expect(missing.filter((key) => !unknown.has(key))).toEqual([]);
            expect(again.score.speech === 'measured').toBe(unknown.size === 0);
          }
        },
      ),
      { numRuns: Math.min(RUNS, 150) },
    );
  });

  it('forgets what a text that was typed over said', () => {
    const recompile = recompiler(LIBRARY_BOOK, { lengths: new Map() });
    const plan = planOf([{ move: 'tall-o-cheek-lift' }, { move: 'smile-pulses' }]);
    const say = (short: string) =>
      updateSegment(plan, 's1', (s) => ({ ...s, rounds: 2, cues: { short } }));
    const texts = (of: Plan) => recompile(of).unknown.map((u) => u.text);
    expect(texts(say('Sea'))).toContain('Sea');
    expect(texts(say('Seagull'))).not.toContain('Sea');
  });

  it('takes over the very steps of what comes before an edit, and shifts what comes after', () => {
    const recompile = recompiler(LIBRARY_BOOK, { lengths: new Map() });
    const plan = planOf([
      { move: 'tall-o-cheek-lift' },
      { move: 'smile-pulses' },
      { move: 'nostril-flares' },
    ]);
    const before = recompile(plan).score;
    const after = recompile(updateSegment(plan, 's2', (s) => ({ ...s, releaseSeconds: 9 }))).score;
    const of = (score: typeof before, id: string) => score.steps.filter((s) => s.segmentId === id);
    of(after, 's1').forEach((step, i) => {
      expect(step).toBe(of(before, 's1')[i]);
    });
    const [was, is] = [of(before, 's3')[0]?.startMs ?? 0, of(after, 's3')[0]?.startMs ?? 0];
    expect(is - was).toBe(after.totalMs - before.totalMs);
    expect(is).not.toBe(was);
  });
});

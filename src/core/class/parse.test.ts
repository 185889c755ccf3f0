import { LIBRARY, LIBRARY_BOOK, libraryMove } from '@library';
import { anyDose } from '@testing/arbitrary';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { countOf, type Dose, doseMs, doseRange, ownRange } from '@/core/move';
import { compile } from '@/core/score';
import { type Block, blockAsItIsDone, type Plan, parsePlanText, passedOver, segmentOf } from '.';

/** Plan files that a person writes by hand. */

const file = (more: object) =>
  JSON.stringify({ format: 'upbeat-class/1', name: 'By hand', slotSeconds: 600, ...more });
const read = (more: object): Plan => {
  const parsed = parsePlanText(file(more), libraryMove);
  if (!parsed.ok) throw new Error(JSON.stringify(parsed.problems));
  return parsed.value;
};
const smile = libraryMove('smile-pulses');
if (!smile) throw new Error('the library lost smile-pulses');

describe('a plan file by hand', () => {
  it('may leave out all that the library has a usual way for', () => {
    const plan = read({ phases: { work: [{ move: 'smile-pulses' }] } });
    expect(plan.phases.work).toEqual([
      { id: 'block-1', order: 'straight', laps: 1, segments: [segmentOf(smile, 's1')] },
    ]);
    expect(compile(plan, LIBRARY_BOOK).steps.length).toBeGreaterThan(0);
  });

  it('says only what differs, in a block as well, and gets ids that nothing else has', () => {
    const plan = read({
      phases: {
        work: [
          {
            segments: [
              { move: 'smile-pulses', rounds: 2 },
              { move: 'pucker-hold', id: 's1' },
            ],
          },
          { move: 'nostril-flares', id: 'block-1' },
        ],
      },
    });
    const [first, second] = plan.phases.work;
    expect(first?.segments.map((s) => [s.id, s.rounds])).toEqual([
      ['s2', 2],
      ['s1', libraryMove('pucker-hold')?.rounds],
    ]);
    expect([first?.id, second?.id]).toEqual(['block-2', 'block-3']);
  });

  it('knows the usual ways of moves that it brings along', () => {
    const own = { ...smile, id: 'own-smile', rounds: 5 };
    const plan = read({ moves: [own], phases: { work: [{ move: 'own-smile' }] } });
    expect(plan.phases.work[0]?.segments[0]?.rounds).toBe(5);
  });

  it.each([
    [{ phases: { work: [{ move: 'moon-walk' }] } }, 'phases.work[0].segments[0].dose'],
    [
      { phases: { work: [{ move: 'smile-pulses', rounds: 0 }] } },
      'phases.work[0].segments[0].rounds',
    ],
    [{ phases: { work: ['smile-pulses'] } }, 'phases.work[0]'],
    [{ phases: { work: 'smile-pulses' } }, 'phases.work'],
    [{ phases: [] }, 'phases'],
  ])('names the field of what is wrong in %j', (more, field) => {
    const parsed = parsePlanText(file(more), libraryMove);
    expect(parsed.ok ? [] : parsed.problems.map((p) => p.field)).toContain(field);
  });
});

it('a dose beyond what its move is done for comes within that, where whole ones of it can', () => {
  fc.assert(
    fc.property(fc.constantFrom(...LIBRARY), anyDose, (move, dose) => {
      const [floor, ceiling] = doseRange(move, doseMs(move.dose));
      const isWithin = (d: Dose) => doseMs(d) >= floor * 1000 && doseMs(d) <= ceiling * 1000;
      const segment = { ...segmentOf(move, 's1'), dose };
      const block: Block = { id: 'b1', order: 'straight', laps: 1, segments: [segment] };
      const done = blockAsItIsDone(block, () => move, 'en').segments[0]?.dose ?? dose;
      if (ownRange(dose) || isWithin(dose)) {
        expect(done).toEqual(dose);
        return;
      }
      const could = Array.from({ length: 600 }, (_, n) => countOf(dose, n + 1)).some(isWithin);
      expect(isWithin(done)).toBe(could);
    }),
  );
});

describe('what cannot be done as it is written', () => {
  const told = (segment: object, block: object = {}, more: object = {}) => {
    const segments = [{ move: 'smile-pulses', rounds: 1, ...segment }];
    const plan = read({ phases: { work: [{ segments, ...block }] }, ...more });
    // Written as it is done, nothing more is to be told of a block.
    const moveOf = (s: { move: string }) => libraryMove(s.move) ?? smile;
    const work = plan.phases.work.map((b) => blockAsItIsDone(b, moveOf, 'en'));
    const mended = { ...plan, phases: { ...plan.phases, work } };
    expect(passedOver(mended, libraryMove).filter((p) => p.path[0] === 'phases')).toEqual([]);
    return passedOver(plan, libraryMove).map((p) => `${p.path.join('.')} ${p.message}`);
  };

  it.each<[string, object, object, RegExp]>([
    ['rounds', { byRound: [{}, { variant: 'easier' }] }, {}, /byRound has 2 entries for 1 round;/],
    ['pins', { cues: { pins: [{ cue: 'form:0', atSeconds: 90 }] } }, {}, /at 90 s of a work part/],
    ['pins', { cues: { pins: [{ cue: 'form:7', atSeconds: 2 }] } }, {}, /“form:7”, which has no/],
    ['rest', { restSeconds: 10 }, {}, /restSeconds never comes/],
    ['dose', { dose: { kind: 'hold', seconds: 300 } }, {}, /dose is 300 s of work; Smile pulses/],
    [
      'dose',
      { byRound: [{ dose: { kind: 'hold', seconds: 300 } }] },
      {},
      /byRound\[0\].dose is 300/,
    ],
    ['version', { variant: 'harder' }, {}, /variant is "harder", which Smile pulses has not/],
    ['sides', {}, { oneSideFirst: true }, /oneSideFirst changes nothing/],
    [
      'sides',
      { uneven: { side: 'left', dose: { kind: 'hold', seconds: 20 }, reason: 'Tight.' } },
      {},
      /uneven needs sides/,
    ],
    [
      'stages',
      { dose: { kind: 'hold', seconds: 20 }, stages: [{ words: 'A.', length: { seconds: 30 } }] },
      {},
      /stages are 10 s longer than the work/,
    ],
    ['stages', { stages: [{ words: 'A.', length: { breaths: 1 } }] }, {}, /stages are in breaths/],
    ['loops', {}, { loops: [{ from: 's9', to: 's1', times: 2 }] }, /loops\[0\] must name two/],
  ])('is told of %s', (_, segment, block, message) => {
    expect(told(segment, block)).toContainEqual(expect.stringMatching(message));
  });

  it('is told of moves that stand twice or hide one of the library', () => {
    const own = { ...smile, id: 'own-smile' };
    expect(told({}, {}, { moves: [own, own] })).toContainEqual(
      expect.stringMatching(/stands twice/),
    );
    const hidden = { ...smile, rounds: 7 };
    expect(told({}, {}, { moves: [hidden] })).toContainEqual(
      expect.stringMatching(/of the library/),
    );
  });

  it('is no rest that comes before another round of its block', () => {
    const segments = [
      { move: 'smile-pulses', rounds: 2 },
      { move: 'pucker-hold', rounds: 1, restSeconds: 10 },
    ];
    expect(told({}, { segments, order: 'alternating' })).toEqual([]);
    expect(told({}, { segments, order: 'straight' })).toHaveLength(1);
  });

  it('is nothing in a class as the library suggests it', () => {
    expect(told({})).toEqual([]);
    const looped = [
      { move: 'smile-pulses', id: 'a' },
      { move: 'pucker-hold', id: 'b' },
    ];
    expect(told({}, { segments: looped, loops: [{ from: 'a', to: 'b', times: 2 }] })).toEqual([]);
  });
});

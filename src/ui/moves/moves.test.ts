import { LIBRARY, libraryMove } from '@library';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { AREAS, KINDS, type Move, moveSchema, PURPOSES } from '@/core/move';
import { areasOf, type Filter, NEEDS, type Need, NO_FILTER, nearestFirst, passes } from './find';
import { listedMove } from './listed';
import { copyOf, emptyMove, nameOf, ownId } from './new-move';

const found = (filter: Partial<Filter>): Move[] =>
  LIBRARY.filter((move) => passes(move, { ...NO_FILTER, ...filter }));
const ids = (filter: Partial<Filter>) => found(filter).map((m) => m.id);

describe('what was typed', () => {
  const first = (typed: string, inClass: string[] = []) =>
    nearestFirst(found({ typed }), typed, new Set(inClass))[0];

  it('means a move by its name before any other', () => {
    expect(first('through the nose')?.id).toBe('nose-in-mouth-out');
  });

  it('means the move that works most on the area, and a breath last', () => {
    for (const [typed, area] of [
      ['forehead', 'forehead'],
      ['jaw', 'jaw'],
      ['eyes', 'eyes'],
    ] as const) {
      const move = first(typed);
      const named = Object.values(move?.text ?? {}).some((t) =>
        t?.name.toLowerCase().includes(typed),
      );
      expect(named || (move && areasOf(move)[0] === area), `${typed}: ${move?.id}`).toBe(true);
      expect(move?.kind).not.toBe('breath');
    }
  });

  it('means another move than those the class has, unless it is one of them by name', () => {
    expect(first('long o cheek', ['tall-o-cheek-lift'])?.id).toBe('tall-o-cheek-lift');
    const before = nearestFirst(found({ typed: 'forehead' }), 'forehead', new Set());
    const unnamed = before.filter((m) => !m.text.en?.name.toLowerCase().includes('forehead'));
    const [nearest] = unnamed;
    const inClass = new Set([nearest?.id ?? '']);
    expect(nearestFirst(before, 'forehead', inClass).at(-1)).toBe(nearest);
  });
});

describe('finding a move', () => {
  it('shows everything until something is asked for', () => {
    expect(found({})).toHaveLength(LIBRARY.length);
  });

  it('goes by every typed word, in any order, in names of either language, areas and muscles', () => {
    expect(ids({ typed: 'lift cheek long' })).toEqual(['tall-o-cheek-lift']);
    expect(ids({ typed: 'langes o' })).toEqual(['tall-o-cheek-lift']);
    expect(ids({ typed: 'trapezius' })).toContain('shoulder-rolls-both-ways');
    expect(ids({ typed: 'between the brows' })).toContain('brow-pinches');
    expect(ids({ typed: 'xyzzy' })).toEqual([]);
  });

  it('goes by kind and by purpose', () => {
    expect(found({ kind: 'breath' }).every((m) => m.kind === 'breath')).toBe(true);
    expect(found({ purpose: 'voice' }).every((m) => m.purposes.includes('voice'))).toBe(true);
  });

  it('goes by areas, of several any one', () => {
    const nose = found({ areas: ['nose'] });
    const both = found({ areas: ['nose', 'ears'] });
    expect(nose.every((m) => m.areas.nose)).toBe(true);
    expect(both.length).toBeGreaterThan(nose.length);
  });

  it('knows what a move needs', () => {
    expect(found({ need: 'noHands' }).every((m) => m.hands === 'free')).toBe(true);
    expect(found({ need: 'noOil' }).some((m) => m.props.includes('oil'))).toBe(false);
    expect(ids({ need: 'noProps' })).not.toContain('pen-under-nose');
    expect(ids({ need: 'chinLevel' })).toContain('anchored-jaw-forward');
    expect(found({ need: 'dry' }).every((m) => m.surface === 'dry')).toBe(true);
  });

  it('finds a line of the list by what its move is found by', () => {
    const anything = fc.record({
      typed: fc.constantFrom('', 'jaw', 'smile', 'lächeln', 'fore head', 'nothing of the kind'),
      kind: fc.constantFrom(null, ...KINDS),
      purpose: fc.constantFrom(null, ...PURPOSES),
      need: fc.constantFrom(null, ...(Object.keys(NEEDS) as Need[])),
      areas: fc.subarray([...AREAS], { maxLength: 2 }),
    });
    fc.assert(
      fc.property(anything, (filter) => {
        const lines = LIBRARY.map((move) => listedMove(move, false));
        expect(lines.filter((line) => passes(line, filter)).map((line) => line.id)).toEqual(
          LIBRARY.filter((move) => passes(move, filter)).map((move) => move.id),
        );
      }),
      { numRuns: 40 },
    );
  });

  it('says in a line nothing of what is spoken', () => {
    const line = JSON.stringify(listedMove(libraryMove('smile-pulses') as Move, false));
    expect(line).not.toContain('setup');
    expect(line.length).toBeLessThan(900);
  });

  it('lists the areas of a move with the most worked one first', () => {
    const move = libraryMove('finger-resisted-chin-scoop');
    expect(move && areasOf(move)).toEqual(['chin', 'mouth', 'jaw']);
  });
});

describe("a move of a teacher's own", () => {
  const smile = libraryMove('smile-pulses') as Move;

  it('gets an id from its name that nobody else has', () => {
    expect(ownId('Harbour smile!', new Set())).toBe('own-harbour-smile');
    expect(ownId('Harbour smile', new Set(['own-harbour-smile']))).toBe('own-harbour-smile-2');
    expect(ownId('Über-Lächeln', new Set())).toBe('own-u-ber-la-cheln');
    expect(ownId('***', new Set())).toBe('own-move');
  });

  it('copied from another says so in every language, and leaves the other alone', () => {
    const copy = copyOf(smile);
    expect([copy.text.en?.name, copy.text.de?.name]).toEqual([
      'Smile pulses, my way',
      'Lächeln im Takt, my way',
    ]);
    expect(nameOf(smile)).toBe('Smile pulses');
  });

  it('is not complete before it has words and an area', () => {
    const fields = moveSchema.safeParse(emptyMove).error?.issues.map((i) => i.path.join('.')) ?? [];
    expect(fields).toEqual(
      expect.arrayContaining([
        'areas',
        'text.en.name',
        'text.en.setup',
        'text.en.form',
        'text.en.letGo',
      ]),
    );
  });
});

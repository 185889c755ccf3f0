import { LIBRARY, libraryMove } from '@library';
import { describe, expect, it } from 'vitest';
import { byRegion } from '@/core/balance';
import { AREAS, areasIn, mainArea, mainRegion, REGIONS, regionOf, strongAreas, worksOn } from '.';

const move = (id: string) => {
  const found = libraryMove(id);
  if (!found) throw new Error(`the library lost ${id}`);
  return found;
};

describe('regions of the face', () => {
  it('hold every area once', () => {
    expect(REGIONS.flatMap(areasIn).toSorted()).toEqual([...AREAS].toSorted());
    for (const area of AREAS) expect(areasIn(regionOf(area))).toContain(area);
  });

  it('go from the collarbone up', () => {
    const heights = [
      'closing-face-drain',
      'soft-jaw-drop',
      'smile-pulses',
      'hairline-press-look-down',
    ];
    expect(['neck', 'jaw', 'cheeks', 'forehead'].map((r) => REGIONS.indexOf(r as never))).toEqual([
      0, 1, 3, 6,
    ]);
    expect(heights.slice(1).map((id) => mainRegion(move(id)))).toEqual([
      'jaw',
      'cheeks',
      'forehead',
    ]);
  });

  it('a move over the whole face has no one place', () => {
    expect(mainRegion(move('whole-face-light-tapping'))).toBeNull();
  });

  it('every move is about its main area and no more than it works', () => {
    for (const m of LIBRARY) {
      expect(strongAreas(m)).toContain(mainArea(m));
      expect(Object.keys(m.areas)).toEqual(expect.arrayContaining(strongAreas(m)));
      expect(worksOn(m, [mainArea(m)])).toBe(true);
    }
    expect(worksOn(move('soft-jaw-drop'), ['lowerCheeks'])).toBe(false);
  });

  it('add up the work of their areas', () => {
    const work = Object.fromEntries(AREAS.map((a, i) => [a, i])) as Record<
      (typeof AREAS)[number],
      number
    >;
    const sums = byRegion(work);
    expect(Object.values(sums).reduce((a, b) => a + b, 0)).toBe(
      (AREAS.length * (AREAS.length - 1)) / 2,
    );
    expect(sums.nose).toBe(work.nose);
  });
});

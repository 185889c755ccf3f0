import { describe, expect, it } from 'vitest';
import { AREAS, FACE_POINTS } from '../move';
import { POINTS } from './points';
import { HALF_LINES, HEAD, MIDDLE_LINES, PATCHES } from './still';

/** The end points of a path's pieces, without the handles that bend it. */
function places(path: string): { x: number; y: number }[] {
  return path
    .split(/(?=[MCL])/)
    .map((piece) => piece.match(/-?[\d.]+/g)?.map(Number) ?? [])
    .filter((numbers) => numbers.length >= 2)
    .map((numbers) => ({ x: numbers.at(-2) ?? 0, y: numbers.at(-1) ?? 0 }));
}
const xs = (path: string) => places(path).map((p) => p.x);
const ys = (path: string) => places(path).map((p) => p.y);
const mean = (values: number[]) => values.reduce((a, b) => a + b, 0) / values.length;

/** Neoclassical canons as revised by Farkas et al. 1985 (values from memory). */
describe('the proportions of the face dial', () => {
  it('are equal thirds: hairline to brows, brows to nose base, nose base to chin', () => {
    const hairline = Math.min(...ys(MIDDLE_LINES.hairline));
    const brows = mean(ys(HALF_LINES.brow));
    const noseBase = Math.max(...ys(MIDDLE_LINES.nose));
    const chin = Math.max(...ys(HEAD));
    const third = (chin - hairline) / 3;
    for (const part of [brows - hairline, noseBase - brows, chin - noseBase]) {
      expect(Math.abs(part / third - 1)).toBeLessThan(0.05);
    }
  });

  it('are five eyes across the face, one of them between the eyes', () => {
    const [outer = 0, inner = 0] = xs(HALF_LINES.lid);
    const eye = inner - outer;
    const between = 2 * (200 - inner);
    const face = Math.max(...xs(HEAD)) - Math.min(...xs(HEAD));
    expect(Math.abs(between / eye - 1)).toBeLessThan(0.05);
    expect(Math.abs(face / 5 / eye - 1)).toBeLessThan(0.05);
  });
});

describe('the areas and points of the face dial', () => {
  it('has a patch for every area and a place inside the picture for every point', () => {
    expect(PATCHES.map((p) => p.area).sort()).toEqual([...AREAS].sort());
    const outside = FACE_POINTS.filter((point) => {
      const [x, y] = POINTS[point];
      return x < 0 || x > 200 || y < 0 || y > 500;
    });
    expect(outside).toEqual([]);
  });

  it('keeps the patches of both halves apart, and paired ones on the left', () => {
    const crossing = PATCHES.filter((p) => p.paired && Math.max(...xs(p.path)) > 200);
    expect(crossing.map((p) => p.area)).toEqual([]);
  });
});

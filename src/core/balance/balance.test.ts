import { LIBRARY_BOOK } from '@library';
import { planOf } from '@testing/plans';
import { describe, expect, it } from 'vitest';
import { compile } from '@/core/score';
import { resolve } from '../class';
import { workByArea } from '.';

const balance = (...lines: Parameters<typeof planOf>[0]) => {
  const plan = planOf(lines);
  return workByArea(compile(plan, LIBRARY_BOOK), resolve(plan, LIBRARY_BOOK).moves);
};

describe('the balance of a class', () => {
  it('gives each area the work of its moves, by their weights', () => {
    const work = balance({
      move: 'tall-o-cheek-lift',
      rounds: 2,
      dose: { kind: 'hold', seconds: 30 },
    });
    expect([work.upperCheeks, work.lowerCheeks, work.mouth, work.nose]).toEqual([
      60_000, 30_000, 30_000, 0,
    ]);
  });

  it('counts both sides, and neither talk nor release', () => {
    expect(balance({ move: 'chin-over-shoulder' }).sideNeck).toBe(40_000);
  });

  it('adds up over the class, and is nothing for an empty one', () => {
    const [a, b] = [{ move: 'smile-pulses' }, { move: 'nostril-flares' }];
    const both = balance(a, b);
    expect(both.upperCheeks).toBe(balance(a).upperCheeks);
    expect(both.nose).toBe(balance(b).nose);
    expect(Object.values(balance()).every((ms) => ms === 0)).toBe(true);
  });
});

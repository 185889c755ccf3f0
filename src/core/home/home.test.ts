import { LIBRARY, LIBRARY_BOOK } from '@library';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { placedSegments } from '../class';
import { versionForAll } from '../draft';
import { CAUTIONS, concerns, inVariant, releaseAsMove } from '../move';
import { compile } from '../score';
import { type HomeWish, homeClass } from '.';

const ids = LIBRARY.map((m) => m.id);
const wishOf = (change: Partial<HomeWish> = {}): HomeWish => ({
  name: 'At home',
  seconds: 180,
  language: 'en',
  cautions: [],
  noted: ['tall-o-cheek-lift'],
  met: ['tall-o-cheek-lift', 'slow-belly-breaths', 'chin-over-shoulder'],
  ...change,
});
const movesOf = (wish: HomeWish): string[] => {
  const made = homeClass(wish, LIBRARY_BOOK);
  return made ? placedSegments(made.plan).map((p) => p.segment.move) : [];
};

it('has the noted move, and fills the time with rounds of it first', () => {
  const { plan } = homeClass(wishOf(), LIBRARY_BOOK) ?? {};
  if (!plan) throw new Error('no class');
  const noted = placedSegments(plan).find((p) => p.segment.move === 'tall-o-cheek-lift');
  expect(noted?.segment.rounds).toBeGreaterThan(1);
});

it('is nothing for somebody who has met nothing', () => {
  expect(homeClass(wishOf({ noted: [], met: [] }), LIBRARY_BOOK)).toBeNull();
});

it('says which noted moves it leaves out, for what somebody carries', () => {
  const cautions = [{ caution: 'jaw' as const }];
  const jaw = LIBRARY.find((m) => 'against' in versionForAll(m, [{ cautions }]));
  if (!jaw) throw new Error('no move for it');
  const noted = [jaw.id];
  const wish = wishOf({ noted, met: ['slow-belly-breaths'], cautions });
  expect(homeClass(wish, LIBRARY_BOOK)?.left).toEqual(noted);
  expect(movesOf(wish)).not.toContain(jaw.id);
});

it('hurts nobody by what they carry, has only what they met, and lasts no longer than was wished', () => {
  const wish = fc.record({
    seconds: fc.integer({ min: 60, max: 600 }),
    noted: fc.subarray(ids, { maxLength: 3 }),
    met: fc.subarray(ids, { maxLength: 12 }),
    cautions: fc
      .subarray([...CAUTIONS], { maxLength: 3 })
      .map((all) => all.filter((c) => c !== 'palsy').map((caution) => ({ caution }))),
  });
  fc.assert(
    fc.property(wish, (given) => {
      const made = homeClass(wishOf(given), LIBRARY_BOOK);
      if (!made) return;
      const { plan } = made;
      expect(compile(plan, LIBRARY_BOOK).totalMs).toBeLessThanOrEqual(given.seconds * 1000);
      for (const { segment } of placedSegments(plan)) {
        const move = LIBRARY_BOOK.move(segment.move);
        if (!move) throw new Error('unknown move');
        expect([...given.noted, ...given.met]).toContain(move.id);
        const done = inVariant(move, segment.variant);
        expect(concerns(done, given.cautions)).toEqual([]);
        const letGo = plan.rules.release && releaseAsMove(done, plan.rules.release);
        if (letGo) expect(concerns(letGo, given.cautions)).toEqual([]);
      }
    }),
    { numRuns: 60 },
  );
});

import { LIBRARY, LIBRARY_BOOK, libraryMove } from '@library';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type BookedPerson, check } from '@/core/checks';
import { placedSegments, planSchema } from '@/core/class';
import {
  type Area,
  CAUTIONS,
  concerns,
  inVariant,
  mainRegion,
  REGIONS,
  worksOn,
} from '@/core/move';
import { compile, lengthOf } from '@/core/score';
import { solver } from '@/core/testing/solver';
import { type DraftWish, draft, draftMoves } from '.';

const wish = (more: Partial<DraftWish> = {}): DraftWish => ({
  name: 'Drafted',
  slotSeconds: 1200,
  language: 'en',
  aim: { kind: 'whole' },
  kit: ['mirror', 'oil'],
  rules: {},
  people: [],
  recent: [],
  shown: [],
  seed: 1,
  ...more,
});

const person = (id: string, more: Partial<BookedPerson> = {}): BookedPerson => ({
  id,
  name: id,
  cautions: [],
  met: new Set(LIBRARY.map((m) => m.id)),
  ...more,
});

const drafted = (more: Partial<DraftWish> = {}) => {
  const found = draft(wish(more), LIBRARY, LIBRARY_BOOK, solver);
  if (found.kind === 'none') throw new Error(`no draft: ${found.missing.join('; ')}`);
  return found;
};

const regionOfMove = (id: string) => {
  const move = libraryMove(id);
  return move && mainRegion(move);
};

describe('drafting a class', () => {
  it.each([300, 600, 1200, 1800, 3600])(
    'fills a slot of %i s to within two seconds',
    (slotSeconds) => {
      const { plan, reasons } = drafted({ slotSeconds });
      const ms = lengthOf(plan, LIBRARY_BOOK);
      expect(ms).toBeLessThanOrEqual(slotSeconds * 1000);
      expect(ms).toBeGreaterThanOrEqual(slotSeconds * 1000 - 2000);
      expect(planSchema.safeParse(plan).success).toBe(true);
      for (const { segment } of placedSegments(plan)) expect(reasons.get(segment.id)).not.toBe('');
    },
  );

  it('has nothing that a check would say must be changed', () => {
    for (const seed of [1, 2, 3]) {
      const { plan } = drafted({ seed });
      const found = check({
        plan,
        score: compile(plan, LIBRARY_BOOK),
        book: LIBRARY_BOOK,
        shelf: LIBRARY,
        people: [],
        sessionsAWeek: 1,
        compile: (p) => compile(p, LIBRARY_BOOK),
      });
      expect(found.filter((f) => f.severity === 'must').map((f) => f.key)).toEqual([]);
      expect(found.filter((f) => f.check === 'order-against-school')).toEqual([]);
      expect(found.filter((f) => f.check === 'no-warm-up' || f.check === 'no-drain')).toEqual([]);
    }
  });

  it('works every part of the face in a whole-face class', () => {
    const { plan } = drafted();
    const regions = new Set(placedSegments(plan).map((p) => regionOfMove(p.segment.move)));
    for (const region of REGIONS) expect(regions).toContain(region);
  });

  it('takes about three moves for the focus to one for each other part', () => {
    const { plan } = drafted({ aim: { kind: 'focus', areas: ['jaw', 'underChin'] } });
    const working = [...plan.phases.work, ...plan.phases.massage].flatMap((b) => b.segments);
    const moves = working.flatMap((s) => libraryMove(s.move) ?? []);
    const focused = moves.filter((m) => worksOn(m, ['jaw', 'underChin'])).length;
    for (const region of REGIONS) {
      const others = moves.filter(
        (m) => !worksOn(m, ['jaw', 'underChin']) && mainRegion(m) === region,
      );
      expect(3 * others.length).toBeLessThanOrEqual(focused + 2);
    }
  });

  it('serves its purpose with at least half of the work', () => {
    const { plan } = drafted({ aim: { kind: 'purpose', purpose: 'calm' } });
    const moves = [...plan.phases.work, ...plan.phases.massage]
      .flatMap((b) => b.segments)
      .flatMap((s) => libraryMove(s.move) ?? []);
    const serving = moves.filter((m) => m.purposes.includes('calm')).length;
    expect(2 * serving).toBeGreaterThanOrEqual(moves.length);
  });

  it('another one is clearly different, again and again', () => {
    const shown: string[][] = [];
    for (let n = 0; n < 3; n++) {
      const { plan } = drafted({ shown, seed: n });
      const working = [...plan.phases.work, ...plan.phases.massage].flatMap((b) =>
        b.segments.map((s) => s.move),
      );
      for (const before of shown) {
        const same = working.filter((m) => before.includes(m));
        expect(same.length).toBeLessThanOrEqual(working.length / 2 + 1);
      }
      shown.push(draftMoves(plan));
    }
  });

  it('leaves oil out where there is none, and a pen where nobody brings one', () => {
    const { plan } = drafted({ kit: [], rules: { skin: 'dry' } });
    for (const id of draftMoves(plan)) {
      const move = libraryMove(id);
      expect(move?.props).toEqual([]);
      expect(move?.surface).not.toBe('glide');
    }
  });

  it('never breaks a caution, whoever is booked', () => {
    const anybody = fc.record({
      cautions: fc.subarray(
        [...CAUTIONS].filter((c) => c !== 'palsy'),
        { maxLength: 4 },
      ),
      areas: fc.option(fc.constant<Area[]>(['jaw', 'chin']), { nil: undefined }),
    });
    fc.assert(
      fc.property(
        fc.array(anybody, { minLength: 1, maxLength: 3 }),
        fc.constantFrom(600, 900, 1200),
        fc.nat(100),
        (bodies, slotSeconds, seed) => {
          const people = bodies.map(({ cautions, areas }, i) =>
            person(`p${i}`, {
              cautions: cautions.map((caution) => ({ caution, ...(areas && { areas }) })),
            }),
          );
          const found = draft(wish({ people, slotSeconds, seed }), LIBRARY, LIBRARY_BOOK, solver);
          if (found.kind === 'none') return;
          for (const { segment } of placedSegments(found.plan)) {
            const move = libraryMove(segment.move);
            const done = move && inVariant(move, segment.variant);
            for (const p of people) expect(done && concerns(done, p.cautions)).toEqual([]);
          }
        },
      ),
      { numRuns: 25 },
    );
  }, 120_000);

  it('prefers what people know and have not done lately, and says so', () => {
    const first = drafted();
    const recent = draftMoves(first.plan);
    const people = [person('p', { met: new Set(LIBRARY.slice(0, 100).map((m) => m.id)) })];
    const { plan, reasons } = drafted({ recent, people });
    const again = draftMoves(plan).filter((m) => recent.includes(m));
    expect(again.length).toBeLessThan(recent.length / 2);
    expect([...reasons.values()].some((r) => r.includes('not done lately'))).toBe(true);
    expect([...reasons.values()].some((r) => r.includes('everybody knows it'))).toBe(true);
  });

  it('says nothing rather than something wrong where no class can be made', () => {
    const all = CAUTIONS.map((caution) => ({ caution }));
    const found = draft(
      wish({ people: [person('p', { cautions: all })], slotSeconds: 3600 }),
      LIBRARY.filter((m) => m.kind === 'massage'),
      LIBRARY_BOOK,
      solver,
    );
    expect(found).toMatchObject({
      kind: 'none',
      missing: expect.arrayContaining(['no move is left']),
    });
  });
});

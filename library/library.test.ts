import { describe, expect, it } from 'vitest';
import { claimIn } from '@/core/checks';
import {
  AREAS,
  cautionsOf,
  cuesOf,
  DOSE_KINDS,
  doseMs,
  inVariant,
  KINDS,
  LANGUAGES,
  type Move,
  MUSCLES_BY_AREA,
  moveSchema,
  PURPOSES,
  SIDES,
} from '@/core/move';
import { LIBRARY, libraryMove, SHAPES, WORDS } from '.';
import { faultsOf } from './checks';

const move = (id: string): Move => {
  const found = libraryMove(id);
  if (!found) throw new Error(`no move ${id}`);
  return found;
};

describe('the library', () => {
  it('holds at least 90 moves without a fault, no two with one id, no words without a move', () => {
    expect(LIBRARY.length).toBeGreaterThanOrEqual(90);
    expect(LIBRARY.flatMap(faultsOf)).toEqual([]);
    const ids = SHAPES.map((s) => s.id);
    expect(new Set(ids).size).toBe(ids.length);
    for (const language of LANGUAGES) {
      expect(Object.keys(WORDS[language]).sort(), language).toEqual([...ids].sort());
    }
  });

  it('has work for every area, every kind, every purpose and every way of the sides', () => {
    const missing = <T extends string>(all: readonly T[], has: (m: Move, value: T) => boolean) =>
      all.filter((value) => !LIBRARY.some((m) => has(m, value)));
    expect(missing(AREAS, (m, area) => m.areas[area] !== undefined)).toEqual([]);
    expect(missing(KINDS, (m, kind) => m.kind === kind)).toEqual([]);
    expect(missing(PURPOSES, (m, purpose) => m.purposes.includes(purpose))).toEqual([]);
    expect(missing(SIDES, (m, sides) => m.sides === sides)).toEqual([]);
    expect(missing(DOSE_KINDS, (m, kind) => m.dose.kind === kind)).toEqual([]);
  });

  it('suggests doses inside their own floor and ceiling', () => {
    const outside = LIBRARY.filter((m) => {
      const seconds = doseMs(m.dose) / 1000;
      return !m.range || seconds < m.range[0] || seconds > m.range[1];
    });
    expect(outside.map((m) => m.id)).toEqual([]);
  });

  it('names muscles that lie in an area the move works, or beside it', () => {
    const far = LIBRARY.flatMap((m) => {
      const near = new Set(
        Object.keys(m.areas).flatMap(
          (area) => MUSCLES_BY_AREA[area as keyof typeof MUSCLES_BY_AREA] as readonly string[],
        ),
      );
      return m.muscles.length > 0 && !m.muscles.some((muscle) => near.has(muscle)) ? [m.id] : [];
    });
    expect(far).toEqual([]);
  });

  it('says different things in different languages', () => {
    const same = LIBRARY.filter((m) => m.text.en?.setup[0] === m.text.de?.setup[0]);
    expect(same.map((m) => m.id)).toEqual([]);
  });
});

describe('the validator', () => {
  const good = move('tall-o-cheek-lift');
  const text = (change: object) =>
    ({ ...good, text: { ...good.text, en: { ...good.text.en, ...change } } }) as Move;

  it.each<[string, Move, RegExp]>([
    ['a claim', text({ letGo: 'This will melt fat.' }), /says "melt fat"; say "wake the muscle"/],
    ['a cue over 12 s', text({ short: `${'slowly and gently '.repeat(13)}now` }), /over 12 s/],
    ['a missing language', { ...good, text: { en: good.text.en } } as Move, /has no German words/],
    ['no muscles', { ...good, muscles: [] }, /names no muscle/],
    ['no range', { ...good, range: undefined }, /no floor and ceiling/],
    [
      'a version without words',
      { ...move('smile-pulses'), variants: { easier: {}, harder: {} } },
      /harder version only in shape/,
    ],
    [
      'pressing under the eye',
      { ...move('under-eye-circles'), pressure: 'light' },
      /without being feather-light/,
    ],
    ['the head back with no way out', { ...good, head: 'back' }, /without a chin-level version/],
    [
      'strong knuckles every day',
      { ...move('forehead-fist-slides'), weeklyCap: undefined },
      /without a cap/,
    ],
  ])('finds %s', (_, wrong, words) => {
    expect(faultsOf(wrong).join('\n')).toMatch(words);
  });

  it('refuses a muscle nobody knows and a move without areas', () => {
    const { text: _, ...shape } = good;
    const parse = (change: object) =>
      moveSchema.safeParse({ ...shape, text: good.text, ...change });
    expect(parse({}).success).toBe(true);
    expect(parse({ muscles: ['smilus maximus'] }).error?.issues[0]?.message).toMatch(
      /anatomical name/,
    );
    expect(parse({ areas: {} }).error?.issues[0]?.message).toMatch(/at least one area/);
    expect(parse({ kind: undefined }).success).toBe(false);
  });

  it('lets honest words pass, in both languages', () => {
    expect(claimIn('Feel the warmth; healthy colour is enough.', 'en')).toBeNull();
    expect(claimIn('Das entgiftet die Haut.', 'de')?.instead).toBe('erfrischen');
    const all = LIBRARY.flatMap((m) => (m.text.de ? cuesOf(m.text.de) : []));
    expect(all.filter((cue) => claimIn(cue, 'de'))).toEqual([]);
  });
});

describe('cautions (common practice; they defer to licensed care)', () => {
  const effect = (id: string, caution: string) =>
    cautionsOf(move(id)).find((c) => c.caution === caution)?.effect;

  it('keep the chin level for a sore neck, and the jaw soft for a sore jaw', () => {
    expect(effect('anchored-jaw-forward', 'neck')).toBe('easier');
    expect(inVariant(move('anchored-jaw-forward'), 'easier').head).toBe('level');
    expect(effect('yawn-wide-opening', 'jaw')).toBe('easier');
    expect(effect('slow-belly-breaths', 'jaw')).toBeUndefined();
  });

  it('leave out what has no version that avoids the trouble', () => {
    expect(effect('below-ear-press', 'glands')).toBe('leaveOut');
    expect(effect('closing-face-drain', 'glands')).toBe('easier');
    expect(effect('closing-free-massage', 'eyes')).toBe('leaveOut');
    expect(effect('under-eye-circles', 'eyes')).toBe('easier');
    expect(effect('lower-lid-lifts', 'eyes')).toBe('easier');
    expect(effect('forehead-finger-sweeps', 'skin')).toBe('leaveOut');
  });

  it('say ask first, feather-light and check the oil where that is enough', () => {
    expect(effect('front-neck-pulses', 'palsy')).toBe('askFirst');
    expect(effect('forehead-finger-sweeps', 'bleeding')).toBe('feather');
    expect(effect('hair-root-circles', 'bleeding')).toBe('easier');
    expect(effect('forehead-finger-sweeps', 'allergy')).toBe('checkOil');
  });

  it('say nothing against a quiet breath', () => {
    expect(cautionsOf(move('slow-belly-breaths'))).toEqual([]);
  });
});

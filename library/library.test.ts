import { planOf } from '@testing/plans';
import { describe, expect, it } from 'vitest';
import { claimIn } from '@/core/checks';
import { segmentOf } from '@/core/class';
import { LANGUAGES } from '@/core/language';
import {
  AREAS,
  asWritten,
  cautionsOf,
  cuesOf,
  DOSE_KINDS,
  doseMs,
  inVariant,
  KINDS,
  type Move,
  MUSCLES_BY_AREA,
  moveSchema,
  PURPOSES,
  SIDES,
  VARIANTS,
} from '@/core/move';
import { compile } from '@/core/score';
import { LIBRARY, LIBRARY_BOOK, libraryMove, SHAPES, WORDS } from '.';
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

  it('suggests releases in which all that lets a round go can be said, in both languages', () => {
    const unsaid = LIBRARY.flatMap((m) =>
      LANGUAGES.flatMap((language) => {
        const { id: _, ...line } = segmentOf(m, 's');
        const plan = { ...planOf([line], {}, 3600), language };
        const left = compile(plan, LIBRARY_BOOK).leftOut.filter((l) => l.kind !== 'form');
        return left.map((l) => `${m.id} (${line.releaseSeconds} s): ${l.text}`);
      }),
    );
    expect(unsaid).toEqual([]);
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
    ['a cue over 8 s', text({ short: `${'slowly and gently '.repeat(13)}now` }), /over 8 s/],
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
    ['a chin that words lift', text({ setup: ['Lift the chin and smile.'] }), /for headBack/],
    [
      'a wide mouth in words',
      { ...text({ setup: ['Yawn slowly.'] }), demands: [], variants: {} },
      /for wideOpening/,
    ],
    [
      'hands sent where the data have none',
      text({ setup: ['Lay the fingertips on the chin.'] }),
      /sends the hands to chin/,
    ],
    ['a let-go that taps', text({ letGo: 'Let go, and tap the cheeks.' }), /taps or strokes/],
    [
      'a head that goes back without a word on dizziness',
      { ...good, head: 'back', variants: { easier: { head: 'level' } } },
      /nothing of dizziness/,
    ],
    [
      'a mouth opened wide without a word on how wide',
      text({ setup: ['Open the mouth.'], short: 'Open.', form: ['One.', 'Two.', 'Three.'] }),
      /how wide to open/,
    ],
    [
      'fingers inside the mouth that nobody washed',
      { ...good, demands: ['wideOpening', 'insideMouth'] },
      /clean hands/,
    ],
    ['tapping off the eyes', { ...move('gaze-up-hold'), release: 'tap' }, /lets go of the eyes/],
    [
      'hands on the eyes that are not said to be near them',
      { ...move('lower-lid-lifts'), demands: [] },
      /touches the eyes without saying so/,
    ],
    [
      'strokes down the neck that are no drain',
      { ...move('closing-face-drain'), demands: [] },
      /without saying that it drains/,
    ],
    [
      'pressure on the jaw that is not said',
      { ...move('side-knuckle-rolls'), demands: [] },
      /presses on the jaw without saying so/,
    ],
    [
      'an arrow that drags the mouth corners down',
      { ...good, strokes: [['mouthCorner', 'jawMid']] },
      /drags the mouth corners down/,
    ],
    [
      'a grip on both sides of the neck',
      text({ short: 'Thumbs on both sides of the neck.' }),
      /both sides of the neck/,
    ],
    ['a warning sign that is wanted', text({ letGo: 'Feel it tingle.' }), /tingling/],
    [
      'a hold that is counted out',
      { ...move('smile-pulses'), variants: { easier: {} } },
      /only holds, but is counted out/,
    ],
    [
      'an easier version without hands that keeps them',
      { ...move('corner-pull-against-fingers'), variants: { easier: {} } },
      /for handsFree/,
    ],
    [
      'feather-light words for more pressure',
      { ...move('forehead-finger-sweeps'), variants: { easier: {} } },
      /for featherLight/,
    ],
    ['a soft pinch', { ...move('cheek-pinches'), pressure: 'light' }, /for pinching/],
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

  it('proves that the words of no move ask for more than its data, so that cautions need only those', () => {
    const unsaid = LIBRARY.flatMap((m) =>
      [undefined, ...VARIANTS].flatMap((v) => {
        const done = inVariant(m, v);
        return asWritten(done) === done ? [] : [`${m.id} ${v}`];
      }),
    );
    expect(unsaid).toEqual([]);
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
    expect(effect('staged-brow-hold', 'eyes')).toBe('leaveOut');
    expect(effect('under-eye-circles', 'eyes')).toBe('easier');
    expect(effect('lower-lid-lifts', 'eyes')).toBe('easier');
    expect(effect('forehead-finger-sweeps', 'skin')).toBe('leaveOut');
  });

  it('say ask first, feather-light and check the oil where that is enough', () => {
    expect(effect('front-neck-pulses', 'palsy')).toBe('askFirst');
    expect(effect('alternate-cheek-lifts', 'bleeding')).toBe('feather');
    expect(effect('hair-root-circles', 'bleeding')).toBe('easier');
    expect(effect('forehead-finger-sweeps', 'allergy')).toBe('checkOil');
  });

  it('say nothing against a quiet breath', () => {
    expect(cautionsOf(move('slow-belly-breaths'))).toEqual([]);
  });
});

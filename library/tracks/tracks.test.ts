import { describe, expect, it } from 'vitest';
import {
  amount,
  handsOf,
  mirrored,
  nameOfUnit,
  STILL,
  type Track,
  trackOf,
  UNITS,
  unitsOf,
  unitTraits,
} from '@/core/face';
import { inVariant, type Move, MUSCLES_BY_AREA, touchedAreas, type Variant } from '@/core/move';
import { LIBRARY } from '..';
import { libraryTrack, TRACKS } from '.';

/** Every built-in move in each version it has. */
const ALL = LIBRARY.flatMap((move) =>
  ([undefined, 'easier', 'harder'] as (Variant | undefined)[])
    .filter((v) => v === undefined || move.variants[v] !== undefined)
    .map((variant) => ({
      id: `${move.id}${variant ? ` (${variant})` : ''}`,
      move,
      done: variant ? inVariant(move, variant) : move,
      track: libraryTrack(move.id, variant) as Track,
    })),
);
const wrong = (is: (of: (typeof ALL)[number]) => string | false | undefined) =>
  ALL.flatMap((of) => {
    const what = is(of);
    return what ? [`${of.id}: ${what}`] : [];
  });
const most = (track: Track, unit: (typeof UNITS)[number]) =>
  Math.max(...track.keys.map((units) => amount({ ...STILL, units }, unit)));
const turned = (track: Track) => Math.max(most(track, '51L'), most(track, '51R'));
const leaning = (track: Track) => Math.max(most(track, '55L'), most(track, '55R'));

describe('the tracks of the library', () => {
  it('are there for every move, and for no other', () => {
    expect(Object.keys(TRACKS).sort()).toEqual(LIBRARY.map((m) => m.id).sort());
  });

  it('have hands where the move has hands, and none where it is free of them', () => {
    // Arms that are raised touch nothing.
    const touching = (track: Track) => track.hands.filter((h) => h.form !== 'up').length > 0;
    expect(
      wrong(({ done, track }) => {
        if (done.hands === 'free') return touching(track) && 'hands where there are none';
        return !touching(track) && 'no hands';
      }),
    ).toEqual([]);
  });

  it('hold the head as the move does', () => {
    expect(
      wrong(({ done, track }) => {
        const [back, down] = [most(track, '53'), most(track, '54')];
        const held: Record<Move['head'], boolean> = {
          level: back < 0.1 && down < 0.1 && leaning(track) < 0.1 && turned(track) <= 0.25,
          back: back >= 0.2,
          down: down >= 0.2 && back < 0.1,
          turned: turned(track) >= 0.3 && back < 0.1,
          leaning: leaning(track) >= 0.3 && back < 0.1,
        };
        return !held[done.head] && `not ${done.head}`;
      }),
    ).toEqual([]);
  });

  it('are the same on both sides where both work together, and not where they work apart', () => {
    const same = (track: Track) => {
      const other = track.keys.map((units) => mirrored({ ...STILL, units }).units);
      return JSON.stringify(other) === JSON.stringify(track.keys);
    };
    const oneHand = (track: Track) => track.hands.length === 1;
    expect(
      wrong(({ done, track }) => {
        const apart = !same(track) || oneHand(track) || track.hands.some((h) => h.hand !== h.half);
        if (done.sides === 'each') return !apart && 'the same on both sides';
        // Over all its keys a move of both sides favours none.
        const total = (unit: string) =>
          track.keys.reduce((sum, units) => sum + amount({ ...STILL, units }, unit as never), 0);
        const uneven = UNITS.filter((u) => u.endsWith('L')).some(
          (u) => Math.abs(total(u) - total(`${u.slice(0, -1)}R`)) > 1e-9,
        );
        return done.sides === 'together' && uneven && 'more on one side';
      }),
    ).toEqual([]);
  });

  it('press near the eye with little, and only on bone', () => {
    const near = ['underEye', 'innerEye', 'outerEye'];
    expect(
      wrong(({ done, track }) => {
        const close = track.hands.filter((h) => h.way.some((point) => near.includes(point)));
        if (close.length === 0) return false;
        if (!['none', 'feather'].includes(done.pressure)) return `${done.pressure} near the eye`;
        const soft = close.every((h) => ['ring', 'tip', 'tips', 'rings', 'cup'].includes(h.form));
        const still = close.every((h) => ['rest', 'stroke', 'lift'].includes(h.motion));
        return !(soft && still) && 'too much near the eye';
      }),
    ).toEqual([]);
  });

  /** Muscles a move names that no unit of its picture has, and why that is right. */
  const EXPLAINED: Record<string, string> = {
    'tongue-corner-to-corner': 'the floor of the mouth steadies every way of the tongue',
    'tongue-toward-nose': 'the floor of the mouth steadies every way of the tongue',
    'tongue-to-ceiling': 'the floor of the mouth steadies every way of the tongue',
  };

  /** Muscles that a move names and its picture does not show; of a version, only where it shows none of them. */
  const unshown = ({ move, done, track }: (typeof ALL)[number]): readonly string[] => {
    if (['massage', 'point'].includes(move.kind)) return [];
    const moving = new Set<string>(
      UNITS.filter((u) => most(track, u) > 0.05).flatMap((u) => unitTraits(nameOfUnit(u)).muscles),
    );
    const touched = new Set<string>(
      touchedAreas(done).flatMap((area) => MUSCLES_BY_AREA[area] as readonly string[]),
    );
    const named = move.muscles.filter((m) => !moving.has(m) && !touched.has(m));
    return done === move || named.length === move.muscles.length ? named : [];
  };

  it('move by the muscles that the move names, where it is the muscles that move', () => {
    expect(wrong((of) => !EXPLAINED[of.move.id] && unshown(of).join(', '))).toEqual([]);
  });

  it('are explained only where it is needed', () => {
    const needed = new Set(ALL.filter((of) => unshown(of).length > 0).map((of) => of.move.id));
    expect(Object.keys(EXPLAINED).filter((id) => !needed.has(id))).toEqual([]);
  });
});

describe('a written track', () => {
  it('is refused where it holds what is none', () => {
    expect(() => trackOf({ keys: '12 wink' })).toThrow('"wink"');
    expect(() => trackOf({ keys: '12', hands: 'tip rest moon' })).toThrow('"tip rest moon"');
    expect(() => unitsOf('30')).toThrow('needs a side');
    expect(handsOf('')).toEqual([]);
  });

  it('has in a version what is said of it, and else what the move has', () => {
    const written = { keys: '12', hands: 'tip rest chin', easier: { keys: '12:.4' } };
    expect(amount({ ...STILL, units: trackOf(written, 'easier').keys[0] ?? [] }, '12L')).toBe(0.4);
    expect(trackOf(written, 'easier').hands).toHaveLength(2);
    expect(trackOf({ ...written, easier: { hands: '' } }, 'easier').hands).toEqual([]);
  });
});

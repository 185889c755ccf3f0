import { amount, mirrored, STILL, type Track } from '@/core/face';
import {
  inVariant,
  type Move,
  MUSCLES_BY_AREA,
  nameOfUnit,
  touchedAreas,
  UNITS,
  type Unit,
  unitTraits,
  VARIANTS,
  type Variant,
} from '@/core/move';
import { libraryTrack } from '.';

/** What a picture has to agree with: the move as it is done in a version. */
interface Shown {
  move: Move;
  done: Move;
  track: Track;
}
type Rule = (of: Shown) => string | false | undefined;

const unitIn = (units: readonly number[], unit: Unit) => amount({ ...STILL, units }, unit);
const most = (track: Track, unit: Unit): number =>
  Math.max(...track.keys.map((units) => unitIn(units, unit)));
const turned = (track: Track) => Math.max(most(track, '51L'), most(track, '51R'));
const leaning = (track: Track) => Math.max(most(track, '55L'), most(track, '55R'));
/** Arms that are raised touch nothing. */
const touches = (track: Track) => track.hands.some((h) => h.form !== 'up');

const HEADS: Record<Move['head'], (track: Track) => boolean> = {
  level: (t) => most(t, '53') < 0.1 && most(t, '54') < 0.1 && leaning(t) < 0.1 && turned(t) <= 0.25,
  back: (t) => most(t, '53') >= 0.2,
  down: (t) => most(t, '54') >= 0.2 && most(t, '53') < 0.1,
  turned: (t) => turned(t) >= 0.3 && most(t, '53') < 0.1,
  leaning: (t) => leaning(t) >= 0.3 && most(t, '53') < 0.1,
};

const sameOnBothSides = (track: Track): boolean =>
  track.keys.every((units) => {
    const other = mirrored({ ...STILL, units }).units;
    return other.every((much, i) => much === units[i]);
  });
/** Over all its keys, whether one side does more. */
const favours = (track: Track): boolean => {
  const total = (unit: Unit) => track.keys.reduce((sum, units) => sum + unitIn(units, unit), 0);
  return UNITS.filter((u) => u.endsWith('L')).some(
    (u) => Math.abs(total(u) - total(`${u.slice(0, -1)}R` as Unit)) > 1e-9,
  );
};

const BESIDE_EYES: readonly string[] = ['underEye', 'innerEye', 'outerEye'];
const SOFT_FORMS: readonly string[] = ['ring', 'tip', 'tips', 'rings', 'cup'];
const SOFT_MOTIONS: readonly string[] = ['rest', 'stroke', 'lift'];

/** Muscles a move names that no unit of its picture has, and why that is right. */
export const EXPLAINED: Readonly<Record<string, string>> = {
  'tongue-corner-to-corner': 'the floor of the mouth steadies every way of the tongue',
  'tongue-toward-nose': 'the floor of the mouth steadies every way of the tongue',
  'tongue-to-ceiling': 'the floor of the mouth steadies every way of the tongue',
};

/** Muscles that a move names and its picture does not show; of a version, only where it shows none of them. */
export function unshown({ move, done, track }: Shown): readonly string[] {
  if (move.kind === 'massage' || move.kind === 'point') return [];
  const moving = new Set<string>(
    UNITS.filter((u) => most(track, u) > 0.05).flatMap((u) => unitTraits(nameOfUnit(u)).muscles),
  );
  const touched = new Set<string>(
    touchedAreas(done).flatMap((area) => MUSCLES_BY_AREA[area] as readonly string[]),
  );
  const named = move.muscles.filter((m) => !moving.has(m) && !touched.has(m));
  return done === move || named.length === move.muscles.length ? named : [];
}

const RULES: Record<string, Rule> = {
  'hands where the move has hands': ({ done, track }) => {
    if (done.hands === 'free') return touches(track) && 'shows hands, and has none';
    return !touches(track) && 'shows no hands';
  },
  'the head as it is held': ({ done, track }) =>
    !HEADS[done.head](track) && `shows the head not as it is held: ${done.head}`,
  'work on the side it is on': ({ done, track }) => {
    const apart =
      !sameOnBothSides(track) ||
      track.hands.length === 1 ||
      track.hands.some((h) => h.hand !== h.half);
    if (done.sides === 'each') return !apart && 'shows the same on both sides';
    return done.sides === 'together' && favours(track) && 'shows more on one side';
  },
  'little near the eye, and on bone': ({ done, track }) => {
    const close = track.hands.filter((h) => h.way.some((point) => BESIDE_EYES.includes(point)));
    const soft = close.every((h) => SOFT_FORMS.includes(h.form) && SOFT_MOTIONS.includes(h.motion));
    if (close.length > 0 && !['none', 'feather'].includes(done.pressure)) {
      return `shows hands beside the eye with ${done.pressure} pressure`;
    }
    return !soft && 'shows hands that do too much beside the eye';
  },
  'one hand at most on the front of the neck': ({ track }) =>
    track.hands.filter((h) => h.way.includes('frontNeck')).length > 1 &&
    'shows both hands on the front of the neck',
  'the muscles it names': (of) => {
    const missing = EXPLAINED[of.move.id] ? [] : unshown(of);
    return missing.length > 0 && `shows nothing of ${missing.join(', ')}`;
  },
};

/** What a picture of a move does not agree with, one sentence each. */
export function pictureFaults(move: Move, variant: Variant | undefined, track: Track): string[] {
  const done = variant ? inVariant(move, variant) : move;
  const name = variant ? `${move.id} (${variant})` : move.id;
  return Object.values(RULES).flatMap((rule) => {
    const fault = rule({ move, done, track });
    return fault ? [`${name} ${fault}`] : [];
  });
}

/** The versions a move has, the usual one first. */
export const versionsOf = (move: Move): (Variant | undefined)[] => [
  undefined,
  ...VARIANTS.filter((v) => move.variants[v]),
];

/** What is wrong with the track of a built-in move in any of its versions. */
export function trackFaults(move: Move): string[] {
  return versionsOf(move).flatMap((variant) => {
    const track = libraryTrack(move.id, variant);
    return track ? pictureFaults(move, variant, track) : [`${move.id} has no track`];
  });
}

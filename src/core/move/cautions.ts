import { z } from 'zod';
import { AREA_NAMES, AREAS, type Area } from './areas';
import type { Move } from './move';
import { areaSchema } from './named-schemas';
import { type Release, releaseTraits } from './releases';
import { FACE, NECK, presses, touchedAreas } from './touch';
import { DEMAND_NAMES, DEMANDS, type Demand, type PRESSURES } from './traits';
import { inVariant } from './versions';
import { type Asked, readWords } from './words';

/** What a person may carry with them. Never a diagnosis; it only changes what a class offers. */
export const CAUTIONS = [
  'neck',
  'jaw',
  'procedure',
  'eyes',
  'skin',
  'glands',
  'bleeding',
  'bloodPressure',
  'pregnancy',
  'palsy',
  'allergy',
] as const;
export const cautionSchema = z.enum(CAUTIONS);
export type Caution = z.infer<typeof cautionSchema>;

export const CAUTION_NAMES: Record<Caution, string> = {
  neck: 'neck pain or injury, or dizziness on looking up',
  jaw: 'jaw joint pain or clicking',
  procedure: 'recent filler, botulinum toxin, threads, facial surgery or dental work',
  eyes: 'glaucoma, recent eye surgery, or contact lenses in',
  skin: 'broken, infected, sunburnt or inflamed skin',
  glands: 'swollen glands, fever, cancer treatment or blood clots',
  bleeding: 'blood thinners or easy bruising',
  bloodPressure: 'high blood pressure, or fainting',
  pregnancy: 'pregnancy',
  palsy: 'facial palsy or a recent stroke',
  allergy: 'nut or fragrance allergy',
};

/** Cautions that belong to a place on the face, such as skin or a procedure there. */
export const LOCAL_CAUTIONS: readonly Caution[] = ['procedure', 'skin'];

/** A caution as one person carries it; without areas it holds for the whole face. */
export const carriedCautionSchema = z.strictObject({
  caution: cautionSchema,
  areas: z.array(areaSchema).min(1).max(17).optional(),
});
export type CarriedCaution = z.infer<typeof carriedCautionSchema>;

export type CautionEffect = 'leaveOut' | 'easier' | 'askFirst' | 'feather' | 'checkOil';

/** What follows where no easier version avoids the trouble. */
type Effect = Exclude<CautionEffect, 'easier'>;

/** What a caution has against a move as it is done, and what in the move it is. */
interface Against {
  effect: Effect;
  because: string;
}

interface CautionRule {
  caution: Caution;
  /**
   * What a move as it is done leads to; null where the caution has nothing against it.
   * @param where the places the caution is about, for cautions that belong to a place
   */
  against: (move: Move, where: readonly Area[]) => Against | null;
  words: string;
}

/** A rule with one outcome: whatever it finds leads to the same. */
const when =
  (effect: Effect, finds: (move: Move, where: readonly Area[]) => (string | false)[]) =>
  (move: Move, where: readonly Area[]): Against | null => {
    const found = finds(move, where).filter((f) => f !== false);
    return found.length ? { effect, because: found.join(', and ') } : null;
  };
const demanded = (move: Move, ...any: Demand[]): string[] =>
  any.flatMap((d) => (move.demands.includes(d) ? `it ${DEMAND_NAMES[d]}` : []));
const touched = (move: Move, where: readonly Area[]): Area[] =>
  touchedAreas(move).filter((area) => where.includes(area));
const named = (areas: readonly Area[]): string =>
  areas.length > 4 ? 'most of the face' : areas.map((area) => AREA_NAMES[area]).join(', ');
/** Hands on some places, with at least some pressure. */
const handsOn = (
  move: Move,
  where: readonly Area[],
  least: (typeof PRESSURES)[number],
): string | false => {
  const places = touched(move, where);
  if (places.length === 0 || !presses(move, least)) return false;
  const how = move.pressure === 'none' ? 'rest on' : `work on`;
  return `hands ${how} ${named(places)}`;
};

/** A pause after the out-breath up to this length is no holding of the breath, in seconds. Ours. */
const NATURAL_PAUSE_SECONDS = 2;

/** How a move, in the amount it is done in, holds the breath. */
function heldBreath({ demands, dose }: Move): string | false {
  if (demands.includes('breathHold')) return 'it holds the breath';
  if (dose.kind !== 'breaths') return false;
  const { hold, pause } = dose.pattern;
  if (hold > 0) return `each breath is held for ${hold} s`;
  return pause > NATURAL_PAUSE_SECONDS && `each breath stands still for ${pause} s`;
}

const KINDS_OF_THERAPY: readonly Move['kind'][] = ['exercise', 'massage', 'point', 'stretch'];

/** Common practice among careful teachers; every rule defers to licensed care. */
const RULES: readonly CautionRule[] = [
  {
    caution: 'neck',
    against: when('leaveOut', (m) => [
      m.head === 'back' && 'the head goes back',
      m.head === 'leaning' && m.hands !== 'free' && 'a hand lies on a leaning head',
    ]),
    words: 'No tilting back and no hand on a leaning head.',
  },
  {
    caution: 'jaw',
    against: when('leaveOut', (m) =>
      demanded(m, 'wideOpening', 'resistedJaw', 'jawForward', 'jawPressure'),
    ),
    words:
      'No wide opening, no pushing forward, no resistance and no pressure on the jaw; soft release only.',
  },
  {
    caution: 'procedure',
    against: when('leaveOut', (m, where) => [handsOn(m, where, 'feather')]),
    words: 'No pressure or massage on that area until their clinician says so.',
  },
  {
    caution: 'eyes',
    against: when('leaveOut', (m) => [
      ...demanded(m, 'nearEye', 'squeezeShut'),
      !m.demands.includes('nearEye') && handsOn(m, ['eyes'], 'feather'),
    ]),
    words: 'No pressure on or near the eye and no squeezing shut.',
  },
  {
    caution: 'skin',
    against: when('leaveOut', (m, where) => [handsOn(m, where, 'none')]),
    words: 'No touch on that area.',
  },
  {
    caution: 'glands',
    against: when('leaveOut', (m) => [
      ...demanded(m, 'drain'),
      !m.demands.includes('drain') && handsOn(m, NECK, 'feather'),
    ]),
    words: 'No drainage strokes and nothing on the neck; ask a clinician first.',
  },
  {
    caution: 'bleeding',
    against: (m) => {
      if (touchedAreas(m).length === 0 || !presses(m, 'light')) return null;
      const effect = presses(m, 'medium') ? 'leaveOut' : 'feather';
      return { effect, because: `the pressure is ${m.pressure}` };
    },
    words: 'Feather-light only.',
  },
  {
    caution: 'bloodPressure',
    against: when('leaveOut', (m) => [heldBreath(m), ...demanded(m, 'headBelowHeart')]),
    words: 'No breath holding and no head below the heart.',
  },
  {
    caution: 'pregnancy',
    against: when('askFirst', (m) => demanded(m, 'strongPoint')),
    words: 'Leave strong pressure points out; ask first.',
  },
  {
    caution: 'palsy',
    against: when('askFirst', (m) => [
      KINDS_OF_THERAPY.includes(m.kind) && 'it works the face or the neck',
      !KINDS_OF_THERAPY.includes(m.kind) && handsOn(m, FACE, 'none'),
    ]),
    words: 'Only what their therapist set.',
  },
  {
    caution: 'allergy',
    against: when('checkOil', (m) => [
      (m.surface === 'glide' || m.props.includes('oil')) && 'it is done with oil or cream',
    ]),
    words: 'Check the oil or cream.',
  },
];

const isDemand = (asked: Asked): asked is Demand => (DEMANDS as readonly Asked[]).includes(asked);

const written = new WeakMap<Move, Move>();

/**
 * A move as it is done with what its words ask for and its data do not say: a teacher's own move, or
 * their own words for a move, may lift the chin without naming it. For the library it changes nothing.
 */
export function asWritten(move: Move): Move {
  const known = written.get(move);
  if (known) return known;
  const { asks, places } = readWords(move);
  const more = [...asks].filter((a): a is Demand => isDemand(a) && !move.demands.includes(a));
  const here = touchedAreas(move);
  // Hands that are said to be free and are sent somewhere all the same are not free.
  const unsaid = move.hands === 'free' && places.size > 0 && !asks.has('handsFree');
  const elsewhere =
    move.hands === 'free' && !unsaid ? [] : [...places].filter((a) => !here.includes(a));
  const back = asks.has('headBack') && move.head !== 'back';
  const pinches =
    asks.has('pinching') && (unsaid || move.hands !== 'free') && !presses(move, 'medium');
  const same = more.length + elsewhere.length === 0 && !back && !pinches && !unsaid;
  const read: Move = same
    ? move
    : {
        ...move,
        demands: [...move.demands, ...more],
        ...(elsewhere.length && { touch: [...here, ...elsewhere] }),
        ...(unsaid && { hands: 'light' as const, pressure: 'feather' as const }),
        ...(back && { head: 'back' as const }),
        ...(pinches && { pressure: 'medium' as const }),
      };
  written.set(move, read);
  return read;
}

export interface MoveCaution {
  caution: Caution;
  effect: CautionEffect;
  /** A sentence for the teacher. */
  words: string;
  /** What in the move it is, in a few words. */
  because: string;
}

/** How a rule ends for a move: where the easier version avoids the trouble, that is what it leads to. */
function ending(rule: CautionRule, move: Move, where: readonly Area[]): MoveCaution | null {
  const { caution } = rule;
  const found = rule.against(asWritten(move), where);
  if (!found) return null;
  const { effect, because } = found;
  const avoided =
    move.variants.easier !== undefined &&
    rule.against(asWritten(inVariant(move, 'easier')), where) === null;
  return avoided
    ? { caution, effect: 'easier', words: 'Do the easier version instead.', because }
    : { caution, effect, words: rule.words, because };
}

/** The cautions that rule a move out or change it, wherever on the face they are, in the order above. */
export const cautionsOf = (move: Move): MoveCaution[] =>
  RULES.flatMap((rule) => ending(rule, move, AREAS) ?? []);

/**
 * What of a person's cautions concerns a move as it is done. A caution that belongs to a place counts
 * where hands touch that place; without a place it is about all the skin that a class touches.
 */
export function concerns(move: Move, carried: readonly CarriedCaution[]): MoveCaution[] {
  if (carried.length === 0) return [];
  return RULES.flatMap((rule) => {
    const own = carried.filter((c) => c.caution === rule.caution);
    if (own.length === 0) return [];
    const all = own.some((c) => !c.areas);
    const where = all ? AREAS : own.flatMap((c) => c.areas ?? []);
    return ending(rule, move, where) ?? [];
  });
}

export const isAllergic = (carried: readonly CarriedCaution[]): boolean =>
  carried.some(({ caution }) => caution === 'allergy');

/** What an allergy asks of what is on the skin before the first move. @param what serum, say */
export const checkOnSkin = (what: string): string =>
  `Check the ${what}, which is on the skin from the start.`;

/**
 * A release as a move of its own, so that cautions look at it as they look at a move: it touches what
 * was worked, by tapping feather-light or by light strokes.
 * @returns null for a release without hands
 */
export function releaseAsMove(move: Move, release: Release): Move | null {
  const { hands: pressure } = releaseTraits(release);
  if (!pressure) return null;
  const known = releases.get(move) ?? {};
  releases.set(move, known);
  known[release] ??= {
    ...move,
    kind: 'massage',
    hands: 'light',
    pressure,
    head: 'level',
    demands: [],
    strokes: [],
    touch: Object.keys(move.areas) as Area[],
    surface: 'either',
    props: [],
    dose: { kind: 'hold', seconds: 1 },
    variants: {},
    text: {},
  };
  return known[release];
}
const releases = new WeakMap<Move, Partial<Record<Release, Move>>>();

import { z } from 'zod';
import { AREAS, type Area, areaSchema } from './areas';
import { DEMANDS, type Demand, type Move, type Release } from './move';
import { FACE, NECK, presses, touchedAreas } from './touch';
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

interface CautionRule {
  caution: Caution;
  /**
   * What a move as it is done leads to; null where the caution has nothing against it.
   * @param where the places the caution is about, for cautions that belong to a place
   */
  effect: (move: Move, where: readonly Area[]) => Effect | null;
  words: string;
}

const when =
  (effect: Effect, concerns: (move: Move, where: readonly Area[]) => boolean) =>
  (move: Move, where: readonly Area[]): Effect | null =>
    concerns(move, where) ? effect : null;
const demands = (move: Move, ...any: Demand[]): boolean =>
  any.some((d) => move.demands.includes(d));
const touches = (move: Move, where: readonly Area[]): boolean =>
  touchedAreas(move).some((area) => where.includes(area));

/** A pause after the out-breath up to this length is no holding of the breath, in seconds. Ours. */
const NATURAL_PAUSE_SECONDS = 2;

/** Whether a move, in the amount it is done in, holds the breath. */
export const holdsBreath = (move: Move): boolean =>
  demands(move, 'breathHold') ||
  (move.dose.kind === 'breaths' &&
    (move.dose.pattern.hold > 0 || move.dose.pattern.pause > NATURAL_PAUSE_SECONDS));

/** Whether hands or lids put pressure on or beside the eye. */
const onTheEye = (move: Move): boolean =>
  demands(move, 'nearEye', 'squeezeShut') || (presses(move, 'feather') && touches(move, ['eyes']));

const THERAPY: readonly Move['kind'][] = ['exercise', 'massage', 'point', 'stretch'];

/** Common practice among careful teachers; every rule defers to licensed care. */
const RULES: readonly CautionRule[] = [
  {
    caution: 'neck',
    effect: when(
      'leaveOut',
      (m) => m.head === 'back' || (m.head === 'leaning' && m.hands !== 'free'),
    ),
    words: 'No tilting back and no hand on a leaning head.',
  },
  {
    caution: 'jaw',
    effect: when('leaveOut', (m) =>
      demands(m, 'wideOpening', 'resistedJaw', 'jawForward', 'jawPressure'),
    ),
    words:
      'No wide opening, no pushing forward, no resistance and no pressure on the jaw; soft release only.',
  },
  {
    caution: 'procedure',
    effect: when('leaveOut', (m, where) => touches(m, where) && presses(m, 'feather')),
    words: 'No pressure or massage on that area until their clinician says so.',
  },
  {
    caution: 'eyes',
    effect: when('leaveOut', onTheEye),
    words: 'No pressure on or near the eye and no squeezing shut.',
  },
  {
    caution: 'skin',
    effect: when('leaveOut', touches),
    words: 'No touch on that area.',
  },
  {
    caution: 'glands',
    effect: when(
      'leaveOut',
      (m) => demands(m, 'drain') || (touches(m, NECK) && presses(m, 'feather')),
    ),
    words: 'No drainage strokes and nothing on the neck; ask a clinician first.',
  },
  {
    caution: 'bleeding',
    effect: (m) => {
      if (touchedAreas(m).length === 0 || !presses(m, 'light')) return null;
      return presses(m, 'medium') ? 'leaveOut' : 'feather';
    },
    words: 'Feather-light only.',
  },
  {
    caution: 'bloodPressure',
    effect: when('leaveOut', (m) => holdsBreath(m) || demands(m, 'headBelowHeart')),
    words: 'No breath holding and no head below the heart.',
  },
  {
    caution: 'pregnancy',
    effect: when('askFirst', (m) => demands(m, 'strongPoint')),
    words: 'Leave strong pressure points out; ask first.',
  },
  {
    caution: 'palsy',
    effect: when('askFirst', (m) => THERAPY.includes(m.kind) || touches(m, FACE)),
    words: 'Only what their therapist set.',
  },
  {
    caution: 'allergy',
    effect: when('checkOil', (m) => m.surface === 'glide' || m.props.includes('oil')),
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
  const elsewhere = move.hands === 'free' ? [] : [...places].filter((a) => !here.includes(a));
  const back = asks.has('headBack') && move.head !== 'back';
  const pinches = asks.has('pinching') && move.hands !== 'free' && !presses(move, 'medium');
  const same = more.length + elsewhere.length === 0 && !back && !pinches;
  const read: Move = same
    ? move
    : {
        ...move,
        demands: [...move.demands, ...more],
        ...(elsewhere.length && { touch: [...here, ...elsewhere] }),
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
}

/** How a rule ends for a move: where the easier version avoids the trouble, that is what it leads to. */
function ending(rule: CautionRule, move: Move, where: readonly Area[]): MoveCaution | null {
  const { caution } = rule;
  const effect = rule.effect(asWritten(move), where);
  if (!effect) return null;
  const avoided =
    move.variants.easier !== undefined &&
    rule.effect(asWritten(inVariant(move, 'easier')), where) === null;
  return avoided
    ? { caution, effect: 'easier', words: 'Do the easier version instead.' }
    : { caution, effect, words: rule.words };
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

/** The releases that hands do. */
export const TOUCHING_RELEASES = ['tap', 'massage'] as const satisfies readonly Release[];

/**
 * A release as a move of its own, so that cautions look at it as they look at a move: it touches what
 * was worked, by tapping feather-light or by light strokes.
 * @returns null for a release without hands
 */
export function releaseAsMove(move: Move, release: Release): Move | null {
  if (release !== 'tap' && release !== 'massage') return null;
  const known = releases.get(move) ?? {};
  releases.set(move, known);
  known[release] ??= {
    ...move,
    kind: 'massage',
    hands: 'light',
    pressure: release === 'tap' ? 'feather' : 'light',
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

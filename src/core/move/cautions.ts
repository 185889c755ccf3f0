import { z } from 'zod';
import { type Area, areaSchema } from './areas';
import { inVariant, type Move, PRESSURES } from './move';

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

interface CautionRule {
  caution: Caution;
  concerns: (move: Move) => boolean;
  /** What follows where no easier version avoids it. */
  effect: Exclude<CautionEffect, 'easier'>;
  words: string;
}

const demands =
  (...any: Move['demands']) =>
  (move: Move): boolean =>
    any.some((d) => move.demands.includes(d));
const touches = (move: Move) => move.hands !== 'free' && move.kind !== 'breath';
const presses = (move: Move, least: (typeof PRESSURES)[number]) =>
  PRESSURES.indexOf(move.pressure) >= PRESSURES.indexOf(least);

/** Common practice among careful teachers; every rule defers to licensed care. */
const RULES: readonly CautionRule[] = [
  {
    caution: 'neck',
    concerns: (m) => m.head === 'back' || (m.head === 'leaning' && m.hands !== 'free'),
    effect: 'leaveOut',
    words: 'No tilting back and no hand on a leaning head.',
  },
  {
    caution: 'jaw',
    concerns: demands('wideOpening', 'resistedJaw', 'jawPressure'),
    effect: 'leaveOut',
    words: 'No wide opening, no resistance and no pressure on the jaw; soft release only.',
  },
  {
    caution: 'procedure',
    concerns: (m) => touches(m) && presses(m, 'feather'),
    effect: 'leaveOut',
    words: 'No pressure or massage on that area until their clinician says so.',
  },
  {
    caution: 'eyes',
    concerns: demands('nearEye', 'squeezeShut'),
    effect: 'leaveOut',
    words: 'No pressure on or near the eye and no squeezing shut.',
  },
  {
    caution: 'skin',
    concerns: (m) => touches(m),
    effect: 'leaveOut',
    words: 'No touch on that area.',
  },
  {
    caution: 'glands',
    concerns: demands('drain'),
    effect: 'leaveOut',
    words: 'No drainage strokes; ask a clinician first.',
  },
  {
    caution: 'bleeding',
    concerns: (m) => touches(m) && presses(m, 'medium'),
    effect: 'feather',
    words: 'Feather-light only.',
  },
  {
    caution: 'bloodPressure',
    concerns: (m) => demands('breathHold')(m) || m.head === 'down',
    effect: 'leaveOut',
    words: 'No breath holding and no head below the heart.',
  },
  {
    caution: 'pregnancy',
    concerns: demands('strongPoint'),
    effect: 'askFirst',
    words: 'Leave strong pressure points out; ask first.',
  },
  {
    caution: 'palsy',
    concerns: (m) => m.kind === 'exercise' || m.kind === 'massage' || m.kind === 'point',
    effect: 'askFirst',
    words: 'Only what their therapist set.',
  },
  {
    caution: 'allergy',
    concerns: (m) => m.surface === 'glide' || m.props.includes('oil'),
    effect: 'checkOil',
    words: 'Check the oil or cream.',
  },
];

export interface MoveCaution {
  caution: Caution;
  effect: CautionEffect;
  /** A sentence for the teacher. */
  words: string;
}

/**
 * The cautions that rule a move out or change it, in the order of the list above. Where the easier
 * version avoids the trouble, that is what the caution leads to.
 */
export function cautionsOf(move: Move): MoveCaution[] {
  return RULES.filter((rule) => rule.concerns(move)).map(({ caution, concerns, effect, words }) => {
    const avoided = move.variants.easier !== undefined && !concerns(inVariant(move, 'easier'));
    return avoided
      ? { caution, effect: 'easier', words: 'Do the easier version instead.' }
      : { caution, effect, words };
  });
}

/** What of a person's cautions concerns a move as it is done; one that names areas, only on those. */
export function concerns(move: Move, carried: readonly CarriedCaution[]): MoveCaution[] {
  if (carried.length === 0) return [];
  const here = (at: readonly Area[] | undefined) =>
    !at || at.some((area) => move.areas[area] !== undefined);
  return cautionsOf(move).filter(({ caution }) =>
    carried.some((c) => c.caution === caution && here(c.areas)),
  );
}

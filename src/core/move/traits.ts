export const KINDS = ['warmup', 'exercise', 'massage', 'point', 'stretch', 'breath'] as const;
export type Kind = (typeof KINDS)[number];
export const KIND_NAMES: Record<Kind, string> = {
  warmup: 'warm-up',
  exercise: 'exercise',
  massage: 'massage',
  point: 'pressure point',
  stretch: 'stretch',
  breath: 'breath',
};

/** How the two halves of the face share the work. */
export const SIDES = ['together', 'each', 'directions', 'alternating'] as const;
export type Sides = (typeof SIDES)[number];
export const SIDES_NAMES: Record<Sides, string> = {
  together: 'both sides together',
  each: 'left, then right',
  directions: 'one way, then the other',
  alternating: 'left and right in turn',
};

export const PRESSURES = ['none', 'feather', 'light', 'medium', 'strong'] as const;
export const HEADS = ['level', 'back', 'down', 'turned', 'leaning'] as const;
/** What the skin has to be for the hands to hold or to glide. */
export const SURFACES = ['dry', 'glide', 'either'] as const;
export const PROPS = ['mirror', 'oil', 'pen', 'cushion'] as const;
export type Prop = (typeof PROPS)[number];
export const PROP_NAMES: Record<Prop, string> = {
  mirror: 'a mirror',
  oil: 'oil or cream',
  pen: 'a pen',
  cushion: 'a cushion',
};

/** What may have to be at hand for a class: what its moves use, and what is on the skin from the start. */
export const KIT = [...PROPS, 'serum'] as const;
export type Kit = (typeof KIT)[number];
export const KIT_NAMES: Record<Kit, string> = { ...PROP_NAMES, serum: 'serum' };

export const PURPOSES = [
  'wakeUp',
  'calm',
  'jaw',
  'eyes',
  'posture',
  'dePuff',
  'tone',
  'voice',
] as const;
export type Purpose = (typeof PURPOSES)[number];
export const PURPOSE_NAMES: Record<Purpose, string> = {
  wakeUp: 'wake up',
  calm: 'calm down',
  jaw: 'loosen the jaw',
  eyes: 'rest or open the eyes',
  posture: 'sit tall',
  dePuff: 'freshen puffy places',
  tone: 'tone',
  voice: 'warm up to sing or speak',
};

/** What a move asks of the body that some cautions rule out. */
export const DEMANDS = [
  'wideOpening',
  'resistedJaw',
  'jawForward',
  'jawPressure',
  'breathHold',
  'headBelowHeart',
  'squeezeShut',
  'nearEye',
  'drain',
  'insideMouth',
  'strongPoint',
] as const;
export type Demand = (typeof DEMANDS)[number];
export const DEMAND_NAMES: Record<Demand, string> = {
  wideOpening: 'opens the mouth wide',
  resistedJaw: 'works the jaw against resistance',
  jawForward: 'pushes the jaw forward',
  jawPressure: 'presses on the jaw',
  breathHold: 'holds the breath',
  headBelowHeart: 'takes the head below the heart',
  squeezeShut: 'squeezes the eyes shut',
  nearEye: 'touches near the eye',
  drain: 'drains by strokes',
  insideMouth: 'puts fingers inside the mouth',
  strongPoint: 'presses a strong point',
};

export const VARIANTS = ['easier', 'harder'] as const;
export type Variant = (typeof VARIANTS)[number];

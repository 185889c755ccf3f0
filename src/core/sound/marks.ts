import { levelled, type Sound } from './loudness';
import { softTone } from './mix';

/** What marks a moment without words. All are made here, of sines and of noise, and are as loud as what is said. */
export const MARKS = ['beat', 'in', 'out', 'wood', 'air', 'bell'] as const;
export type Mark = (typeof MARKS)[number];

/** Frequencies of the soft tones: a breath out is lower than one in. */
export const TONE_HZ: Record<'beat' | 'in' | 'out', number> = { beat: 660, in: 528, out: 396 };

/** A block of wood: two dry modes that die away at once. */
const WOOD = { hz: [620, 1180], share: [1, 0.35], seconds: 0.12, fall: 0.018 } as const;
/** A small bowl: partials that are no multiples of each other, the higher the sooner gone, and no hard edge. */
const BELL = {
  hz: [392, 1086, 2054, 3254],
  share: [1, 0.42, 0.16, 0.06],
  fall: [1.1, 0.6, 0.35, 0.2],
  seconds: 3.2,
  rises: 0.012,
} as const;
/** Air, as of somebody who lets a breath go: soft noise that swells and sinks. */
const AIR = { seconds: 0.42, rises: 0.09, low: 0.12, high: 0.5 } as const;

const ofSeconds = (seconds: number, rate: number, at: (s: number, i: number) => number): Sound => ({
  samples: Float32Array.from({ length: Math.round(seconds * rate) }, (_, i) => at(i / rate, i)),
  rate,
});

const wood = (rate: number): Sound =>
  ofSeconds(WOOD.seconds, rate, (s) =>
    WOOD.hz.reduce(
      (sum, hz, n) =>
        sum +
        0.5 *
          (WOOD.share[n] ?? 0) *
          Math.exp(-s / (WOOD.fall / (n + 1))) *
          Math.sin(2 * Math.PI * hz * s),
      0,
    ),
  );

const bell = (rate: number): Sound =>
  ofSeconds(BELL.seconds, rate, (s) => {
    const rise = Math.min(1, s / BELL.rises);
    const end = Math.min(1, (BELL.seconds - s) / 0.3);
    return BELL.hz.reduce(
      (sum, hz, n) =>
        sum +
        0.4 *
          rise *
          end *
          (BELL.share[n] ?? 0) *
          Math.exp(-s / (BELL.fall[n] ?? 1)) *
          Math.sin(2 * Math.PI * hz * s),
      0,
    );
  });

function air(rate: number): Sound {
  // Noise that is the same each time: a sequence of its own (a linear congruence), with what is high and low taken off.
  let seed = 1;
  let [smooth, slow] = [0, 0];
  return ofSeconds(AIR.seconds, rate, (s) => {
    seed = (Math.imul(seed, 1_664_525) + 1_013_904_223) >>> 0;
    smooth += AIR.high * (seed / 2 ** 31 - 1 - smooth);
    slow += AIR.low * (smooth - slow);
    const level =
      s < AIR.rises ? s / AIR.rises : ((AIR.seconds - s) / (AIR.seconds - AIR.rises)) ** 2;
    return 0.4 * level * (smooth - slow);
  });
}

/** The sound of a mark. The soft tones are as soft as they always were; the others are as loud as words. */
export function markSound(mark: Mark, rate: number): Sound {
  switch (mark) {
    case 'wood':
      return levelled(wood(rate));
    case 'bell':
      return levelled(bell(rate));
    case 'air':
      return levelled(air(rate));
    default:
      return softTone(TONE_HZ[mark], rate);
  }
}

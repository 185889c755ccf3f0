import { levelled, type Sound } from './loudness';

/**
 * What is loud in a sound is made less loud, and all of it then as loud as before: so what is soft is heard in a hall
 * with its own noise. The figures are common practice for speech (from memory).
 */
const NARROWS = {
  /** From where on, in dB below full scale, and by how much: so many dB more become one. */
  fromDb: -34,
  ratio: 3,
  /** How quickly it follows what becomes louder and what becomes softer, in seconds. */
  rises: 0.004,
  falls: 0.12,
} as const;
/** What of its power is over the level becomes, as an exponent of its amplitude. */
const LESS = (1 / NARROWS.ratio - 1) / 2;
/** Narrowed sound is made louder by as much as it takes; what is said has no noise that would come up with it. */
const MOST_DB = 24;

/** A sound whose soft parts are nearer to its loud ones, as loud as everything that is said. */
export function narrowed({ samples, rate }: Sound): Sound {
  const follow = (seconds: number) => 1 - Math.exp(-1 / (seconds * rate));
  const [up, down] = [follow(NARROWS.rises), follow(NARROWS.falls)];
  const from = 10 ** (NARROWS.fromDb / 10);
  const out = new Float32Array(samples.length);
  let power = 0;
  for (let i = 0; i < out.length; i++) {
    const sample = samples[i] as number;
    const now = sample * sample;
    power += (now > power ? up : down) * (now - power);
    // So many dB over it, of power: to be so many times fewer.
    out[i] = power > from ? sample * (power / from) ** LESS : sample;
  }
  return levelled({ samples: out, rate }, MOST_DB);
}

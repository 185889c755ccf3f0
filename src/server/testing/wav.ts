import { wavOf } from '@/core/speech';

/** A recording of a tenth of a second in which somebody hums. */
export const hummedWav = (): Buffer =>
  Buffer.from(
    wavOf({
      samples: Float32Array.from({ length: 2400 }, (_, i) => 0.3 * Math.sin(i / 4)),
      rate: 24_000,
    }),
  );

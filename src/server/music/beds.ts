import { BED_RATE, type Bed } from '@/core/music';
import { bytesOf, type Sound } from '@/core/sound';
import { wavHeader } from '@/core/speech';
import { threads } from '../queue/threads';

let pool: ReturnType<typeof threads> | undefined;
const made = new Map<string, Promise<Sound>>();

/** A bed of music, which is made once in a thread beside. */
export function bedOf(bed: Bed, rate: number): Promise<Sound> {
  const key = `${bed} ${rate}`;
  const known = made.get(key);
  if (known) return known;
  pool ??= threads('music/worker.ts', 1);
  const sound = pool.run({ bed, rate }).then((samples: Float32Array) => ({ samples, rate }));
  made.set(key, sound);
  // One that failed is tried again.
  sound.catch(() => made.delete(key));
  return sound;
}

const files = new Map<Bed, Uint8Array>();

/** The same as a file that every browser plays. */
export async function bedFile(bed: Bed): Promise<Uint8Array> {
  const known = files.get(bed);
  if (known) return known;
  const { samples, rate } = await bedOf(bed, BED_RATE);
  const file = Buffer.concat([wavHeader(rate, samples.length), bytesOf(samples)]);
  files.set(bed, file);
  return file;
}

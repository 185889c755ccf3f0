import { type Bed, bedSound } from '@/core/music';
import { giveWay } from '../queue/threads';

giveWay();

/** Makes a bed in a thread of its own. */
export default function work({ bed, rate }: { bed: Bed; rate: number }): Float32Array {
  return bedSound(bed, rate).samples;
}

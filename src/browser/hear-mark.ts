import { type Mark, markSound } from '@/core/sound';
import { wavOf } from '@/core/speech';
import { hearFile } from './hear';

const RATE = 44_100;

/**
 * Lets a mark be heard once, as loud as it will be.
 * @param volume 0 to 1
 * @throws where the browser plays no sound here
 */
export async function hearMark(mark: Mark, volume: number): Promise<void> {
  await hearFile(new Blob([wavOf(markSound(mark, RATE))], { type: 'audio/wav' }), volume);
}

import { type Mark, markSound } from '@/core/sound';
import { wavOf } from '@/core/speech';

const RATE = 44_100;

/**
 * Lets a mark be heard once, as loud as it will be.
 * @param volume 0 to 1
 * @throws where the browser plays no sound here
 */
export async function hearMark(mark: Mark, volume: number): Promise<void> {
  const file = new Blob([wavOf(markSound(mark, RATE))], { type: 'audio/wav' });
  const url = URL.createObjectURL(file);
  const audio = new Audio(url);
  audio.volume = volume;
  audio.onended = () => URL.revokeObjectURL(url);
  await audio.play();
}

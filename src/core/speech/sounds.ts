import { z } from 'zod';
import type { Mark } from '../sound';

/** What a teacher wants heard besides words. */

/** What counts are heard as; `none` leaves them out. */
export const COUNTED_BY = ['voice', 'wood', 'air', 'none'] as const;
/** Where a bell is heard: nowhere, as the class begins and ends, or also as the work of each move does. */
export const BELLS = ['none', 'class', 'moves'] as const;

const volume = z.number().min(0).max(1).default(1);
export const soundsSchema = z.object({
  countedBy: z.enum(COUNTED_BY).default('voice'),
  /** Of counts and soft tones, 0 to 1. */
  countVolume: volume,
  bells: z.enum(BELLS).default('none'),
  bellVolume: volume,
  /** Whether the voice is softer in the massage, and softer still in the close. */
  softClose: z.boolean().default(false),
});
export type Sounds = z.infer<typeof soundsSchema>;
export const USUAL_SOUNDS: Sounds = soundsSchema.parse({});

/** How much softer the voice is there, in dB, where it grows softer toward the close. */
const SOFTER_DB: Partial<Record<string, number>> = { massage: -2.5, close: -5 };

/** How much softer what is said in a phase is, as a factor. */
export const softness = ({ softClose }: Sounds, phase: string): number =>
  softClose ? 10 ** ((SOFTER_DB[phase] ?? 0) / 20) : 1;

/**
 * What a cue that keeps the beat is heard as: a mark, its words, or nothing. Where nothing is counted, the count-in is
 * still said, since nobody would know when to begin.
 */
export function heardAs(
  kind: string,
  { countedBy }: Pick<Sounds, 'countedBy'>,
): Extract<Mark, 'wood' | 'air'> | 'words' | 'nothing' {
  if (countedBy === 'voice' || (kind !== 'count' && kind !== 'countIn')) return 'words';
  if (countedBy === 'none') return kind === 'count' ? 'nothing' : 'words';
  return countedBy;
}

import { z } from 'zod';
import { type Mark, narrowed, type Sound } from '../sound';

/** What a teacher wants heard besides words. */

/** What counts are heard as; `none` leaves them out. */
export const COUNTED_BY = ['voice', 'wood', 'air', 'none'] as const;
/** Where a bell is heard: nowhere, as the class begins and ends, or also as the work of each move does. */
export const BELLS = ['none', 'class', 'moves'] as const;

/** What a class is heard on: anything, a loudspeaker in a hall, or headphones. */
export const HEARD_ON = ['anything', 'hall', 'headphones'] as const;
export type HeardOn = (typeof HEARD_ON)[number];

const volume = z.number().min(0).max(1).default(1);
export const soundsSchema = z.object({
  countedBy: z.enum(COUNTED_BY).default('voice'),
  /** Of counts and soft tones, 0 to 1. */
  countVolume: volume,
  bells: z.enum(BELLS).default('none'),
  bellVolume: volume,
  /** Whether the voice is softer in the massage, and softer still in the close. */
  softClose: z.boolean().default(false),
  heardOn: z.enum(HEARD_ON).default('anything'),
});
export type Sounds = z.infer<typeof soundsSchema>;
export const USUAL_SOUNDS: Sounds = soundsSchema.parse({});

/** How much softer the voice is there, in dB, where it grows softer toward the close. */
const SOFTER_DB: Partial<Record<string, number>> = { massage: -2.5, close: -5 };

/** What is different where a class is heard on something. */
const ON: Record<
  HeardOn,
  {
    /** Whether soft parts of what is said are brought nearer to the loud ones. */
    narrows: boolean;
    /** How much of the softer close is left: in a hall what is too soft is lost. */
    softer: number;
    /** How much softer counts, tones and bells are, in dB, where they are close at the ear. */
    marksDb: number;
    /** How much further music is under the voice, in dB. */
    musicDb: number;
  }
> = {
  anything: { narrows: false, softer: 1, marksDb: 0, musicDb: 0 },
  hall: { narrows: true, softer: 0.4, marksDb: 0, musicDb: 4 },
  headphones: { narrows: false, softer: 1, marksDb: -3, musicDb: 0 },
};

/** How much softer what is said in a phase is, as a factor. */
export const softness = ({ softClose, heardOn }: Sounds, phase: string): number =>
  softClose ? 10 ** ((ON[heardOn].softer * (SOFTER_DB[phase] ?? 0)) / 20) : 1;

/** How loud marks are beside the voice, as factors. */
export function markVolumes({ countVolume, bellVolume, heardOn }: Sounds): {
  counts: number;
  bells: number;
} {
  const factor = 10 ** (ON[heardOn].marksDb / 20);
  return { counts: countVolume * factor, bells: bellVolume * factor };
}

/** What is said as it is heard there. */
export const shaped = (sound: Sound, heardOn: HeardOn): Sound =>
  ON[heardOn].narrows ? narrowed(sound) : sound;

/** How much further music is under the voice there, in LU. */
export const furtherUnder = ({ heardOn }: Pick<Sounds, 'heardOn'>): number => ON[heardOn].musicDb;

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

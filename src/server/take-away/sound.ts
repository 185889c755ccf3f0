import { Refusal } from '@/core/calls';
import type { PhaseName } from '@/core/class';
import { type PlayedPiece, withMusic } from '@/core/music';
import {
  bytesOf,
  held,
  limited,
  type Mark,
  markSound,
  mixed,
  type Placed,
  type Sound,
} from '@/core/sound';
import { earlyMs, shaped, soundOf, type Utterance, utteranceKey } from '@/core/speech';
import { heardOf, musicUnder, type Part, partOf, type Worded, within } from '@/core/take-away';
import type { Db } from '../db';
import { musicById } from '../music/music';
import { openMusic } from '../music/read';
import type { Speaking } from '../speech/recordings';
import { speaks, speechChoice } from '../speech/teacher-speech';
import { readAhead } from './read-ahead';

/** Samples a second: as the machine's voice speaks. */
export const RATE = 22_050;
/** Longest class that is taken away as sound, in hours. */
const MOST_HOURS = 4;
/** Counts come again and again: so many sounds are kept while a class is made, a few megabytes. */
const MOST_SOUNDS = 60;
/** So many texts that were not heard yet are asked for before their turn, so that the voice never waits for the mix. */
const AHEAD = 24;

export interface AskedSound {
  /** Whether counts and tones are heard. */
  counts: boolean;
  /** Whether the music of the class is under it. */
  music?: boolean;
  /** One phase alone. */
  phase?: PhaseName;
  /** How high its true peak may go, in dBTP; as everything that is heard where it is missing. */
  highest?: number;
  signal: AbortSignal;
}

/** What a class sounds like, in windows one after the other, and how many samples that will be. */
export interface ClassSound {
  windows: AsyncIterable<Float32Array>;
  samples: number;
  part: Part;
}

/**
 * A class, or a phase of it, as it is heard.
 * @throws Refusal `no-such-part`, `too-long-to-hear`, `no-voice`
 */
export async function soundOfClass(
  db: Db,
  teacher: Speaking,
  { score }: Worded,
  { counts, music = false, phase, highest, signal }: AskedSound,
): Promise<ClassSound> {
  const part = partOf(score, phase);
  if (!part) throw new Refusal('no-such-part');
  const totalMs = part.toMs - part.fromMs;
  if (totalMs > MOST_HOURS * 3_600_000) {
    throw new Refusal('too-long-to-hear', String(MOST_HOURS));
  }
  const { sounds } = await speechChoice(db, teacher);
  const marks = new Map<Mark, Sound>();
  // What is heard alone need not be looked at again, however often it comes.
  const low = (sound: Sound) => held(sound, highest);
  const markOf = (mark: Mark) => {
    const made = marks.get(mark) ?? low(markSound(mark, RATE));
    marks.set(mark, made);
    return made;
  };
  const speak = await speaks(db, teacher, { urgency: 'prepared', signal });
  const say = async (utterance: Utterance): Promise<Sound | null> => {
    try {
      const { wav } = await speak(utterance);
      return low(shaped(soundOf(wav), sounds.heardOn));
    } catch (problem) {
      // Compose tells which cue cannot be said; the class goes on without it, here as on the stage.
      if (problem instanceof Refusal && problem.code === 'unspeakable') return null;
      throw problem;
    }
  };
  const whole = heardOf(score, { counts, sounds });
  const heard = within(whole, part);
  const said = readAhead(
    heard.flatMap((one) => ('says' in one ? [one.says] : [])),
    utteranceKey,
    say,
    { ahead: AHEAD, most: MOST_SOUNDS },
  );
  const earlies = new WeakMap<Sound, number>();
  const earlyOf = (sound: Sound, says: Utterance) => {
    const early = earlies.get(sound) ?? earlyMs(sound, says);
    earlies.set(sound, early);
    return early;
  };
  const placed = heard.map((one): Placed => {
    const { startMs, volume } = one;
    if ('mark' in one) return { startMs, volume, sound: async () => markOf(one.mark) };
    const { says, count, freeMs } = one;
    const early = count && {
      earlyMs: (sound: Sound) => Math.min(freeMs, earlyOf(sound, says)),
    };
    return { startMs, volume, sound: () => said(says), ...early };
  });
  const spoken = mixed(placed, { rate: RATE, totalMs });
  const under = music && musicUnder(score, whole, { shelf: await musicById(db, teacher), sounds });
  const open = ({ id }: PlayedPiece, offsetMs: number) =>
    openMusic(db, teacher, id, { offsetMs, rate: RATE });
  const played = under
    ? withMusic(spoken, { ...under, rate: RATE, fromMs: part.fromMs, open })
    : spoken;
  return {
    windows: limited(played, RATE, highest),
    samples: Math.round((totalMs * RATE) / 1000),
    part,
  };
}

/** A sound as bytes of 16 bits a sample, in pieces. */
export async function* pcm(windows: AsyncIterable<Float32Array>) {
  for await (const window of windows) yield bytesOf(window);
}

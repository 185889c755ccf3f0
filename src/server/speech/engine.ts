import { createHash } from 'node:crypto';
import { LANGUAGE_DATA, LANGUAGES } from '@/core/language';
import {
  asSpoken,
  type Utterance,
  VOICES,
  type VoiceId,
  type VoiceOffer,
  withHalts,
} from '@/core/speech';
import type { HowToRender } from './speaking';
import { type Voicing, voicing } from './voicing';

/** A program that speaks. Implementations render a text to a WAV file, as loud as all that is said (`Voicing`). */
export interface SpeechEngine {
  /** Name and version; part of every cache key, so that a new version renders afresh. */
  id: string;
  /** The voices that it speaks with. */
  voices: readonly VoiceOffer[];
  /** @throws Unspeakable where it cannot say it; the signal's reason where it was given up */
  render: (utterance: Utterance, voice: VoiceId, how?: HowToRender) => Promise<Buffer>;
}

/** Which of the program's own voices is meant, and what it is called on screens. */
const VARIANT: Record<(typeof VOICES)[number], { option: string; name: string }> = {
  plain: { option: '', name: 'Plain' },
  bright: { option: '+f2', name: 'Bright' },
  deep: { option: '+m3', name: 'Deep' },
  soft: { option: '+klatt2', name: 'Soft' },
};
const variantOf = (voice: VoiceId): string =>
  voice in VARIANT ? VARIANT[voice as (typeof VOICES)[number]].option : '';
/** The program counts long words: at its 150 it reads cues at about 172 words a minute (measured). */
const RATE_PER_WORD = 150 / 172;
/** How the program is told to halt for a moment: two of its own short pauses, some 0.2 s. */
const HALT = '[[_:_:]] ';

/** Names the list of respelt words and of halts, so that what was kept of another list is rendered afresh. */
function respelling(): string {
  const words = LANGUAGES.flatMap((l) => {
    const { respelt, important } = LANGUAGE_DATA[l].speech;
    return [...respelt.map(String), `${important}${HALT}`];
  });
  return createHash('sha256').update(words.join()).digest('hex').slice(0, 8);
}

/** As many letters with dots in a row are an abbreviation; more are read apart, since the program dies of them. */
const DOTTED = /(?:\p{L}\.){8,}/gu;
/** No word is longer; more without a space is read in pieces. */
const LONG_WORD = /\S{60}(?=\S)/gu;

/**
 * A text as the program may be given it: without its notation of sounds in square brackets, which a cue never means,
 * without control characters and halves of a pair, and without what it cannot bear.
 */
export const plainText = (text: string) =>
  text
    .replace(/\[\[|\]\]|[\p{Cc}\p{Cs}]/gu, ' ')
    .replace(DOTTED, (letters) => letters.replaceAll('.', '. '))
    .replace(LONG_WORD, '$& ');

/** The espeak-ng program, or null where the machine has none. */
export async function espeak({ speaks, says }: Voicing = voicing): Promise<SpeechEngine | null> {
  let version: string;
  try {
    version = (await speaks(['espeak-ng', '--version'], '')).toString();
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return null;
    throw error;
  }
  return {
    voices: VOICES.map((voice) => ({
      id: voice,
      name: VARIANT[voice].name,
      languages: [...LANGUAGES],
    })),
    id: `${/\d+(\.\d+)+/.exec(version)?.[0] ?? 'unknown'}-${respelling()}`,
    render: async ({ text, language, wordsPerMinute }, voice, how) => {
      const rate = String(Math.round(wordsPerMinute * RATE_PER_WORD));
      const args = ['-v', language + variantOf(voice), '-s', rate, '-z', '-b', '1'];
      const spoken = withHalts(plainText(asSpoken(text, language)), language, HALT);
      return says(['espeak-ng', ...args, '--stdin', '--stdout'], spoken, how);
    },
  };
}

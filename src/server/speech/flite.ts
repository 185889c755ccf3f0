import { readFile, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { asSpoken } from '@/core/speech';
import { withFolder } from '../with-folder';
import { plainText, type SpeechEngine } from './engine';
import { type Voicing, voicing, wavFrom } from './voicing';

/** The voices of the program that are worth hearing, by what it calls them. */
const VOICES = { warm: { called: 'slt', name: 'Warm' }, calm: { called: 'rms', name: 'Calm' } };
/** At its own pace it says about so many words a minute, as they are counted here (measured). */
const WORDS_A_MINUTE: Record<keyof typeof VOICES, number> = { warm: 150, calm: 137 };

/** The flite program, which speaks English in warmer voices; null where the machine has none. */
export async function flite({ speaks, level }: Voicing = voicing): Promise<SpeechEngine | null> {
  // It ends as if it had failed when it is asked what it is.
  const about = (await speaks(['sh', '-c', 'flite --version || true'], '')).toString();
  if (!about.includes('flite')) return null;
  return {
    id: `flite-${/flite-([\d.]+)/.exec(about)?.[1] ?? 'unknown'}`,
    voices: Object.entries(VOICES).map(([id, { name }]) => ({ id, name, languages: ['en'] })),
    render: async ({ text, language, wordsPerMinute }, voice, how) => {
      const id = voice as keyof typeof VOICES;
      const stretch = (WORDS_A_MINUTE[id] / wordsPerMinute).toFixed(3);
      const args = ['-voice', VOICES[id].called, '--setf', `duration_stretch=${stretch}`];
      const spoken = plainText(asSpoken(text, language));
      // It goes back to the head of its file at the end, which a pipe cannot, and reads no pipe either.
      return withFolder('said', async (folder) => {
        const [words, said] = [path.join(folder, 'words.txt'), path.join(folder, 'said.wav')];
        await writeFile(words, spoken);
        await speaks(['flite', ...args, '-f', words, '-o', said], '', how);
        return level(wavFrom(await readFile(said)));
      });
    },
  };
}

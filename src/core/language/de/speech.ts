import type { LanguageSpeech } from '../language';

export const speech: LanguageSpeech = {
  ms: { base: 116, syllable: 32, letter: 66, comma: 361, sentence: 717 },
  digits: [1, 1, 1, 1, 1, 1, 1, 2, 1, 1],
  heard: (word) => ({ word, silent: 0 }),
};

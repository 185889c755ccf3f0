import { wordsIn } from '../../follow/words';
import type { Language } from '../../language';
import { german } from './de';
import { english } from './en';
import type { HomeWords } from './words';

const WORDS: Record<Language, HomeWords> = { en: english, de: german };

/** What somebody reads on their own page; they may be refused there as whoever follows is. */
export const homeWordsIn = (language: Language): HomeWords => ({
  ...WORDS[language],
  refused: { ...wordsIn(language).refused, ...WORDS[language].refused },
});

export type { HomeWords, TakeWords } from './words';

import type { Language } from '../../language';
import { german } from './de';
import { english } from './en';
import type { StreakWords } from './words';

const WORDS: Record<Language, StreakWords> = { en: english, de: german };

export const streakWordsIn = (language: Language): StreakWords => WORDS[language];

export { EXCUSE_NAMES } from './en';

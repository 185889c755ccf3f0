import { type Language, MAIN_LANGUAGE } from '../language';
import { german } from './de';
import { english } from './en';
import type { LetterWords } from './words';

const WORDS: Record<Language, LetterWords> = { en: english, de: german };

/** @param language of whoever reads it; null where the register does not know */
export const letterWords = (language: Language | null): LetterWords =>
  WORDS[language ?? MAIN_LANGUAGE];
export type { LetterWords } from './words';

import { german } from './de';
import { english } from './en';

/** All that the core knows of each language that a class can be led in: a folder each. */
export const LANGUAGE_DATA = { en: english, de: german };

export type Language = keyof typeof LANGUAGE_DATA;
export const LANGUAGES = Object.keys(LANGUAGE_DATA) as [Language, ...Language[]];
/** What the interface is in, and what a move is called where it has no words in the language asked for. */
export const MAIN_LANGUAGE: Language = 'en';

export const LANGUAGE_NAMES = Object.fromEntries(
  LANGUAGES.map((language) => [language, LANGUAGE_DATA[language].name]),
) as Record<Language, string>;

export * from './language';

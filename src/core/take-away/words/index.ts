import type { Language } from '../../language';
import { german } from './de';
import { english } from './en';
import type { PackWords } from './words';

const WORDS: Record<Language, PackWords> = { en: english, de: german };

/** What the README of a pack says, in a language. */
export const packWordsIn = (language: Language): PackWords => WORDS[language];

export type { PackWords } from './words';

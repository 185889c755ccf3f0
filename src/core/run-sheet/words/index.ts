import type { Language } from '../../language';
import { german } from './de';
import { english } from './en';
import type { SheetWords } from './words';

const WORDS: Record<Language, SheetWords> = { en: english, de: german };

/** What a run sheet says by itself, in the language of its class. */
export const sheetWordsIn = (language: Language): SheetWords => WORDS[language];

export type { PaperEffect, SheetWords } from './words';

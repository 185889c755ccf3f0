import type { Language } from '../../language';
import { german } from './de';
import { english } from './en';
import type { FollowWords } from './words';

const WORDS: Record<Language, FollowWords> = { en: english, de: german };

export const wordsIn = (language: Language): FollowWords => WORDS[language];
export type { BendName, FollowWords } from './words';

import type { Language } from '../../language';
import { filled } from '../../language/filled';
import type { Kit } from '../../move';
import { german } from './de';
import { english } from './en';
import type { FollowWords } from './words';

const WORDS: Record<Language, FollowWords> = { en: english, de: german };

export const wordsIn = (language: Language): FollowWords => WORDS[language];

/** Why somebody was refused, in their language. @param message the same in English */
export const refusedIn = (
  language: Language,
  { code, message }: { code?: string | undefined; message: string },
): string => WORDS[language].refused[code ?? ''] ?? message;

/** What somebody is told to have ready for a class; null where it is nothing but clean hands. */
export const haveReady = ({ haveReady, kit: names }: FollowWords, kit: readonly Kit[]) =>
  kit.length ? filled(haveReady, { kit: kit.map((one) => names[one]).join(', ') }) : null;

export { filled } from '../../language/filled';
export type { ActWords, BendName, DoorWords, FollowWords } from './words';

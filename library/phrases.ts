import type { Language } from '@/core/language';
import type { Phrases } from '@/core/speech';
import { phrases as de } from './de/phrases';
import { phrases as en } from './en/phrases';

/** The connecting words of every language; apart from the moves, so that a screen can load them alone. */
export const PHRASES: Record<Language, Phrases> = { en, de };

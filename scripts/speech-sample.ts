import { LIBRARY } from '@library';
import { PHRASES } from '@library/phrases';
import type { Language } from '@/core/language';
import { cuesOf } from '@/core/move';

/** The cues the estimate is fitted to, and others that it never saw, to judge it by. */
export interface Sample {
  calibration: string[];
  heldOut: string[];
}

/** A number from a text that has nothing to do with its length or its place. */
function scatter(text: string): number {
  let hash = 2_166_136_261;
  for (const c of text) hash = Math.imul(hash ^ (c.codePointAt(0) ?? 0), 16_777_619) >>> 0;
  return hash;
}

export function sampleOf(language: Language): Sample {
  const phrases = PHRASES[language];
  const cues = LIBRARY.flatMap((move) => {
    const text = move.text[language];
    if (!text) return [];
    return [...cuesOf(text), `${text.name}. ${phrases.dose(move.dose, move.rounds)}.`];
  });
  const all = [...new Set([...cues, ...phrases.numbers])].sort((a, b) => scatter(a) - scatter(b));
  return { heldOut: all.slice(0, 200), calibration: all.slice(200) };
}

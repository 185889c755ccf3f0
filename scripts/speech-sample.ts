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

/** Numbers up to this one are in the sample. */
const HIGHEST_NUMBER = 120;

export function sampleOf(language: Language): Sample {
  const phrases = PHRASES[language];
  const cues = LIBRARY.flatMap((move) => {
    const text = move.text[language];
    if (!text) return [];
    const rounds = Array.from({ length: move.rounds - 1 }, () => move.dose);
    return [
      ...cuesOf(text),
      `${text.name}.`,
      `${phrases.dose([move.dose, ...rounds], move.sides)}.`,
    ];
  });
  const all = [
    ...new Set([...cues, ...Array.from({ length: HIGHEST_NUMBER }, (_, n) => phrases.number(n))]),
  ].sort((a, b) => scatter(a) - scatter(b));
  return { heldOut: all.slice(0, 200), calibration: all.slice(200) };
}

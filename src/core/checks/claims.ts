import { LANGUAGE_DATA, type Language } from '../language';

/** Words that claim too much, with a plain way to put it. */
export interface Claim {
  claim: string;
  instead: string;
}

/** Where a text is cut into parts that say one thing each: what a "not" belongs to goes no further. */
const PARTS = /[.;:!?,]\s+/;

/**
 * The first claim a text makes that it should not, with what to say instead. What a sentence denies, as in
 * "this is not a cure", is none.
 */
export function claimIn(text: string, language: Language): Claim | null {
  const { patterns, denied } = LANGUAGE_DATA[language].claims;
  for (const part of text.split(PARTS)) {
    for (const [pattern, instead] of patterns) {
      const found = pattern.exec(part);
      if (found && !denied.test(part.slice(0, found.index))) return { claim: found[0], instead };
    }
  }
  return null;
}

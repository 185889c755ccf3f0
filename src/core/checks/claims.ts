import { LANGUAGE_DATA, type Language } from '../language';

/** Words that claim too much, with a plain substitute. */
interface Claim {
  claim: string;
  instead: string;
}

/** The first claim a text makes that it should not, with what to say instead. */
export function claimIn(text: string, language: Language): Claim | null {
  for (const [pattern, instead] of LANGUAGE_DATA[language].claims.patterns) {
    const found = pattern.exec(text);
    if (found) return { claim: found[0], instead };
  }
  return null;
}

/** The text with every claim replaced by the first substitute offered. */
export function withoutClaims(text: string, language: Language): string {
  const { patterns, fitting } = LANGUAGE_DATA[language].claims;
  return patterns.reduce((plain, [pattern, instead]) => {
    const first = instead.split(',')[0] ?? instead;
    return plain.replace(new RegExp(pattern, 'gi'), (claim) => fitting(claim, first));
  }, text);
}

import type { Language } from '../move';

/** Words that claim too much, with a plain substitute. Common practice among careful teachers. */
interface Claim {
  claim: string;
  instead: string;
}

const CLAIMS: Record<Language, [claim: RegExp, instead: string][]> = {
  en: [
    [/\b(cure|heal)(s|d|ing)?\b/i, 'ease, or rest'],
    [/\bdetox|\bremoves? toxins/i, 'freshen'],
    [/\b(burn|melt)(s|ing)? (the )?fat/i, 'wake the muscle'],
    [/\breverse(s|d)? ag(e)?ing/i, 'keep supple'],
    [/\bguarantee/i, 'often'],
    [/\bpermanent/i, 'with regular practice'],
    [/\bbetter than (surgery|injections)/i, 'another way'],
    [/\bno side effects/i, 'gentle'],
  ],
  de: [
    [/\bheil(t|en|end)\b/i, 'lindern'],
    [/\bentgift|\bentschlack|\bdetox/i, 'erfrischen'],
    [/\bfett\s?(verbrenn|schmelz)/i, 'den Muskel wecken'],
    [/\bverjüng|\balterung (umkehr|rückgängig)/i, 'geschmeidig halten'],
    [/\bgarantier/i, 'oft'],
    [/\bdauerhaft|\bfür immer/i, 'mit regelmäßiger Übung'],
    [/\bbesser als (eine )?(operation|spritzen)/i, 'ein anderer Weg'],
    [/\bohne nebenwirkungen|\bkeine nebenwirkungen/i, 'sanft'],
  ],
};

/** The first claim a text makes that it should not, with what to say instead. */
export function claimIn(text: string, language: Language): Claim | null {
  for (const [pattern, instead] of CLAIMS[language]) {
    const found = pattern.exec(text);
    if (found) return { claim: found[0], instead };
  }
  return null;
}

/** Substitutes that are verbs, and so take the ending of the verb they stand for. */
const VERBS = /^(ease|freshen|wake|keep)\b/;

/** The substitute in the form the sentence needs: “burns fat” becomes “wakes the muscle”. */
function fitting(claim: string, instead: string): string {
  const first = instead.split(',')[0] ?? instead;
  return /^[a-z]+s\b/i.test(claim) ? first.replace(VERBS, '$1s') : first;
}

/** The text with every claim replaced by the first substitute offered. */
export function withoutClaims(text: string, language: Language): string {
  return CLAIMS[language].reduce(
    (plain, [pattern, instead]) =>
      plain.replace(new RegExp(pattern, 'gi'), (claim) => fitting(claim, instead)),
    text,
  );
}

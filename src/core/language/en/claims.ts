import type { LanguageClaims } from '../language';

/** Substitutes that are verbs, and so take the ending of the verb they stand for. */
const VERBS = /^(ease|freshen|wake|keep)\b/;

export const claims: LanguageClaims = {
  patterns: [
    [/\b(cure|heal)(s|d|ing)?\b/i, 'ease, or rest'],
    [/\bdetox|\bremoves? toxins/i, 'freshen'],
    [/\b(burn|melt)(s|ing)? (the )?fat/i, 'wake the muscle'],
    [/\breverse(s|d)? ag(e)?ing/i, 'keep supple'],
    [/\bguarantee/i, 'often'],
    [/\bpermanent/i, 'with regular practice'],
    [/\bbetter than (surgery|injections)/i, 'another way'],
    [/\bno side effects/i, 'gentle'],
  ],
  fitting: (claim, instead) =>
    /^[a-z]+s\b/i.test(claim) ? instead.replace(VERBS, '$1s') : instead,
};

import type { LanguageClaims } from '../language';

export const claims: LanguageClaims = {
  patterns: [
    [/\b(cur(e|es|ed|ing)|heal(s|ed|ing)?)\b/i, 'ease'],
    [/\bdetox\w*|\btoxins?\b|\bflush(es|ed|ing)? ((?!no )\w+ ){0,2}(out|away)\b/i, 'freshen'],
    [
      /\b(burn|melt|dissolv|break|shed)\w* ((?!no )\w+ ){0,3}fat\b|\bfat[- ]?(burn|melt|loss)\w*/i,
      'wake the muscle',
    ],
    [
      /\b(revers|undo|stop|turn)\w* ((?!no )\w+ ){0,3}(age?ing|clock|years)\b|\banti[- ]?age?ing\b|\brejuvenat\w*|\byears younger\b/i,
      'keep supple',
    ],
    [/\bguarantee\w*/i, 'often'],
    [/\bpermanent\w*|\bfor ?ever\b/i, 'with regular practice'],
    [
      /\b(better than|instead of|replaces?|as good as) ((?!no )\w+ ){0,2}(surgery|operations?|injections?|fillers?|facelifts?|botulinum)\b|\bfacelift\b/i,
      'another way',
    ],
    [/\b(no|without|free of|zero) side[- ]effects?\b|\bside[- ]effect[- ]free\b/i, 'gentle'],
    [
      /\b(remov|eras|eliminat|delet|smooth(es|ing)? away|gets? rid of)\w* ((?!no )\w+ ){0,3}(wrinkles?|lines|double chin)\b|\bwrinkle[- ]free\b/i,
      'some people notice',
    ],
  ],
  denied: /\b(not|no|never|nothing|nobody|cannot|neither)\b(?! only)|n['’]t\b/i,
};

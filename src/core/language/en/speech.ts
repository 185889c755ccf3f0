import type { LanguageSpeech } from '../language';

/** First halves of compounds whose final e stays silent inside the word. */
const COMPOUND = /^(for|sid|som|lin|cheekbon|fac)e(?=[a-z]{3})/;

export const speech: LanguageSpeech = {
  ms: { base: 186, syllable: 45, letter: 63, comma: 396, sentence: 655 },
  respelt: [
    // The verb; "close to" and "close together" are near.
    [/\b(c)lose\b(?! (to|by|together)\b)/gi, '$1loze'],
    // Muscles by their Latin names.
    [/\b(m)asseter(s?)\b/gi, '$1ass-seeter$2'],
    [/\b(f)rontalis\b/gi, '$1ron-tail iss'],
    [/\b(tempor|ment)alis\b/gi, '$1ayl-iss'],
    [/\b(p)rocerus\b/gi, '$1ro-seerus'],
    [/\b(b)uccinator(s?)\b/gi, '$1uxinayter$2'],
    // Sounds that are made, which would be read letter by letter.
    [/\bss+\b/gi, 'ess'],
    [/\bsh+\b/gi, 'shush'],
    [/\bmm+\b/gi, 'hmm'],
  ],
  important:
    /\b(?:the|your|to|with|on|from) (?=(?:left|right|other (?:side|direction))\b)|\p{L} (?=never\b)/giu,
  secondSyllable: ['eleven'],
  heard: (word) => {
    const joined = word.replace(COMPOUND, '$1');
    const silent =
      /[^aeiouy]e(d|s)?$/.test(joined) && !/(le|[td]ed|[sxz]es|ches|shes)$/.test(joined);
    return { word: joined, silent: silent ? 1 : 0 };
  },
};

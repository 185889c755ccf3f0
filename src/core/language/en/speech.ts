import type { LanguageSpeech } from '../language';

/** First halves of compounds whose final e stays silent inside the word. */
const COMPOUND = /^(for|sid|som|lin|cheekbon|fac)e(?=[a-z]{3})/;

export const speech: LanguageSpeech = {
  ms: { base: 186, syllable: 45, letter: 63, comma: 396, sentence: 655 },
  respelt: [
    // The verb; "close to" and "close together" are near.
    [/\b(c)lose\b(?! (to|by|together)\b)/gi, '$1loze'],
  ],
  heard: (word) => {
    const joined = word.replace(COMPOUND, '$1');
    const silent =
      /[^aeiouy]e(d|s)?$/.test(joined) && !/(le|[td]ed|[sxz]es|ches|shes)$/.test(joined);
    return { word: joined, silent: silent ? 1 : 0 };
  },
};

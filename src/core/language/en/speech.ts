import type { LanguageSpeech } from '../language';

/** First halves of compounds whose final e stays silent inside the word. */
const COMPOUND = /^(for|sid|som|lin|cheekbon|fac)e(?=[a-z]{3})/;

export const speech: LanguageSpeech = {
  ms: { base: 172, syllable: 48, letter: 63, comma: 400, sentence: 729 },
  digits: [2, 1, 1, 1, 1, 1, 1, 2, 1, 1],
  heard: (word) => {
    const joined = word.replace(COMPOUND, '$1');
    const silent =
      /[^aeiouy]e(d|s)?$/.test(joined) && !/(le|[td]ed|[sxz]es|ches|shes)$/.test(joined);
    return { word: joined, silent: silent ? 1 : 0 };
  },
};

import { LANGUAGE_DATA, type Language } from '../language';

/** What stands in a text, as the words that are heard for it. */

/** Most cues have nothing to put into words: no figure or sign, and nothing that may be an abbreviation. */
const MAY_NEED =
  /[\d%&+=@#°€£½¼¾⅓⅔/*×~≈<>]|\p{L}\. ?\p{L}\.|\b(?:approx|bzw|ca|dr|etc|evtl|ggf|incl|inkl|li|max|re|usw|vgl|vs)\b/iu;
const LARGEST = 999_999;
/** A number, with thousands and decimals as either language writes them; a minus is no dash between words. */
const NUMBER = /(^|[^\p{L}\d])([-−]?\d+(?:[.,]\d+)*)/gu;
/** Capitals without a vowel between them are read letter by letter; others as the word they are. */
const LETTERS = /\b[A-ZÄÖÜ]{2,4}\b/g;
const VOWEL = /[AEIOUYÄÖÜ]/;

/** Digits one by one, as after a decimal point. */
const digitByDigit = (digits: string, word: (n: number) => string) =>
  [...digits].map((d) => word(Number(d))).join(' ');

function numberInWords(written: string, language: Language): string {
  const { numberWords, spelled } = LANGUAGE_DATA[language];
  const whole = (digits: string) =>
    // What begins with a nought, as a code does, or is beyond counting is read as it stands.
    /^0\d/.test(digits) || Number(digits) > LARGEST
      ? digitByDigit(digits, numberWords)
      : numberWords(Number(digits));
  const below = /^[-−]/.test(written);
  const digits = below ? written.slice(1) : written;
  const [first = '', ...rest] = digits.split(/[.,]/);
  const signs = [...digits.matchAll(/[.,]/g)].map(String);
  const grouped =
    signs.length > 0 &&
    /^[1-9]\d{0,2}$/.test(first) &&
    signs.every((sign) => sign === spelled.thousands) &&
    rest.every((part) => part.length === 3);
  const words = grouped
    ? whole(first + rest.join(''))
    : rest.reduce(
        (said, part, i) =>
          signs[i] === spelled.decimal
            ? `${said} ${spelled.point} ${digitByDigit(part, numberWords)}`
            : `${said}${signs[i]} ${whole(part)}`,
        whole(first),
      );
  return below ? `${spelled.minus} ${words}` : words;
}

/**
 * A text with its numbers, ranges, times, fractions, units, signs and abbreviations in the words that are to be heard,
 * so that every voice says them alike.
 */
export function inWords(text: string, language: Language): string {
  if (!MAY_NEED.test(text)) return text;
  const { said } = LANGUAGE_DATA[language].spelled;
  let words = text;
  for (const [written, as] of said) {
    words = typeof as === 'string' ? words.replace(written, as) : words.replace(written, as);
  }
  return words
    .replace(NUMBER, (_, before: string, n: string) => before + numberInWords(n, language))
    .replace(/(\S) {2,}/g, '$1 ')
    .trim();
}

/** As `inWords`, with letters that are read one by one written out too: what the length is estimated from. */
export function spelledOut(text: string, language: Language): string {
  const { letter } = LANGUAGE_DATA[language].spelled;
  return inWords(text, language).replace(LETTERS, (word) =>
    VOWEL.test(word) ? word : [...word].map(() => letter).join(' '),
  );
}

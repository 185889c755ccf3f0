import { LANGUAGE_DATA, type Language } from '../language';

/** What stands in a text, as the words that are heard for it. */

/** Most cues have nothing to spell out. */
const ONLY_WORDS = /^(?!.*[A-ZÄÖÜ]{2})(?!.*\w\.\s?\w\.)[^\d%&+=@#°€½/*×]*$/;
const LARGEST = 999_999;
const NUMBER = /\d+(?:[.,:]\d+)*/g;
/** Capitals without a vowel between them are read letter by letter; others as the word they are. */
const LETTERS = /\b[A-ZÄÖÜ]{2,4}\b/g;
const VOWEL = /[AEIOUYÄÖÜ]/;

/** Digits one by one, as after a decimal point. */
const digitByDigit = (digits: string, word: (n: number) => string) =>
  [...digits].map((d) => word(Number(d))).join(' ');

function numberInWords(written: string, language: Language): string {
  const { numberWords, spelled } = LANGUAGE_DATA[language];
  const whole = (digits: string) =>
    Number(digits) > LARGEST ? digitByDigit(digits, numberWords) : numberWords(Number(digits));
  const [first = '', ...rest] = written.split(/[.,:]/);
  const sign = /[.,:]/.exec(written)?.[0];
  if (sign === undefined) return whole(first);
  if (sign === ':') {
    return [whole(first), spelled.clock, ...rest.map(whole)].filter(Boolean).join(' ');
  }
  // Three digits after the other sign are thousands.
  const [second = ''] = rest;
  if (sign === spelled.thousands && rest.length === 1 && second.length === 3) {
    return whole(first + second);
  }
  const after = spelled.wholeDecimals ? whole(second) : digitByDigit(second, numberWords);
  return [whole(first), spelled.signs[sign] ?? '', after, ...rest.slice(1).map(whole)]
    .filter(Boolean)
    .join(' ');
}

/** How many numbers are written in figures. */
export const numbersIn = (text: string): number => text.match(NUMBER)?.length ?? 0;

/** A text with its numbers, symbols and abbreviations in the words that are heard. */
export function spelledOut(text: string, language: Language): string {
  if (ONLY_WORDS.test(text)) return text;
  const { spelled } = LANGUAGE_DATA[language];
  const { symbols, letter } = spelled;
  let words = text;
  for (const [written, said] of symbols) words = words.replace(written, said);
  return words
    .replace(NUMBER, (n) => numberInWords(n, language))
    .replace(LETTERS, (word) => (VOWEL.test(word) ? word : [...word].map(() => letter).join(' ')));
}

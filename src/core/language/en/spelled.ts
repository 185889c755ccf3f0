import type { LanguageSpelling } from '../language';
import { measured, type Unit } from '../measured';
import { numberWords } from './numbers';

const words = (digits: string) => numberWords(Number(digits));

const IRREGULAR: Record<string, string> = {
  one: 'first',
  two: 'second',
  three: 'third',
  five: 'fifth',
  eight: 'eighth',
  nine: 'ninth',
  twelve: 'twelfth',
};
/** "21" as "twenty-first". */
function ordinal(digits: string): string {
  const said = words(digits);
  const [, before = '', last = ''] = /^(.*?)([a-z]+)$/.exec(said) ?? [];
  return before + (IRREGULAR[last] ?? `${last.replace(/y$/, 'ie')}th`);
}

/** A time of day: "19:05" as "nineteen oh five". */
function clock(hours: string, minutes: string): string {
  if (Number(minutes) === 0) return `${words(hours)} o'clock`;
  return `${words(hours)} ${minutes.startsWith('0') ? 'oh ' : ''}${words(minutes)}`;
}

/** Parts of one by their two numbers; what is not said like that is said as it is written. */
const PARTS: Record<string, string> = {
  '1/2': 'a half',
  '1/3': 'a third',
  '2/3': 'two thirds',
  '1/4': 'a quarter',
  '3/4': 'three quarters',
};
const SIGNS: Record<string, string> = {
  '½': '1/2',
  '⅓': '1/3',
  '⅔': '2/3',
  '¼': '1/4',
  '¾': '3/4',
};

/** The full stop of an abbreviation; at the end of a sentence it ends that as well. */
const STOP = '(?:\\.(?!\\s*$|\\s+\\p{Lu}))?';
const UNITS: readonly Unit[] = [
  [`s|secs?${STOP}`, 'one second', 'seconds'],
  [`mins?${STOP}`, 'one minute', 'minutes'],
  [`h|hrs?${STOP}`, 'one hour', 'hours'],
  ['ms', 'one millisecond', 'milliseconds'],
  ['mm', 'one millimetre', 'millimetres'],
  ['cm', 'one centimetre', 'centimetres'],
  ['m', 'one metre', 'metres'],
  ['km', 'one kilometre', 'kilometres'],
  ['g', 'one gram', 'grams'],
  ['kg', 'one kilo', 'kilos'],
  ['ml', 'one millilitre', 'millilitres'],
  ['l', 'one litre', 'litres'],
  [`reps?${STOP}`, 'one rep', 'reps'],
  ['bpm', 'one beat a minute', 'beats a minute'],
];

export const spelled: LanguageSpelling = {
  thousands: ',',
  decimal: '.',
  point: 'point',
  minus: 'minus',
  letter: 'dee',
  said: [
    [
      new RegExp(`(\\d) ?([aApP])\\.?[mM]${STOP}(?!\\p{L})`, 'gu'),
      (_, n = '', half = '') => `${n} ${half.toUpperCase()} M`,
    ],
    // A length in minutes and seconds, then a time of day.
    [
      new RegExp(`\\b(\\d{1,2}):([0-5]\\d) ?min(?:utes?|s)?${STOP}(?!\\p{L})`, 'gu'),
      (_, m = '', s = '') =>
        `${m} ${m === '1' ? 'minute' : 'minutes'}${Number(s) ? ` ${Number(s)} ${Number(s) === 1 ? 'second' : 'seconds'}` : ''}`,
    ],
    [/\b([01]?\d|2[0-3]):([0-5]\d)\b/g, (_, h = '', m = '') => clock(h, m)],
    // Parts of one.
    [/[½⅓⅔¼¾]/g, (sign) => ` ${SIGNS[sign]}`],
    [
      /\b(\d+) +(1\/2|[12]\/3|[13]\/4)(?![\d/])/g,
      (_, n = '', part = '') => `${n} and ${PARTS[part]}`,
    ],
    [/(^|[^\d/])(1\/2|[12]\/3|[13]\/4)(?![\d/])/g, (_, led = '', part = '') => led + PARTS[part]],
    // Ranges, times over, ordinals.
    [/(\d(?: ?(?:s|sec|min|cm|mm|kg|g|%))?) ?[–—] ?(?=\d)|(\d)-(?=\d)/g, '$1$2 to '],
    [/(\d) ?[×*x] ?(?=\d)/g, '$1 times '],
    [/\b1 ?[x×](?!\p{L})/gu, 'once'],
    [/\b2 ?[x×](?!\p{L})/gu, 'twice'],
    [/(\d) ?[x×](?!\p{L})/gu, '$1 times'],
    [/\b(\d+)(?:st|nd|rd|th)\b/g, (_, n = '') => ordinal(n)],
    // What is measured.
    ...measured(UNITS, ['to', 'point', 'or']),
    [/(\d) ?°C\b/g, '$1 degrees'],
    [/(\d) ?°/g, '$1 degrees'],
    [/(\d) ?%/g, '$1 percent'],
    [/€ ?(\d+(?:[.,]\d+)*)/g, '$1 euros'],
    [/(\d) ?€/g, '$1 euros'],
    [/£ ?(\d+(?:[.,]\d+)*)/g, '$1 pounds'],
    // Signs.
    [/\bw\/o\b/gi, 'without'],
    [/\bw\/(?=\s|\p{L})/giu, 'with '],
    [/\band\/or\b/gi, 'or'],
    [/(\p{L})\/(?=\p{L})/gu, '$1 or '],
    [/(\d)\/(?=\d)/g, '$1 of '],
    [/[~≈] ?(?=\d)/g, 'about '],
    [/< ?(?=\d)/g, 'less than '],
    [/> ?(?=\d)/g, 'more than '],
    [/(\S) ?&+ ?(?=\S)/g, '$1 and '],
    [/ ?\+ ?/g, ' plus '],
    [/ ?= ?/g, ' equals '],
    [/@/g, ' at '],
    [/# ?(?=\d)|\b[Nn]os?\. ?(?=\d)|\b[Nn]r\. ?(?=\d)/g, 'number '],
    [/#/g, ' '],
    // Abbreviations.
    [/\be\. ?g\.,?/gi, 'for example'],
    [/\bi\. ?e\.,?/gi, 'that is'],
    [/\betc\.(?=\s+\p{Lu}|$)/gu, 'and so on.'],
    [/\betc\./g, 'and so on'],
    [/\bapprox\./gi, 'about'],
    [/\bca\. ?(?=\d)/gi, 'about '],
    [/\bvs\b\.?/gi, 'versus'],
    [/\bincl\./gi, 'including'],
    [/\bmax\. ?(?=\d)/gi, 'at most '],
    [/\bmin\. ?(?=\d)/gi, 'at least '],
    [/\bmax\./gi, 'at most'],
    [/\bDr\.? (?=\p{Lu})/gu, 'Doctor '],
    [/\b(\d+) ?pts?\b/g, '$1 points'],
  ],
};

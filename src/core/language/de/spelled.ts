import type { LanguageSpelling } from '../language';
import { measured, type Unit } from '../measured';
import { numberWords } from './numbers';

const words = (digits: string) => numberWords(Number(digits));

const STEMS: Record<number, string> = { 1: 'erst', 3: 'dritt', 7: 'siebt', 8: 'acht' };
/** The stem of an ordinal: "3" as "dritt", "21" as "einundzwanzigst". */
function ordinal(digits: string): string {
  const n = Number(digits);
  const last = n % 100;
  const stem = STEMS[last];
  if (stem) return (n > last ? numberWords(n - last) : '') + stem;
  return numberWords(n) + (last > 0 && last < 20 ? 't' : 'st');
}

/** A time of day: "19:05" as "neunzehn Uhr fünf". */
const clock = (hours: string, minutes: string) =>
  `${hours === '1' || hours === '01' ? 'ein' : words(hours)} Uhr${Number(minutes) ? ` ${words(minutes)}` : ''}`;

/** Before a noun, one is "ein" or "eine": by how nouns end, and the few of a class that are otherwise. */
const OTHERWISE = /^(Auge|Ende|Knie|Name)$/;
const FEMALE = /(e|ung|heit|keit|schaft|ion|hand|brust|stirn)$/i;
const one = (noun: string) => (FEMALE.test(noun) && !OTHERWISE.test(noun) ? 'eine' : 'ein');

const PARTS: Record<string, string> = {
  '1/2': 'ein halb',
  '1/3': 'ein Drittel',
  '2/3': 'zwei Drittel',
  '1/4': 'ein Viertel',
  '3/4': 'drei Viertel',
};
const SIGNS: Record<string, string> = {
  '½': '1/2',
  '⅓': '1/3',
  '⅔': '2/3',
  '¼': '1/4',
  '¾': '3/4',
};
/** "2½" as "zweieinhalb". */
const andPart = (n: string, part: string) =>
  part === '1/2' ? `${n === '1' ? 'ein' : words(n)}einhalb` : `${n} ${PARTS[part]}`;

/** The full stop of an abbreviation; at the end of the text it ends that as well. */
const STOP = '(?:\\.(?!\\s*$))?';
const UNITS: readonly Unit[] = [
  [`s|[Ss]e[ck]${STOP}`, 'eine Sekunde', 'Sekunden'],
  [`[Mm]in${STOP}`, 'eine Minute', 'Minuten'],
  [`h|[Ss]td${STOP}`, 'eine Stunde', 'Stunden'],
  ['ms', 'eine Millisekunde', 'Millisekunden'],
  ['mm', 'ein Millimeter', 'Millimeter'],
  ['cm', 'ein Zentimeter', 'Zentimeter'],
  ['m', 'ein Meter', 'Meter'],
  ['km', 'ein Kilometer', 'Kilometer'],
  ['g', 'ein Gramm', 'Gramm'],
  ['kg', 'ein Kilo', 'Kilo'],
  ['ml', 'ein Milliliter', 'Milliliter'],
  ['l', 'ein Liter', 'Liter'],
  [`Wdh${STOP}`, 'eine Wiederholung', 'Wiederholungen'],
];

/** What is counted in order. After a number at the end of a sentence a new one begins, so not every word is. */
const ORDERED =
  'Runde|Seite|Mal|Teil|Stufe|Woche|Tag|Satz|Durchgang|Übung|Finger|Stunde|Einheit|Phase|Schritt|Position|Reihe|Atemzug|Massage|Klasse|Termin|Treffen';

export const spelled: LanguageSpelling = {
  thousands: '.',
  decimal: ',',
  point: 'Komma',
  minus: 'minus',
  letter: 'de',
  said: [
    // A length in minutes and seconds, then a time of day.
    [
      new RegExp(`\\b(\\d{1,2}):([0-5]\\d) ?[Mm]in(?:uten?)?${STOP}(?!\\p{L})`, 'gu'),
      (_, m = '', s = '') =>
        `${m === '1' ? 'eine Minute' : `${m} Minuten`}${Number(s) ? ` ${Number(s) === 1 ? 'eine Sekunde' : `${Number(s)} Sekunden`}` : ''}`,
    ],
    [/\b([01]?\d|2[0-3])[:.]([0-5]\d) ?Uhr\b/g, (_, h = '', m = '') => clock(h, m)],
    [/\b([01]?\d|2[0-3]):([0-5]\d)\b/g, (_, h = '', m = '') => clock(h, m)],
    [/\b0?1 Uhr\b/g, 'ein Uhr'],
    // Parts of one.
    [/(\d)([½⅓⅔¼¾])/g, (_, n = '', sign = '') => `${n} ${SIGNS[sign]}`],
    [/[½⅓⅔¼¾]/g, (sign) => SIGNS[sign] ?? sign],
    [/\b(\d+) +(1\/2|[12]\/3|[13]\/4)(?![\d/])/g, (_, n = '', part = '') => andPart(n, part)],
    [/(^|[^\d/])1\/2 (?=Minute|Stunde|Runde)/g, '$1eine halbe '],
    [/(^|[^\d/])(1\/2|[12]\/3|[13]\/4)(?![\d/])/g, (_, led = '', part = '') => led + PARTS[part]],
    // Ranges, times over, ordinals.
    [/(\d(?: ?(?:s|Sek\.?|Min\.?|min|cm|mm|kg|g|%))?) ?[–—] ?(?=\d)|(\d)-(?=\d)/g, '$1$2 bis '],
    [/(\d) ?[×*x] ?(?=\d)/g, '$1 mal '],
    [/\b1 ?[x×](?!\p{L})|\b1 ?[Mm]al\b/gu, 'einmal'],
    [/\b(\d+) ?[x×](?!\p{L})/gu, (_, n = '') => `${words(n)}mal`],
    [
      /\b((?:d(?:ie|er|as)|jede)(?: \p{L}+e)?) (\d+)\. (?=\p{L})/giu,
      (_, before = '', n = '') => `${before} ${ordinal(n)}e `,
    ],
    [
      /\b(d(?:em|en|es)|im|am|zum|zur|beim|vom|ins|in der|nach der|ab der|bei der|mit der) (\d+)\. (?=\p{L})/giu,
      (_, before = '', n = '') => `${before} ${ordinal(n)}en `,
    ],
    [new RegExp(`\\b(\\d+)\\. (?=(?:${ORDERED})\\b)`, 'gu'), (_, n = '') => `${ordinal(n)}e `],
    // What is measured.
    ...measured(UNITS, ['bis', 'oder']),
    [
      /(bis |mal |[\d.,])?\b1 (?=(\p{Lu}\p{L}+))/gu,
      (all, led, noun = '') => (led ? all : `${one(noun)} `),
    ],
    [/(\d) ?°C\b/g, '$1 Grad'],
    [/(\d) ?°/g, '$1 Grad'],
    [/(\d) ?%/g, '$1 Prozent'],
    [/€ ?(\d+(?:[.,]\d+)*)/g, '$1 Euro'],
    [/(\d) ?€/g, '$1 Euro'],
    // Signs.
    [/\bund\/oder\b/gi, 'oder'],
    [/(\p{L})\/(?=\p{L})/gu, '$1 oder '],
    [/(\d)\/(?=\d)/g, '$1 von '],
    [/[~≈] ?(?=\d)/g, 'etwa '],
    [/< ?(?=\d)/g, 'weniger als '],
    [/> ?(?=\d)/g, 'mehr als '],
    [/(\S) ?&+ ?(?=\S)/g, '$1 und '],
    [/ ?\+ ?/g, ' plus '],
    [/ ?= ?/g, ' gleich '],
    [/@/g, ' ät '],
    [/# ?(?=\d)|\b[Nn]r\. ?(?=\d)/g, 'Nummer '],
    [/#/g, ' '],
    // Abbreviations.
    [/\bz\. ?B\./gi, 'zum Beispiel'],
    [/\bd\. ?h\./gi, 'das heißt'],
    [/\bu\. ?a\./g, 'unter anderem'],
    [/\bv\. ?a\./g, 'vor allem'],
    [/\bo\. ?[äÄ]\./g, 'oder ähnlich'],
    [/\busw\.(?=\s+\p{Lu}|$)/gu, 'und so weiter.'],
    [/\busw\./g, 'und so weiter'],
    [/\betc\.(?=\s+\p{Lu}|$)/gu, 'und so weiter.'],
    [/\betc\./g, 'und so weiter'],
    [/\bbzw\./gi, 'beziehungsweise'],
    [/\bca\./gi, 'etwa'],
    [/\bevtl\./gi, 'eventuell'],
    [/\bggf\./gi, 'gegebenenfalls'],
    [/\binkl\./gi, 'inklusive'],
    [/\bmax\./gi, 'höchstens'],
    [/\bmind?\. ?(?=\d)/gi, 'mindestens '],
    [/\bvgl\./gi, 'vergleiche'],
    [/\bDr\.? (?=\p{Lu})/gu, 'Doktor '],
    [/\bli\.(?=\s|$)/g, 'links'],
    [/\bre\.(?=\s|$)/g, 'rechts'],
  ],
};

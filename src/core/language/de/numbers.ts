const SMALL = [
  'null',
  'eins',
  'zwei',
  'drei',
  'vier',
  'fünf',
  'sechs',
  'sieben',
  'acht',
  'neun',
  'zehn',
  'elf',
  'zwölf',
  'dreizehn',
  'vierzehn',
  'fünfzehn',
  'sechzehn',
  'siebzehn',
  'achtzehn',
  'neunzehn',
];
const TENS = [
  '',
  '',
  'zwanzig',
  'dreißig',
  'vierzig',
  'fünfzig',
  'sechzig',
  'siebzig',
  'achtzig',
  'neunzig',
];

/** In front of another word, as in "einundzwanzig", one loses its s. */
const joined = (n: number): string => (n === 1 ? 'ein' : numberWords(n));

/** A whole number from 0 to 999 999 in words. */
export function numberWords(n: number): string {
  if (n < 20) return SMALL[n] ?? String(n);
  if (n < 100) {
    const ones = n % 10;
    return `${ones ? `${joined(ones)}und` : ''}${TENS[Math.floor(n / 10)]}`;
  }
  const [unit, word] = n < 1000 ? [100, 'hundert'] : [1000, 'tausend'];
  const rest = n % unit;
  return `${joined(Math.floor(n / unit))}${word}${rest ? numberWords(rest) : ''}`;
}

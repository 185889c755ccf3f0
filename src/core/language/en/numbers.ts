const SMALL = [
  'zero',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
  'thirteen',
  'fourteen',
  'fifteen',
  'sixteen',
  'seventeen',
  'eighteen',
  'nineteen',
];
const TENS = ['', '', 'twenty', 'thirty', 'forty', 'fifty', 'sixty', 'seventy', 'eighty', 'ninety'];

/** A whole number from 0 to 999 999 in words. */
export function numberWords(n: number): string {
  if (n < 20) return SMALL[n] ?? String(n);
  if (n < 100) {
    const ones = n % 10;
    return `${TENS[Math.floor(n / 10)]}${ones ? `-${SMALL[ones]}` : ''}`;
  }
  const [unit, word] = n < 1000 ? [100, 'hundred'] : [1000, 'thousand'];
  const rest = n % unit;
  const and = rest === 0 ? '' : rest < 100 ? ` and ${numberWords(rest)}` : ` ${numberWords(rest)}`;
  return `${numberWords(Math.floor(n / unit))} ${word}${and}`;
}

import type { Dose } from '@/core/move';
import type { Phrases } from '@/core/speech';

const plural = (n: number, one: string, many: string) => (n === 1 ? one : `${n} ${many}`);

type Amounts = { [K in Dose['kind']]: (dose: Extract<Dose, { kind: K }>) => string };

/** How much of a move is announced, by kind of dose. */
const AMOUNTS: Amounts = {
  hold: (dose) => plural(Math.round(dose.seconds), 'eine Sekunde', 'Sekunden'),
  open: (dose) => `etwa ${plural(Math.round(dose.seconds), 'eine Sekunde', 'Sekunden')}`,
  counts: (dose) => plural(dose.counts, 'ein Zähler', 'Zähler'),
  taps: (dose) => plural(dose.taps, 'einmal tippen', 'mal tippen'),
  breaths: (dose) => plural(dose.breaths, 'ein Atemzug', 'Atemzüge'),
  reps: (dose) => plural(dose.reps, 'einmal', 'mal'),
  passes: (dose) => plural(dose.passes, 'ein Durchgang', 'Durchgänge'),
};

const amount = <K extends Dose['kind']>(dose: Extract<Dose, { kind: K }>): string =>
  AMOUNTS[dose.kind as K](dose);

export const phrases: Phrases = {
  dose: (dose, rounds) => (rounds === 1 ? amount(dose) : `${rounds} Runden, je ${amount(dose)}`),
  round: (n) => `Runde ${n}`,
  lastRound: 'Letzte Runde',
  firstSide: {
    each: 'Zuerst die linke Seite.',
    directions: 'Zuerst in die eine Richtung.',
  },
  otherSide: { each: 'Jetzt die rechte Seite.', directions: 'Jetzt andersherum.' },
  release: {
    tap: 'Klopf leicht, nie auf die Augen.',
    massage: 'Streich es aus.',
    breaths: 'Zwei langsame Atemzüge.',
  },
  strokeNeck: 'Streich mit einer flachen Hand leicht den Hals hinab.',
  oneMore: 'Noch eine Runde.',
  evenOut: {
    left: 'Und noch die linke Seite, damit es gleich ist.',
    right: 'Und noch die rechte Seite, damit es gleich ist.',
    one: 'Und noch in die erste Richtung, damit es gleich ist.',
    other: 'Und noch andersherum, damit es gleich ist.',
  },
  questions: 'Zeit für eure Fragen.',
  breatheIn: 'Ein',
  breatheOut: 'und aus',
  numbers: [
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
    'zwanzig',
  ],
};

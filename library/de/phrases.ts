import { german } from '@/core/language/de';
import type { Dose } from '@/core/move';
import { type Amounts, amountsIn, type Phrases } from '@/core/speech';

const several = (n: string, one: string, many: string) => (n === '1' ? one : `${n} ${many}`);

/** Up to so many, "times" is one word with its number. */
const ONE_WORD = 20;
const times = (n: string) => {
  if (n === '1') return 'einmal';
  return Number(n) <= ONE_WORD ? `${german.numberWords(Number(n))}mal` : `${n}-mal`;
};

/** How much of a move there is, by kind of dose. */
const AMOUNTS: Amounts = {
  hold: (n) => several(n, 'eine Sekunde', 'Sekunden'),
  open: (n) => `etwa ${several(n, 'eine Sekunde', 'Sekunden')}`,
  counts: (n) => `bis ${n} gezählt`,
  taps: times,
  breaths: (n) => several(n, 'ein Atemzug', 'Atemzüge'),
  reps: times,
  passes: (n) => several(n, 'ein Durchgang', 'Durchgänge'),
};
const SHARED = {
  each: ' auf jeder Seite',
  directions: ' in jede Richtung',
  together: '',
  alternating: '',
};
const UNNAMED: readonly Dose['kind'][] = ['taps', 'reps'];

export const phrases: Phrases = {
  dose: (doses, sides) => {
    const { rounds, same, kind, all, first } = amountsIn(doses, AMOUNTS, 'und');
    const each = SHARED[sides];
    if (rounds === 1) return `${first}${each}`;
    if (same) return `${rounds} Runden, je ${first}${each}`;
    return all && !UNNAMED.includes(kind)
      ? `${rounds} Runden: ${all}${each}`
      : `${rounds} Runden, zuerst ${first}${each}`;
  },
  round: (n) => `Runde ${n}`,
  lastRound: 'Letzte Runde',
  firstSide: { each: 'Zuerst links.', directions: 'Zuerst in eine Richtung.' },
  sameWay: 'Lass los. Noch einmal so herum.',
  otherSide: { each: 'Lass los. Jetzt rechts.', directions: 'Lass los. Jetzt andersherum.' },
  oneSide: { left: 'Wieder links.', right: 'Jetzt rechts.' },
  release: {
    tap: 'Klopf leicht, wo du es gespürt hast, nie auf die Augen.',
    massage: 'Streich die Stelle sanft aus.',
    breaths: 'Zwei langsame Atemzüge.',
  },
  strokeNeck: 'Streich mit einer flachen Hand leicht den Hals hinab.',
  again: 'Und noch einmal.',
  oneMore: 'Noch eine Runde.',
  evenOut: {
    left: 'Und noch links, damit es gleich ist.',
    right: 'Und noch rechts, damit es gleich ist.',
    one: 'Und noch in die erste Richtung, damit es gleich ist.',
    other: 'Und noch andersherum, damit es gleich ist.',
  },
  questions: 'Jetzt ist Zeit für Fragen.',
  breatheIn: 'Einatmen',
  breatheOut: 'und ausatmen',
  lastBreath: 'Letzter Atemzug',
  go: 'los',
  leaveOut: 'Lass diese aus. Sitz aufrecht, die Hände im Schoß, und atme ruhig.',
  caution:
    'Sanfte Bewegung und Selbstmassage, keine Heilbehandlung. Hör auf, wenn etwas wehtut. Frag vorher eine Fachperson, wenn du eine Erkrankung hast oder einen Eingriff hattest. Örtliche Regeln gelten.',
  number: german.numberWords,
};

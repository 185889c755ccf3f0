import type { Language } from '@/core/language';

/** Sentences that are hard to estimate: numbers, signs, capitals, emoji, very short and very long. */

const TEMPLATES: Record<Language, readonly string[]> = {
  en: [
    'Hold for {n} seconds.',
    '{n} taps, then rest.',
    'Count to {n} and let go.',
    '{d} minutes of work, no more.',
    'Round {n}: lift — and hold.',
    'Press {n} % less than before.',
    'The class begins at {t}.',
    'LIFT SLOWLY, {n} times.',
    'Cheeks up {e}',
    'Well done {e} {n} more.',
    'Left & right, {n} each.',
    '{n}-{m} slow circles with both hands.',
  ],
  de: [
    'Halt {n} Sekunden.',
    '{n} Mal tippen, dann ruhen.',
    'Zähl bis {n} und lass los.',
    '{d} Minuten Arbeit, nicht mehr.',
    'Runde {n}: heben — und halten.',
    'Drück {n} % weniger als zuvor.',
    'Der Kurs beginnt um {t}.',
    'LANGSAM HEBEN, {n} Mal.',
    'Wangen hoch {e}',
    'Gut gemacht {e} noch {n}.',
    'Links & rechts, je {n}.',
    '{n}-{m} langsame Kreise mit beiden Händen.',
  ],
};
const NUMBERS = [3, 12, 20, 21, 37, 45, 58, 72, 99, 120];
const EMOJI = ['😀', '👍', '🙂', '🎉', '💪', '🌊', '🎶', '👏', '🙌', '⭐'];

/** A hundred and twenty of them, always the same. */
export function adversarialSentences(language: Language): string[] {
  const point = language === 'de' ? ',' : '.';
  return TEMPLATES[language].flatMap((template) =>
    NUMBERS.map((n, i) =>
      template
        .replaceAll('{n}', String(n))
        .replaceAll('{m}', String(n + 5))
        .replaceAll('{d}', `${(n % 9) + 1}${point}${(i % 9) + 1}`)
        .replaceAll('{t}', `${7 + i}:${10 + 4 * i}`)
        .replaceAll('{e}', EMOJI[i] ?? '😀'),
    ),
  );
}

import type { Said } from './language';

/** What is measured: how it is written after a number, what one of it is called, and what several are. */
export type Unit = readonly [written: string, one: string, several: string];

/**
 * Rules for amounts with a unit. What ends a range or a decimal is several, whatever its last figure.
 * @param before words between two numbers of a range, and that of a decimal
 */
export const measured = (units: readonly Unit[], before: readonly string[]): Said[] =>
  units.map(([written, one, several]) => [
    new RegExp(
      `(^|[^\\d.,])((?:(?:${before.join('|')}) )?)(\\d+(?:[.,]\\d+)*)[ \u00A0-]?(?:${written})(?![\\p{L}\\d])`,
      'gu',
    ),
    (_, sign = '', led = '', n = '') =>
      sign + (n === '1' && led === '' ? one : `${led}${n} ${several}`),
  ]);

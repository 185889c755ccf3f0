/**
 * The code that leads to a class: six signs out of those that are not taken for one another, neither read nor written
 * by hand. No vowels, so that no code is a word.
 */

export const CODE_SIGNS = 'CDFHJKMNPRTWXY3479';
export const CODE_LENGTH = 6;

/**
 * A code out of chance.
 * @param chance whole numbers from 0 to 255; those that would make some signs likelier are passed over
 * @returns null where there was not enough of it
 */
export function codeOf(chance: Iterable<number>): string | null {
  const fair = 256 - (256 % CODE_SIGNS.length);
  let code = '';
  for (const number of chance) {
    if (number >= fair) continue;
    code += CODE_SIGNS[number % CODE_SIGNS.length];
    if (code.length === CODE_LENGTH) return code;
  }
  return null;
}

/** A code as somebody typed it, with small letters, blanks or strokes; null where it can be none. */
export function readCode(typed: string): string | null {
  const code = typed.toUpperCase().replace(/[\s.-]/g, '');
  return code.length === CODE_LENGTH && [...code].every((sign) => CODE_SIGNS.includes(sign))
    ? code
    : null;
}

/** A code as it is shown, in two halves. */
export const shownCode = (code: string): string => `${code.slice(0, 3)} ${code.slice(3)}`;

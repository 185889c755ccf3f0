import { LANGUAGES, type Language } from '../language';
import { countOf, doseBeats, doseMs, isTimed } from './dose';
import type { Dose } from './doses';
import type { Move, MoveText, VariantText } from './move';
import { moveText } from './text';
import type { Variant } from './traits';

/** Every cue that a move's text has, in all its versions. */
export function cuesOf(text: MoveText): string[] {
  const own = (v: VariantText | undefined) =>
    v ? [...v.setup, v.short, ...(v.form ?? []), ...(v.letGo ? [v.letGo] : [])] : [];
  return [
    ...text.setup,
    text.short,
    ...text.form,
    text.letGo,
    ...own(text.easier),
    ...own(text.harder),
  ];
}

/** The words of a version: its own, and the move's where it has none. */
function wordsIn(text: MoveText, variant: Variant): MoveText {
  const { easier, harder, ...own } = text;
  const version = { easier, harder }[variant];
  if (!version) return own;
  const { what: _, ...change } = version;
  return { ...own, ...change };
}

const versions = new WeakMap<Move, Partial<Record<Variant, Move>>>();

/**
 * The move as it is done in a version, words included: a whole move without versions of its own. Itself
 * where it has no such version. The same version of the same move is the same object.
 */
export function inVariant(move: Move, variant: Variant | undefined): Move {
  const change = variant && move.variants[variant];
  if (!variant || !change) return move;
  const known = versions.get(move) ?? {};
  versions.set(move, known);
  const made = known[variant];
  if (made) return made;
  const text = Object.fromEntries(
    LANGUAGES.flatMap((l) => {
      const words = move.text[l];
      return words ? [[l, wordsIn(words, variant)]] : [];
    }),
  );
  const done: Move = { ...move, ...change, text, variants: {} };
  known[variant] = done;
  return done;
}

/** The words of a move in a version. */
export const variantText = (
  move: Move,
  language: Language,
  variant: Variant | undefined,
): MoveText => moveText(inVariant(move, variant), language);

export function hasVariant(move: Move, variant: Variant): boolean {
  return LANGUAGES.some((l) => move.text[l]?.[variant] !== undefined);
}

/**
 * The dose of a work part in a version: as long as the one asked for, but counted as the version is. A
 * version that holds what the move repeats 20 times is announced and counted as a hold, and one that
 * does without holding the breath is not paced with a hold.
 */
export function doseIn(move: Move, variant: Variant | undefined, asked: Dose): Dose {
  const own = variant && move.variants[variant]?.dose;
  if (!own) return asked;
  if (own.kind === 'breaths' && asked.kind === 'breaths') {
    const { pattern } = own;
    return pattern.hold < asked.pattern.hold ? { ...asked, pattern } : asked;
  }
  if (own.kind === asked.kind) return asked;
  const ms = doseMs(asked);
  if (isTimed(own)) return countOf(own, ms / 1000);
  const { beatMs } = doseBeats(own);
  return countOf(own, Math.max(1, Math.round(ms / beatMs)));
}

import { LANGUAGE_NAMES, MAIN_LANGUAGE } from '../language';
import type { Move, MoveText } from './move';

/** The text of a move in a language, or in the main one where that language is not written yet. */
export function moveText(move: Move, language = MAIN_LANGUAGE): MoveText {
  const text = move.text[language] ?? move.text[MAIN_LANGUAGE];
  if (!text) throw new Error(`move ${move.id} has no ${LANGUAGE_NAMES[MAIN_LANGUAGE]} text`);
  return text;
}

/** Shortest and longest sensible work part in seconds; half to twice the usual where none is given. */
export function doseRange(move: Move, usualMs: number): [floor: number, ceiling: number] {
  return move.range ?? [usualMs / 2000, Math.min(600, usualMs / 500)];
}

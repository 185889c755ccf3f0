import { EFFECTS, effectsIn, type SegmentEffects } from '../checks';
import type { Plan } from '../class';
import { wordsIn } from '../follow/words';
import { CAUTIONS, type Caution, LOCAL_CAUTIONS, variantText } from '../move';
import type { Book } from '../score';
import { type PaperEffect, sheetWordsIn } from './words';

/** What changes in a class for whoever carries a caution. */
export interface CarriedRow {
  cautions: Caution[];
  /** The cautions, in words. */
  who: string;
  /** What they lead to, in words, with the moves that it is about. */
  what: string;
}

const ON_PAPER: readonly PaperEffect[] = [...EFFECTS, 'handsFree'];

/** What a caution leads to in a segment. */
function effectsOf({ work, release }: SegmentEffects, caution: Caution): PaperEffect[] {
  const effect = work[caution];
  // Who leaves a move out has nothing to let go.
  const handsFree = release[caution] !== undefined && effect !== 'leaveOut';
  return [...(effect ? [effect] : []), ...(handsFree ? ['handsFree' as const] : [])];
}

/**
 * What changes in a class for whoever carries something, caution by caution; those that lead to the same are one row.
 * Of a caution that belongs to a place on the face all places are told, since a sheet is for anybody.
 */
export function carriedRows(plan: Plan, book: Book, language = plan.language): CarriedRow[] {
  const words = sheetWordsIn(language);
  const names = wordsIn(language).caution;
  const segments = effectsIn(plan, book);
  const nameOf = ({ segment, move }: SegmentEffects) =>
    variantText(move, language, segment.variant).name;
  const rows = new Map<string, CarriedRow>();
  for (const caution of CAUTIONS) {
    const local = LOCAL_CAUTIONS.includes(caution);
    const parts = ON_PAPER.flatMap((effect) => {
      const about = segments.filter((one) => effectsOf(one, caution).includes(effect)).map(nameOf);
      if (about.length === 0) return [];
      return [`${words.effects[effect]} ${[...new Set(about)].join(', ')}.`];
    });
    if (parts.length === 0) continue;
    const what = [...(local ? [words.onThatPlace] : []), ...parts].join(' ');
    const row = rows.get(what);
    if (row) {
      row.cautions.push(caution);
      row.who = `${row.who}; ${names[caution]}`;
    } else rows.set(what, { cautions: [caution], who: names[caution], what });
  }
  return [...rows.values()];
}

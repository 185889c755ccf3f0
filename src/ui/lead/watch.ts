import type { RollEntry } from '@/core/calls';
import {
  type Area,
  checkOnSkin,
  concerns,
  inVariant,
  isAllergic,
  type Move,
  moveText,
  releaseAsMove,
} from '@/core/move';
import type { Score, Step } from '@/core/score';
import type { MovesById } from '../kit/moves';
import { isHere, mayBeHere } from './use-roll';

/** Whom to watch, and why: for the move in work, and for the whole class before it starts. */

/** How much of a move's work must go to an area for a note on that area to matter. */
const MAIN_AREA = 0.5;

const mainAreas = (move: Move): Area[] =>
  (Object.entries(move.areas) as [Area, number][]).flatMap(([area, weight]) =>
    weight >= MAIN_AREA ? area : [],
  );

/** How a move is being done at this moment. */
export type AsDone = Pick<Step, 'variant' | 'release' | 'breath'>;

/** What of somebody's cautions a move concerns as it is done at this moment. */
function cautioned(
  { cautions }: Pick<RollEntry, 'cautions'>,
  move: Move,
  { variant, release, breath }: AsDone,
): string[] {
  const usual = inVariant(move, variant);
  const paced: Move = breath
    ? { ...usual, dose: { kind: 'breaths', breaths: 1, pattern: breath } }
    : usual;
  // While a round is let go, it is the hands of the release that a caution is about.
  const done = (release && releaseAsMove(usual, release)) ?? paced;
  return concerns(done, cautions).map((c) => c.words);
}

/** What to watch for in a person while a move is in work; empty for most people and moves. */
export function watchFor(
  person: Pick<RollEntry, 'cautions' | 'notes'>,
  move: Move,
  step: AsDone,
  moves: MovesById,
): string[] {
  const areas = new Set(mainAreas(move));
  const notes = person.notes.flatMap((note) => {
    const other = moves.get(note.moveId);
    const near = other && mainAreas(other).some((area) => areas.has(area));
    return note.moveId === move.id || near ? note.note || 'corrected last time' : [];
  });
  return [...new Set([...cautioned(person, move, step), ...notes])];
}

/** Who needs an eye on them, and why: whoever is here first, then who may be and is not marked yet. */
export function watched(
  entries: readonly RollEntry[],
  move: Move,
  step: AsDone,
  moves: MovesById,
): { person: RollEntry; words: string[] }[] {
  const noticed = entries.filter(mayBeHere).flatMap((person) => {
    const words = watchFor(person, move, step, moves);
    return words.length ? [{ person, words }] : [];
  });
  return [
    ...noticed.filter(({ person }) => isHere(person)),
    ...noticed.filter(({ person }) => !isHere(person)),
  ];
}

/** Somebody whose cautions a class goes against: what follows from it, and in which moves. */
export interface Told {
  person: RollEntry;
  words: { says: string; moves: string[] }[];
}

/**
 * Who of those who are here, or may be, wants a word before a class starts.
 * @param score of the class as it will be led
 */
export function wantsWord(
  entries: readonly RollEntry[],
  { steps, language, onSkin }: Pick<Score, 'steps' | 'language' | 'onSkin'>,
  moves: MovesById,
): Told[] {
  const ways = new Map(
    steps.map((step) => {
      const { moveId, variant, release, breath } = step;
      return [JSON.stringify([moveId, variant, release, breath]), step];
    }),
  );
  return entries.filter(mayBeHere).flatMap((person) => {
    if (person.cautions.length === 0) return [];
    const words = new Map<string, Set<string>>();
    if (onSkin && isAllergic(person.cautions)) words.set(checkOnSkin(onSkin), new Set());
    for (const step of ways.values()) {
      const move = moves.get(step.moveId);
      if (!move) continue;
      for (const says of cautioned(person, move, step)) {
        words.set(says, (words.get(says) ?? new Set()).add(moveText(move, language).name));
      }
    }
    const said = [...words].map(([says, names]) => ({ says, moves: [...names] }));
    return said.length ? [{ person, words: said }] : [];
  });
}

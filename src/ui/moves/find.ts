import type { Language } from '@/core/language';
import { AREA_NAMES, type Area, KIND_NAMES, type Kind, type Move, type Purpose } from '@/core/move';

/** What a move may need that a teacher cannot always offer. */
export const NEEDS = {
  noHands: 'hands free',
  noOil: 'no oil',
  noProps: 'no props',
  chinLevel: 'chin level',
  dry: 'a dry grip',
} as const;
export type Need = keyof typeof NEEDS;

type Head = Move['head'];

/** What moves are found by. */
export interface Findable
  extends Pick<
    Move,
    'kind' | 'areas' | 'muscles' | 'purposes' | 'hands' | 'surface' | 'props' | 'head'
  > {
  variants: { easier?: { head?: Head | undefined } | undefined };
  text: Readonly<Partial<Record<Language, { name: string }>>>;
}

/** A line of the list of moves: what it is found by and what stands in it, without what is said. */
export interface ListedMove extends Findable {
  id: string;
  dose: string;
  own: boolean;
}

const FITS: Record<Need, (move: Findable) => boolean> = {
  noHands: (m) => m.hands === 'free',
  noOil: (m) => m.surface !== 'glide' && !m.props.includes('oil'),
  noProps: (m) => m.props.every((prop) => prop === 'oil'),
  chinLevel: (m) => m.head !== 'back' || m.variants.easier?.head === 'level',
  dry: (m) => m.surface === 'dry',
};

export interface Filter {
  typed: string;
  kind: Kind | null;
  purpose: Purpose | null;
  need: Need | null;
  areas: readonly Area[];
}

export const NO_FILTER: Filter = { typed: '', kind: null, purpose: null, need: null, areas: [] };

export function areasOf(move: Pick<Move, 'areas'>): Area[] {
  const areas = Object.keys(move.areas) as Area[];
  return areas.sort((a, b) => (move.areas[b] ?? 0) - (move.areas[a] ?? 0));
}

const namesOf = (move: Findable): string =>
  Object.values(move.text)
    .map((text) => text?.name ?? '')
    .join(' ')
    .toLowerCase();

function wordsOf(move: Findable): string {
  const areas = areasOf(move).map((area) => AREA_NAMES[area]);
  const more = [KIND_NAMES[move.kind], ...areas, ...move.muscles].join(' ').toLowerCase();
  return `${namesOf(move)} ${more}`;
}

const typedWords = (typed: string): string[] => typed.toLowerCase().split(/\s+/).filter(Boolean);

/** Whether a move passes a filter: every typed word, and every choice; of several areas any one. */
export function passes(move: Findable, filter: Filter): boolean {
  const { typed, kind, purpose, need, areas } = filter;
  if (kind && move.kind !== kind) return false;
  if (purpose && !move.purposes.includes(purpose)) return false;
  if (need && !FITS[need](move)) return false;
  if (areas.length && !areas.some((area) => move.areas[area] !== undefined)) return false;
  const words = typedWords(typed);
  const haystack = words.length ? wordsOf(move) : '';
  return words.every((word) => haystack.includes(word));
}

/**
 * How far from what was typed: its name says it, and its work goes where it says. A breath is seldom
 * meant by a part of the face.
 */
function distance(move: Move, words: readonly string[]): number {
  if (words.length > 1 && namesOf(move).includes(words.join(' '))) return 0;
  const weights = Object.entries(move.areas) as [Area, number][];
  const meant = weights.filter(([area]) => words.some((w) => AREA_NAMES[area].includes(w)));
  const sum = (of: typeof weights) => of.reduce((total, [, weight]) => total + weight, 0);
  const share = meant.length ? sum(meant) / sum(weights) : 0;
  const named = words.every((word) => namesOf(move).includes(word));
  return (named ? 1 : 2) - share + (move.kind === 'breath' ? 1 : 0);
}

/** Moves in the order in which what was typed means them; those in the class already come after. */
export function nearestFirst(
  moves: readonly Move[],
  typed: string,
  inClass: ReadonlySet<string>,
): Move[] {
  const words = typedWords(typed);
  if (words.length === 0) return [...moves];
  const rank = (move: Move) => {
    const far = distance(move, words);
    return far > 0 && inClass.has(move.id) ? far + 10 : far;
  };
  const ranks = new Map(moves.map((move) => [move.id, rank(move)]));
  return [...moves].sort((a, b) => (ranks.get(a.id) ?? 0) - (ranks.get(b.id) ?? 0));
}

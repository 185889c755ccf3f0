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

const FITS: Record<Need, (move: Move) => boolean> = {
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

export function areasOf(move: Move): Area[] {
  const areas = Object.keys(move.areas) as Area[];
  return areas.sort((a, b) => (move.areas[b] ?? 0) - (move.areas[a] ?? 0));
}

function wordsOf(move: Move): string {
  const names = Object.values(move.text).map((text) => text?.name ?? '');
  const areas = areasOf(move).map((area) => AREA_NAMES[area]);
  return [...names, KIND_NAMES[move.kind], ...areas, ...move.muscles].join(' ').toLowerCase();
}

/** Whether a move passes a filter: every typed word, and every choice; of several areas any one. */
export function passes(move: Move, filter: Filter): boolean {
  const { typed, kind, purpose, need, areas } = filter;
  if (kind && move.kind !== kind) return false;
  if (purpose && !move.purposes.includes(purpose)) return false;
  if (need && !FITS[need](move)) return false;
  if (areas.length && !areas.some((area) => move.areas[area] !== undefined)) return false;
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  const haystack = words.length ? wordsOf(move) : '';
  return words.every((word) => haystack.includes(word));
}

import type { BookedPerson } from '../checks';
import type { Aim, Plan, Rules } from '../class';
import type { Language } from '../language';
import { type Move, worksOn } from '../move';
import type { Book, LengthOptions } from '../score';

/** What a class is to be drafted from. */
export interface DraftWish {
  name: string;
  slotSeconds: number;
  language: Language;
  aim: Aim;
  kit: Plan['kit'];
  rules: Partial<Rules>;
  people: readonly BookedPerson[];
  /** Moves that these people did in their last sessions. */
  recent: readonly string[];
  /** Moves of the drafts shown before, so that another one is clearly different. */
  shown: readonly (readonly string[])[];
  /** Makes equal choices fall differently; the same seed gives the same draft. */
  seed: number;
}

/** What a draft is made from. */
export interface DraftFrom extends LengthOptions {
  /** The moves that may be taken. */
  shelf: readonly Move[];
  book: Book;
}

export interface Drafted {
  kind: 'drafted';
  plan: Plan;
  /** Why each segment is there, in a few words, by segment id. */
  reasons: Map<string, string>;
  /** What the teacher should know of the whole: whom to ask, what could not be had. */
  notes: string[];
  cost: number;
  /** False where the search was stopped before it could prove that no better class could be made. */
  proved: boolean;
}

/** No class fits the wish; what is missing is said. */
export interface NoDraft {
  kind: 'none';
  missing: string[];
}

export const serves = (aim: Aim, move: Move): boolean =>
  aim.kind === 'focus'
    ? worksOn(move, aim.areas)
    : aim.kind === 'purpose' && move.purposes.includes(aim.purpose);

import type { PhaseName } from '../../class';
import type { Area, CautionEffect } from '../../move';
import type { AmountWords } from '../../score';

/** What cautions lead to on paper: an effect, or that a move is let go without hands. */
export type PaperEffect = CautionEffect | 'handsFree';

/** What a run sheet says by itself, in one language; `{…}` stands for what is put in. A language is a file. */
export interface SheetWords {
  amount: AmountWords['words'];
  phases: Record<PhaseName, string>;
  areas: Record<Area, string>;
  /** With `{total}` and `{slot}`. */
  length: string;
  /** Before what is needed, and what everybody needs. */
  kit: string;
  cleanHands: string;
  opening: string;
  questions: string;
  /** With `{areas}`, and `{upbeat}` as a time. */
  works: string;
  /** With `{release}` as a time. */
  release: string;
  end: string;
  /** With `{name}`, `{n}` and `{count}`. */
  page: string;
  /** Below pictures of moves. */
  pictures: string;
  /** Heading of what changes for whoever carries something, and a sentence below it. */
  carried: string;
  carriedHelp: string;
  /** Before the names of moves. */
  effects: Record<PaperEffect, string>;
  /** Before the effects of a caution that belongs to a place on the face. */
  onThatPlace: string;
}

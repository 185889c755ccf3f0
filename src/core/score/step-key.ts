import type { Variant } from '../move';

/**
 * Names of turns and steps. They stand in logs and in scores that were stored, so their form does not
 * change; what they say is read here and nowhere else.
 */

/** One round of one segment; in a block that is done one side first, one half of it. */
export interface TurnKey {
  /** Holds no full stop. */
  segmentId: string;
  /** From 1 on. */
  round: number;
  /** The half on the right side, of a block that is done one side first. */
  onTheRight?: boolean;
}

/** A part of a turn. */
export interface StepKey {
  turn: TurnKey;
  /** Which part: its kind, its side where it is work, and what a bend has made of it. */
  part: string;
}

export const printTurn = ({ segmentId, round, onTheRight }: TurnKey): string =>
  `${segmentId}.${round}${onTheRight ? 'r' : ''}`;

export const printStep = ({ turn, part }: StepKey): string => `${printTurn(turn)}.${part}`;

/** Reads a key; null for one that belongs to no turn, such as the time for questions. */
export function parseStep(key: string): StepKey | null {
  const found = /^([^.]+)\.(\d+)(r?)\.(.+)$/.exec(key);
  if (!found) return null;
  const [, segmentId = '', round, right, part = ''] = found;
  const turn = { segmentId, round: Number(round), ...(right && { onTheRight: true }) };
  return { turn, part };
}

/** The turn that a step belongs to, by its name; the key itself where it belongs to none. */
export function turnOfStep(key: string): string {
  const step = parseStep(key);
  return step ? printTurn(step.turn) : key;
}

/** Names how work is counted on where it is made longer. */
export type Beyond = `beyond ${string}`;
export const beyond = (countsOn: string): Beyond => `beyond ${countsOn}`;

/** Names what leads into a part of a turn, in full, where the class changes to it in the middle; by the id of its step. */
export type InTheMiddle = `easier ${string}`;
export const inTheMiddle = (stepId: string): InTheMiddle => `easier ${stepId}`;

/** Names the upbeat of a turn in full, for a class that left out where its move is explained; by the id of its step. */
export type InFull = `full ${string}`;
export const inFull = (stepId: string): InFull => `full ${stepId}`;

/** Names the upbeat of a round that was planned as the last one, for a class in which more come; by its step, as done. */
export type NotLast = `not last ${string}`;
export const notLast = ({ id, variant }: { id: string; variant?: Variant | undefined }): NotLast =>
  `not last ${id} ${variant ?? ''}`;

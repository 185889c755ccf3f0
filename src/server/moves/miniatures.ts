import { createHash } from 'node:crypto';
import { LIBRARY } from '@library';
import { trackOfMove } from '@library/tracks';
import { keyPose, miniatureSheet } from '@/core/face';
import type { Move } from '@/core/move';
import type { Db } from '../db';
import type { Scope } from '../scope';
import { ownMoves } from './moves';

const sheetOf = (moves: readonly Move[]): string =>
  miniatureSheet(new Map(moves.map((move) => [move.id, keyPose(trackOfMove(move))])));

let drawn: { sheet: string; stamp: string } | undefined;

/** Miniatures of all moves of the library, drawn once, and what tells them from those of another release. */
export function libraryMiniatures(): { sheet: string; stamp: string } {
  if (!drawn) {
    const sheet = sheetOf(LIBRARY);
    drawn = { sheet, stamp: createHash('sha256').update(sheet).digest('hex').slice(0, 16) };
  }
  return drawn;
}

/** Miniatures of a studio's own moves. */
export async function ownMiniatures(db: Db, scope: Scope): Promise<string> {
  return sheetOf(await ownMoves(db, scope));
}

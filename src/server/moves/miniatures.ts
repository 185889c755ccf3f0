import { createHash } from 'node:crypto';
import { LIBRARY } from '@library';
import { trackOfMove } from '@library/tracks';
import { keyPose, miniatureSheet } from '@/core/face';
import type { Move } from '@/core/move';
import type { Db } from '../db';
import type { Scope } from '../scope';
import { ownMoves, ownMovesStamp } from './moves';

const sheetOf = (moves: readonly Move[]): string =>
  miniatureSheet(new Map(moves.map((move) => [move.id, keyPose(trackOfMove(move))])));

let drawn: Miniatures | undefined;

export interface Miniatures {
  sheet: string;
  /** What tells them from those of other moves, or of another way to draw them. */
  stamp: string;
}

/** Miniatures of all moves of the library, drawn once. */
export function libraryMiniatures(): Miniatures {
  if (!drawn) {
    const sheet = sheetOf(LIBRARY);
    drawn = { sheet, stamp: createHash('sha256').update(sheet).digest('hex').slice(0, 16) };
  }
  return drawn;
}

/** The stamp of a studio's own miniatures. They are drawn as those of the library are. */
export async function ownMiniaturesStamp(db: Db, scope: Scope): Promise<string> {
  return `${await ownMovesStamp(db, scope)}-${libraryMiniatures().stamp}`;
}

/** Miniatures of a studio's own moves, with the stamp of those very moves. */
export function ownMiniatures(db: Db, scope: Scope): Promise<Miniatures> {
  return db.transaction(
    async (trx) => ({
      stamp: await ownMiniaturesStamp(trx, scope),
      sheet: sheetOf(await ownMoves(trx, scope)),
    }),
    { isolationLevel: 'repeatable read', readOnly: true },
  );
}

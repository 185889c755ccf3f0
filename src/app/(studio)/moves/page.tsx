import type { Metadata } from 'next';
import { addressOf, CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { libraryMiniatures } from '@/server/moves/miniatures';
import { allMoves, ownMoves, ownMovesStamp } from '@/server/moves/moves';
import { listedMove } from '@/ui/moves/find';
import { MovesScreen } from '@/ui/moves/moves-screen';
import { requireTeacher } from '../../auth';

export const metadata: Metadata = { title: 'Moves' };

const miniaturesAt = (asked: { of: 'library' | 'own'; stamp: string }): string =>
  addressOf(CALLS.miniatures, undefined, asked);

export default async function MovesPage() {
  const teacher = await requireTeacher();
  const [moves, own, stamp] = await Promise.all([
    allMoves(db(), teacher),
    ownMoves(db(), teacher),
    ownMovesStamp(db(), teacher),
  ]);
  const ids = new Set(own.map((move) => move.id));
  return (
    <MovesScreen
      moves={moves.map((move) => listedMove(move, ids.has(move.id)))}
      miniatures={{
        library: miniaturesAt({ of: 'library', stamp: libraryMiniatures().stamp }),
        own: miniaturesAt({ of: 'own', stamp }),
      }}
    />
  );
}

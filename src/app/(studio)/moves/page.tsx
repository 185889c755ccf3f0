import { libraryMove } from '@library';
import type { Metadata } from 'next';
import { addressOf, CALLS } from '@/core/calls';
import { db } from '@/server/db';
import { libraryMiniatures, ownMiniaturesStamp } from '@/server/moves/miniatures';
import { allMoves } from '@/server/moves/moves';
import { listedMove } from '@/ui/moves/listed';
import { MovesScreen } from '@/ui/moves/moves-screen';
import { requireTeacher } from '../../auth';

export const metadata: Metadata = { title: 'Moves' };

const miniaturesAt = (asked: { of: 'library' | 'own'; stamp: string }): string =>
  addressOf(CALLS.miniatures, undefined, asked);

export default async function MovesPage() {
  const teacher = await requireTeacher();
  const [moves, stamp] = await Promise.all([
    allMoves(db(), teacher),
    ownMiniaturesStamp(db(), teacher),
  ]);
  return (
    <MovesScreen
      moves={moves.map((move) => listedMove(move, !libraryMove(move.id)))}
      miniatures={{
        library: miniaturesAt({ of: 'library', stamp: libraryMiniatures().stamp }),
        own: miniaturesAt({ of: 'own', stamp }),
      }}
    />
  );
}

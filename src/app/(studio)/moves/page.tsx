import type { Metadata } from 'next';
import { db } from '@/server/db';
import { libraryMarks } from '@/server/moves/marks';
import { allMoves, ownMoves, ownMovesStamp } from '@/server/moves/moves';
import { listedMove } from '@/ui/moves/find';
import { MovesScreen } from '@/ui/moves/moves-screen';
import { requireTeacher } from '../../auth';

export const metadata: Metadata = { title: 'Moves' };

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
      marks={{ library: libraryMarks().stamp, own: stamp }}
    />
  );
}

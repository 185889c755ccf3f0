import type { Metadata } from 'next';
import { db } from '@/server/db';
import { allMoves, ownMoves } from '@/server/moves/moves';
import { MovesScreen } from '@/ui/moves/moves-screen';
import { requireTeacher } from '../../auth';

export const metadata: Metadata = { title: 'Moves' };

export default async function MovesPage() {
  const teacher = await requireTeacher();
  const [moves, own] = await Promise.all([allMoves(db(), teacher), ownMoves(db(), teacher)]);
  return <MovesScreen moves={moves} own={own.map((m) => m.id)} />;
}

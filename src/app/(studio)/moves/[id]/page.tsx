import type { Metadata } from 'next';
import { db } from '@/server/db';
import { getMove, usesOf } from '@/server/moves/moves';
import { MoveScreen } from '@/ui/moves/move-screen';
import { requireTeacher } from '../../../auth';
import { orNotFound } from '../../../or-not-found';

export const metadata: Metadata = { title: 'Move' };

export default async function MovePage({ params }: { params: Promise<{ id: string }> }) {
  const teacher = await requireTeacher();
  const { id } = await params;
  const { move, own } = await orNotFound(getMove(db(), teacher, id));
  return <MoveScreen move={move} own={own} usedIn={await usesOf(db(), teacher, id)} />;
}

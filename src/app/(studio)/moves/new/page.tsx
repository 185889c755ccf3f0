import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { moveText } from '@/core/move';
import { db } from '@/server/db';
import { allMoves, getMove } from '@/server/moves/moves';
import { MoveEditor } from '@/ui/moves/move-editor';
import { requireTeacher } from '../../../auth';
import { orNotFound } from '../../../or-not-found';

export const metadata: Metadata = { title: 'A move of your own' };

interface Params {
  searchParams: Promise<{ from?: string; change?: string }>;
}

/** A new move, a copy of another (`from`), or one of the studio's own to change (`change`). */
export default async function NewMovePage({ searchParams }: Params) {
  const teacher = await requireTeacher();
  const { from, change } = await searchParams;
  const id = change ?? from;
  const found = id ? await orNotFound(getMove(db(), teacher, id)) : null;
  if (change && !found?.own) notFound();
  const taken = await allMoves(db(), teacher);
  return (
    <MoveEditor
      key={id ?? 'new'}
      from={found?.move ?? null}
      keepId={change !== undefined}
      takenIds={taken.map((m) => m.id)}
      others={taken.map((m) => ({ id: m.id, name: moveText(m).name }))}
    />
  );
}

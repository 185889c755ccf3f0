import type { Metadata } from 'next';
import { moveText } from '@/core/move';
import { db } from '@/server/db';
import { allMoves } from '@/server/moves/moves';
import { WrittenScreen } from '@/ui/classes/written-screen';
import { requireTeacher } from '../../../auth';
import { makeWrittenAction, readWrittenAction } from '../actions';

export const metadata: Metadata = { title: 'A class that is written down' };

export default async function WrittenPage() {
  const teacher = await requireTeacher();
  const moves = await allMoves(db(), teacher);
  return (
    <WrittenScreen
      moves={moves
        .map((move) => ({ id: move.id, name: moveText(move, 'en').name, dose: move.dose }))
        .sort((a, b) => a.name.localeCompare(b.name))}
      read={readWrittenAction}
      make={makeWrittenAction}
    />
  );
}

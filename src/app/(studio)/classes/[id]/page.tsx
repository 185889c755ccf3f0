import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { z } from 'zod';
import { getClass } from '@/server/classes/classes';
import { db } from '@/server/db';
import { allMoves } from '@/server/moves/moves';
import { ComposeScreen } from '@/ui/compose/compose-screen';
import { requireTeacher } from '../../../auth';
import { orNotFound } from '../../../or-not-found';
import { leadClassAction } from '../../sessions/actions';

export const metadata: Metadata = { title: 'Compose' };

export default async function ComposePage({ params }: { params: Promise<{ id: string }> }) {
  const teacher = await requireTeacher();
  const { id } = await params;
  if (!z.uuid().safeParse(id).success) notFound();
  const stored = await orNotFound(getClass(db(), teacher, id));
  return (
    <ComposeScreen
      key={id}
      classId={id}
      initial={stored.plan}
      version={stored.version}
      library={await allMoves(db(), teacher)}
      lead={leadClassAction.bind(null, id)}
    />
  );
}

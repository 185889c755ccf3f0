import type { Metadata } from 'next';
import { notFound, redirect } from 'next/navigation';
import { z } from 'zod';
import { db } from '@/server/db';
import { allMoves } from '@/server/moves/moves';
import { roll } from '@/server/sessions/register';
import { getSession } from '@/server/sessions/sessions';
import { LeadScreen } from '@/ui/lead/lead-screen';
import { requireTeacher } from '../../auth';
import { orNotFound } from '../../or-not-found';

export const metadata: Metadata = { title: 'Lead' };

export default async function LeadPage({ params }: { params: Promise<{ id: string }> }) {
  const teacher = await requireTeacher();
  const { id } = await params;
  if (!z.uuid().safeParse(id).success) notFound();
  const session = await orNotFound(getSession(db(), teacher, id));
  if (session.status === 'cancelled') redirect('/');
  return (
    <LeadScreen
      key={id}
      session={{
        id,
        className: session.className,
        startsAt: session.startsAt,
        status: session.status,
        timeZone: teacher.timeZone,
      }}
      roll={await roll(db(), teacher, id)}
      moves={await allMoves(db(), teacher)}
    />
  );
}

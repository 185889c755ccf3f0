import type { Metadata } from 'next';
import { notFound, redirect } from 'next/navigation';
import { z } from 'zod';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { movesForClass } from '@/server/moves/moves';
import { musicOf } from '@/server/music/music';
import { openLog, parkedLastTime } from '@/server/runs';
import { roll } from '@/server/sessions/register';
import { getSession } from '@/server/sessions/sessions';
import { saidWords } from '@/server/speech/said-words';
import { speechChoice } from '@/server/speech/teacher-speech';
import { LeadScreen } from '@/ui/lead/lead-screen';
import { requireLeader } from '../../auth';
import { orNotFound } from '../../or-not-found';

export const metadata: Metadata = { title: 'Lead' };

export default async function LeadPage({ params }: { params: Promise<{ id: string }> }) {
  const teacher = await requireLeader();
  const { id } = await params;
  if (!z.uuid().safeParse(id).success) notFound();
  const session = await orNotFound(getSession(db(), teacher, id));
  if (session.status === 'cancelled') redirect('/');
  const log = await openLog(db(), teacher, id, now());
  return (
    <LeadScreen
      key={id}
      session={{
        id,
        classId: session.classId,
        className: session.className,
        startsAt: session.startsAt,
        status: session.status,
        timeZone: teacher.timeZone,
      }}
      roll={await roll(db(), teacher, id)}
      log={{ id: log.id, events: log.events, leader: log.leader, now: now() }}
      moves={await movesForClass(db(), teacher, session.classId)}
      speech={await speechChoice(db(), teacher)}
      words={await saidWords(db(), teacher)}
      pieces={await musicOf(db(), teacher)}
      parkedBefore={(await parkedLastTime(db(), teacher, session)).map((q) => q.note)}
    />
  );
}

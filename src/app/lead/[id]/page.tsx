import type { Metadata } from 'next';
import { notFound, redirect } from 'next/navigation';
import { z } from 'zod';
import type { Teacher } from '@/server/auth/sign-ins';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { movesForClass } from '@/server/moves/moves';
import { musicOf } from '@/server/music/music';
import { openLog, parkedLastTime } from '@/server/runs';
import { roll } from '@/server/sessions/register';
import { getSession, type Session } from '@/server/sessions/sessions';
import { saidWords } from '@/server/speech/said-words';
import { speechChoice } from '@/server/speech/teacher-speech';
import { LeadScreen } from '@/ui/lead/lead-screen';
import { requireLeader } from '../../auth';
import { orNotFound } from '../../or-not-found';

export const metadata: Metadata = { title: 'Lead' };

/** What a session is led with, in this order: the roll holds what the log does, or more. */
async function ledWith(teacher: Teacher, session: Session) {
  const log = await openLog(db(), teacher, session.id, now());
  const entries = await roll(db(), teacher, session.id);
  const moves = await movesForClass(db(), teacher, session.classId);
  const parked = await parkedLastTime(db(), teacher, session);
  return { log, entries, moves, parked };
}

export default async function LeadPage({ params }: { params: Promise<{ id: string }> }) {
  const teacher = await requireLeader();
  const { id } = await params;
  if (!z.uuid().safeParse(id).success) notFound();
  const session = await orNotFound(getSession(db(), teacher, id));
  if (session.status === 'cancelled') redirect('/');
  // It may be removed at this very moment.
  const { log, entries, moves, parked } = await orNotFound(ledWith(teacher, session));
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
      roll={entries}
      log={{ ...log, now: now() }}
      moves={moves}
      speech={await speechChoice(db(), teacher)}
      words={await saidWords(db(), teacher)}
      pieces={await musicOf(db(), teacher)}
      parkedBefore={parked.map((q) => q.note)}
    />
  );
}

import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { z } from 'zod';
import { kitOf, resolve } from '@/core/class';
import { isRoomEvent } from '@/core/run';
import type { Teacher } from '@/server/auth/sign-ins';
import { getClass } from '@/server/classes/classes';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { doorTold } from '@/server/follow/told';
import { movesForClass, studioBook } from '@/server/moves/moves';
import { openLog, runOfSession } from '@/server/runs';
import { getSession, type Session } from '@/server/sessions/sessions';
import { ShowScreen } from '@/ui/lead/show-screen';
import { requireLeader } from '../../../auth';
import { orNotFound } from '../../../or-not-found';

export const metadata: Metadata = { title: 'Second screen' };

async function shownWith(teacher: Teacher, { id, classId }: Session) {
  const run = await runOfSession(db(), teacher, id);
  const { plan } = await getClass(db(), teacher, classId);
  const log = await openLog(db(), teacher, id, now());
  const { door } = await doorTold(db(), teacher, id, now());
  return { run, plan, log, door, moves: await movesForClass(db(), teacher, classId) };
}

export default async function ShowPage({ params }: { params: Promise<{ id: string }> }) {
  const teacher = await requireLeader();
  const { id } = await params;
  if (!z.uuid().safeParse(id).success) notFound();
  const session = await orNotFound(getSession(db(), teacher, id));
  // It may be removed at this very moment.
  const { run, plan, log, door, moves } = await orNotFound(shownWith(teacher, session));
  // What the room sees must hold nothing of the people in it.
  const events = log.events.filter((e) => !isRoomEvent(e));
  return (
    <ShowScreen
      className={session.className}
      language={plan.language}
      kit={kitOf(resolve(plan, await studioBook(db(), teacher)))}
      timeZone={teacher.timeZone}
      sessionId={id}
      door={door}
      runId={log.id}
      events={events}
      now={now()}
      made={log.made}
      scores={run ? { score: run.score, easier: run.easier, made: run.made } : null}
      moves={moves}
    />
  );
}

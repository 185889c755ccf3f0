import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { z } from 'zod';
import { localOf } from '@/core/calendar';
import { dateLabel, dayLabel, timeOfDay } from '@/core/formats';
import { allClasses } from '@/server/classes/classes';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { asChoices, namedAs } from '@/server/people/apart';
import { namesOfPeople } from '@/server/people/people';
import { sessionsLeft } from '@/server/runs';
import { peopleOfSession } from '@/server/sessions/bookings';
import { getSession } from '@/server/sessions/sessions';
import { teachersOf } from '@/server/studio/teachers';
import { Page } from '@/ui/kit/page';
import { LeftStanding } from '@/ui/sessions/left-standing';
import { SessionScreen } from '@/ui/sessions/session-screen';
import { requireTeacher } from '../../../auth';
import { orNotFound } from '../../../or-not-found';
import { callOffAction, changeSessionAction, comingAction, restoreAction } from '../actions';
import { LEFT_ACTIONS, leftShown } from '../left';

export const metadata: Metadata = { title: 'Session' };

/** One session; where it was left standing, what is to become of it is asked first. */
export default async function SessionPage({ params }: { params: Promise<{ id: string }> }) {
  const teacher = await requireTeacher();
  const { id } = await params;
  if (!z.uuid().safeParse(id).success) notFound();
  const session = await orNotFound(getSession(db(), teacher, id));
  const [all, classes, teachers, people, everybody] = await Promise.all([
    sessionsLeft(db(), teacher, { now: now(), classId: session.classId }),
    allClasses(db(), teacher),
    teachersOf(db(), teacher),
    peopleOfSession(db(), teacher, id),
    namesOfPeople(db(), teacher),
  ]);
  const left = all.find((s) => s.sessionId === id);
  if (left) {
    return (
      <Page title="A class left standing">
        <LeftStanding left={leftShown(left, teacher.timeZone)} actions={LEFT_ACTIONS} />
      </Page>
    );
  }
  const zone = teacher.timeZone;
  const at = localOf(session.startsAt, zone);
  const coming = new Set(people.coming.map((p) => p.participantId));
  const named = namedAs(everybody);
  const { occurrence } = session;
  const moved = occurrence !== null && occurrence !== at;
  return (
    <SessionScreen
      id={id}
      title={session.className}
      when={`${dayLabel(session.startsAt, zone)}, ${timeOfDay(session.startsAt, zone)}`}
      at={at}
      status={
        session.status === 'planned' && session.runStartedAt !== null ? 'running' : session.status
      }
      why={session.word ?? session.closed}
      movedFrom={moved ? `${dateLabel(occurrence.slice(0, 10))}, ${occurrence.slice(11)}` : null}
      inSeries={session.seriesId !== null}
      people={{ coming: people.coming.map(named), away: people.away.map(named) }}
      others={asChoices(everybody.filter(({ id: who }) => !coming.has(who)))}
      booked={session.booked}
      roomFor={session.roomFor}
      waiting={session.waiting}
      classId={session.classId}
      teacherId={session.teacherId ?? ''}
      place={session.place ?? ''}
      link={session.link ?? ''}
      classes={classes
        .filter((c) => !c.putAway || c.id === session.classId)
        .map(({ id: classId, name }) => ({ id: classId, name }))}
      teachers={teachers.map((t) => ({ id: t.id, name: t.name }))}
      change={changeSessionAction.bind(null, id)}
      callOff={callOffAction.bind(null, id)}
      restore={restoreAction.bind(null, id)}
      coming={comingAction.bind(null, id)}
    />
  );
}

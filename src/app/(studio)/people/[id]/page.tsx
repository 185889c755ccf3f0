import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { z } from 'zod';
import { MARK_NAMES, takenPartMs } from '@/core/attendance';
import { clock, dateLabel, dayLabel, timeOfDay } from '@/core/formats';
import { hasFeed } from '@/server/calendar/feed';
import { listClasses } from '@/server/classes/classes';
import { db } from '@/server/db';
import { getPerson, type PersonSession } from '@/server/people/people';
import { PersonScreen } from '@/ui/people/person-screen';
import { requireTeacher } from '../../../auth';
import { orNotFound } from '../../../or-not-found';
import { dropFeedAction, makeFeedAction } from '../../calendar/feed-actions';
import { bookAction, keepCautionsAction } from '../actions';

export const metadata: Metadata = { title: 'Person' };

function registerWords(s: PersonSession): string {
  if (s.status === 'cancelled') return 'cancelled';
  if (s.mark) return MARK_NAMES[s.mark];
  if (s.waiting) return s.status === 'planned' ? 'waiting for room' : 'found no room';
  return s.status === 'planned' ? 'still to come' : 'not marked';
}

function tookPart(s: PersonSession): string {
  if (!s.mark || s.runStartedAt === null || s.runFinishedAt === null) return '';
  const ms = takenPartMs(
    { mark: s.mark, arrivedAt: s.arrivedAt, leftAt: s.leftAt },
    s.runStartedAt,
    s.runFinishedAt,
  );
  return ms ? clock(ms) : '';
}

export default async function PersonPage({ params }: { params: Promise<{ id: string }> }) {
  const teacher = await requireTeacher();
  const { id } = await params;
  if (!z.uuid().safeParse(id).success) notFound();
  const [person, classes, has] = await Promise.all([
    orNotFound(getPerson(db(), teacher, id)),
    listClasses(db(), teacher),
    hasFeed(db(), { of: 'participants', id, studioId: teacher.studioId }),
  ]);
  const zone = teacher.timeZone;
  const booked = new Set(person.streaks.map((s) => s.classId));
  return (
    <PersonScreen
      name={person.name}
      contact={person.contact}
      joined={dateLabel(person.joinedOn)}
      streaks={person.streaks.map(({ classId, className, streak }) => ({
        classId,
        className,
        current: streak.current,
        longest: streak.longest,
        days: streak.days.map((d) => ({
          sessionId: d.sessionId,
          day: dayLabel(d.startsAt, zone),
          verdict: d.verdict,
        })),
      }))}
      sessions={person.sessions.map((s) => ({
        id: s.sessionId,
        day: dayLabel(s.startsAt, zone),
        time: timeOfDay(s.startsAt, zone),
        className: s.className,
        register: registerWords(s),
        took: tookPart(s),
      }))}
      bookable={classes
        .filter((c) => !booked.has(c.id))
        .map((c) => ({ id: c.id, name: c.plan.name }))}
      book={bookAction.bind(null, id)}
      feed={{ has, make: makeFeedAction.bind(null, id), drop: dropFeedAction.bind(null, id) }}
      carried={{
        cautions: person.cautions,
        consent: person.consentOn && dateLabel(person.consentOn),
        keep: keepCautionsAction.bind(null, id),
      }}
    />
  );
}

import type { Metadata } from 'next';
import { clock, dayLabel, dayStart, timeOfDay } from '@/core/formats';
import { listClasses } from '@/server/classes/classes';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { studioBook } from '@/server/moves/moves';
import { type Session, sessionsBetween } from '@/server/sessions/sessions';
import { talkOfTeacher } from '@/server/speech/teacher-speech';
import { TodayScreen, type TodaySession } from '@/ui/today/today-screen';
import { requireTeacher } from '../auth';
import { estimatedScore, fillOf } from '../balance-fill';
import { cancelSessionAction } from './sessions/actions';

export const metadata: Metadata = { title: 'Today' };

const DAY_MS = 86_400_000;

export default async function TodayPage() {
  const teacher = await requireTeacher();
  const start = dayStart(now(), teacher.timeZone);
  const end = dayStart(start + 1.5 * DAY_MS, teacher.timeZone);
  const [today, before, classes, book, talk] = await Promise.all([
    sessionsBetween(db(), teacher, start, end),
    sessionsBetween(db(), teacher, start - 10 * DAY_MS, start),
    listClasses(db(), teacher),
    studioBook(db(), teacher),
    talkOfTeacher(db(), teacher),
  ]);
  const scores = new Map(classes.map((c) => [c.id, estimatedScore(c.plan, book, talk.factor)]));
  const shown = (session: Session): TodaySession => {
    const score = scores.get(session.classId);
    const running = session.status === 'planned' && session.runStartedAt !== null;
    return {
      id: session.id,
      className: session.className,
      time: timeOfDay(session.startsAt, teacher.timeZone),
      day: dayLabel(session.startsAt, teacher.timeZone),
      status: running ? 'running' : session.status,
      length: score ? `${clock(score.totalMs)} of ${clock(session.slotMs)}` : '',
      booked: session.booked,
      came: session.came,
      fill: score ? fillOf(score, book) : {},
    };
  };
  return (
    <TodayScreen
      today={today.map(shown)}
      before={before.map(shown).reverse()}
      cancel={cancelSessionAction}
    />
  );
}

import type { Metadata } from 'next';
import { clock, dayLabel, dayOf, timeOfDay } from '@/core/formats';
import { listClasses } from '@/server/classes/classes';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { studioBook } from '@/server/moves/moves';
import { sessionsLeft } from '@/server/runs';
import { type Session, sessionsBetween } from '@/server/sessions/sessions';
import { speakerOf, talkOfTeacher } from '@/server/speech/teacher-speech';
import { TodayScreen, type TodaySession } from '@/ui/today/today-screen';
import { requireTeacher } from '../auth';
import { outlinesOf } from '../class-outline';
import { shownOf } from './calendar/shown';
import { cancelSessionAction } from './sessions/actions';
import { LEFT_ACTIONS, leftShown } from './sessions/left';

export const metadata: Metadata = { title: 'Today' };

const DAY_MS = 86_400_000;
const AHEAD_DAYS = 7;

export default async function TodayPage() {
  const teacher = await requireTeacher();
  const { start, end } = dayOf(now(), teacher.timeZone);
  const [today, before, ahead, standing, classes, book, talk, speaker] = await Promise.all([
    sessionsBetween(db(), teacher, start, end),
    sessionsBetween(db(), teacher, start - 10 * DAY_MS, start),
    sessionsBetween(db(), teacher, end, end + AHEAD_DAYS * DAY_MS),
    sessionsLeft(db(), teacher, { now: now() }),
    listClasses(db(), teacher),
    studioBook(db(), teacher),
    talkOfTeacher(db(), teacher),
    speakerOf(db(), teacher),
  ]);
  const meeting = new Set([...today, ...before].map((s) => s.classId));
  const met = classes.filter((c) => meeting.has(c.id));
  const outlines = await outlinesOf(teacher, met, { book, speaker, factor: talk.factor });
  const left = new Set(standing.map((s) => s.sessionId));
  const shown = (session: Session): TodaySession => {
    const of = outlines.get(session.classId);
    const running = session.status === 'planned' && session.runStartedAt !== null;
    return {
      id: session.id,
      className: session.className,
      time: timeOfDay(session.startsAt, teacher.timeZone),
      day: dayLabel(session.startsAt, teacher.timeZone),
      status: left.has(session.id) ? 'left' : running ? 'running' : session.status,
      length: of ? `${of.length} of ${clock(session.slotMs)}` : '',
      booked: session.booked,
      came: session.came,
      fill: of?.fill ?? {},
    };
  };
  const isUnled = (s: Session) => s.status === 'planned' && s.runStartedAt === null;
  return (
    <TodayScreen
      today={today.map(shown)}
      before={before
        .filter((s) => !isUnled(s))
        .map(shown)
        .reverse()}
      ahead={await shownOf(teacher, ahead)}
      unled={before.filter(isUnled).map(shown)}
      left={standing.map((s) => leftShown(s, teacher.timeZone))}
      leftActions={LEFT_ACTIONS}
      cancel={cancelSessionAction}
    />
  );
}

import type { Metadata } from 'next';
import { addDays, closureOn, localOf } from '@/core/calendar';
import { dayLabel, dayOf, timeOfDay } from '@/core/formats';
import type { Teacher } from '@/server/auth/sign-ins';
import { hasClasses } from '@/server/classes/classes';
import { now } from '@/server/clock';
import { closuresOf } from '@/server/closed/closed';
import { db } from '@/server/db';
import { sessionsLeft } from '@/server/runs';
import { type Session, sessionsBetween } from '@/server/sessions/sessions';
import { prepareFor } from '@/server/today/today';
import { bookedWords } from '@/ui/sessions/booked-words';
import type { NextSession } from '@/ui/today/next-session';
import { TodayScreen, type TodaySession } from '@/ui/today/today-screen';
import { requireTeacher } from '../auth';
import { beforeLines, stretchesOf } from './before';
import { shownOf } from './calendar/shown';
import { LEFT_ACTIONS, leftShown } from './sessions/left';
import { settleAction } from './today-actions';

export const metadata: Metadata = { title: 'Today' };

const DAY_MS = 86_400_000;
const AHEAD_DAYS = 7;
/** How far back sessions are looked for that are still to be settled, and how many that were led are shown. */
const BACK_DAYS = 10;
const MOST_BEFORE = 5;

export default async function TodayPage() {
  const teacher = await requireTeacher();
  const at = now();
  const zone = teacher.timeZone;
  const { start, end } = dayOf(at, zone);
  const [today, before, ahead, standing, closures, classes] = await Promise.all([
    sessionsBetween(db(), teacher, start, end),
    sessionsBetween(db(), teacher, start - BACK_DAYS * DAY_MS, start),
    sessionsBetween(db(), teacher, end, end + AHEAD_DAYS * DAY_MS),
    sessionsLeft(db(), teacher, { now: at }),
    closuresOf(db(), teacher),
    hasClasses(db(), teacher),
  ]);
  const left = new Set(standing.map((s) => s.sessionId));
  const line = (session: Session): TodaySession => {
    const running = session.status === 'planned' && session.runStartedAt !== null;
    return {
      id: session.id,
      className: session.className,
      time: timeOfDay(session.startsAt, zone),
      day: dayLabel(session.startsAt, zone),
      status: left.has(session.id) ? 'left' : running ? 'running' : session.status,
      booked: bookedWords(session),
      came: session.came,
    };
  };
  const next = nextOf([...today, ...ahead], { now: at, left });
  const isUnled = (s: Session) => s.status === 'planned' && s.runStartedAt === null;
  const shown = await shownOf(teacher, ahead);
  const date = localOf(at, zone).slice(0, 10);
  const days = Array.from({ length: AHEAD_DAYS }, (_, i) => addDays(date, i + 1)).map((day) => ({
    date: day,
    closed: closureOn(closures, day)?.name ?? null,
    sessions: shown
      .filter((s) => s.at.startsWith(day))
      .map((s) => ({ ...s, leader: s.leader === teacher.name ? null : s.leader })),
  }));
  return (
    <TodayScreen
      now={at}
      time={timeOfDay(at, zone)}
      closed={closureOn(closures, date)?.name ?? null}
      next={next && (await nextShown(teacher, next, { now: at, today: next.startsAt < end }))}
      isNew={!classes}
      settle={settleAction.bind(null, next?.id ?? '')}
      rest={today.filter((s) => s.id !== next?.id).map(line)}
      days={days}
      before={before
        .filter((s) => !isUnled(s))
        .map(line)
        .reverse()
        .slice(0, MOST_BEFORE)}
      unled={before.filter(isUnled).map(line)}
      left={standing.map((s) => leftShown(s, zone))}
      leftActions={LEFT_ACTIONS}
    />
  );
}

/** What is led now, else the next session that is planned and whose slot is not over. */
function nextOf(
  sessions: readonly Session[],
  { now: at, left }: { now: number; left: ReadonlySet<string> },
): Session | null {
  const open = sessions.filter((s) => s.status === 'planned' && !left.has(s.id));
  return (
    open.find((s) => s.runStartedAt !== null) ??
    open.find((s) => s.startsAt + s.slotMs > at) ??
    null
  );
}

async function nextShown(
  teacher: Teacher,
  session: Session,
  { now: at, today }: { now: number; today: boolean },
): Promise<NextSession> {
  const prepared = await prepareFor(db(), teacher, { session, now: at });
  const { kit } = prepared;
  return {
    id: session.id,
    classId: session.classId,
    className: session.className,
    startsAt: session.startsAt,
    time: timeOfDay(session.startsAt, teacher.timeZone),
    day: today ? null : dayLabel(session.startsAt, teacher.timeZone).slice(0, -5),
    running: session.runStartedAt !== null,
    place: session.place,
    leader: session.teacherId === teacher.id ? null : session.teacherName,
    kit,
    link: session.link,
    booked: bookedWords(session),
    slotMs: session.slotMs,
    stretches: stretchesOf(prepared),
    who: prepared.who,
    others: prepared.others,
    before: beforeLines(session.classId, prepared),
  };
}

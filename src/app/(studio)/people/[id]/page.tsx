import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { z } from 'zod';
import { MARK_NAMES } from '@/core/attendance';
import { clock, dateLabel, dateOn, dayLabel, timeOfDay } from '@/core/formats';
import { LANGUAGE_NAMES } from '@/core/language';
import { moveText } from '@/core/move';
import { alike } from '@/core/people';
import { hasFeed } from '@/server/calendar/feed';
import { listClasses } from '@/server/classes/classes';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { allMoves } from '@/server/moves/moves';
import { asChoices } from '@/server/people/apart';
import { checkInsOf } from '@/server/people/check-ins';
import { homeClassesOf } from '@/server/people/home';
import { lastJoin } from '@/server/people/join';
import { namesOfPeople } from '@/server/people/people';
import { getPerson, type PersonSession } from '@/server/people/person';
import { progressOf } from '@/server/people/programmes';
import { programmeTold, streakTold } from '@/server/register/told';
import { PersonScreen } from '@/ui/people/person-screen';
import { requireTeacher } from '../../../auth';
import { orNotFound } from '../../../or-not-found';
import { dropFeedAction, makeFeedAction } from '../../calendar/feed-actions';
import { keepCautionsAction } from '../actions';
import {
  bookAction,
  bookingAction,
  changePersonAction,
  checkInAction,
  checkInConsentAction,
  dropHomeAction,
  eraseAction,
  homeClassAction,
  joinAction,
  leaveAction,
  makeHomeAction,
  noteAction,
  pauseAction,
  practiceAction,
} from './actions';

export const metadata: Metadata = { title: 'Person' };

function registerWords(s: PersonSession): string {
  if (s.status === 'cancelled') return 'cancelled';
  if (s.mark) return MARK_NAMES[s.mark];
  if (s.waiting) return s.status === 'planned' ? 'waiting for room' : 'found no room';
  return s.status === 'planned' ? 'still to come' : 'not marked';
}

/** Most people whose name is so like this one's that they may be the same. */
const MOST_ALIKE = 3;

export default async function PersonPage({ params }: { params: Promise<{ id: string }> }) {
  const teacher = await requireTeacher();
  const { id } = await params;
  if (!z.uuid().safeParse(id).success) notFound();
  const [zone, at] = [teacher.timeZone, now()];
  const [person, classes, has, everybody, moves, join, programmes, homeClasses, checkIns] =
    await orNotFound(
      // Whichever of them looks first for somebody who is not there.
      Promise.all([
        getPerson(db(), teacher, { id, zone, now: at }),
        listClasses(db(), teacher),
        hasFeed(db(), { of: 'participants', id, studioId: teacher.studioId }),
        namesOfPeople(db(), teacher),
        allMoves(db(), teacher),
        lastJoin(db(), teacher, { keptId: id, now: at }),
        progressOf(db(), teacher, { of: { participantId: id }, zone, now: at }),
        homeClassesOf(db(), teacher, id),
        checkInsOf(db(), teacher, { participantId: id, zone, now: at }),
      ]),
    );
  const names = new Map(moves.map((m) => [m.id, moveText(m, 'en').name]));
  const nameOfMove = (moveId: string) => names.get(moveId) ?? moveId;
  const running = person.bookings.filter((b) => b.until === null);
  const booked = new Set(running.map((b) => b.classId));
  const others = everybody.filter((p) => p.id !== id);
  const like = alike(others, person.name, MOST_ALIKE);
  const act = <A extends unknown[], R>(action: (id: string, ...rest: A) => R) =>
    action.bind(null, id) as (...rest: A) => R;
  return (
    <PersonScreen
      id={id}
      name={person.name}
      contact={person.contact}
      language={person.language}
      languages={LANGUAGE_NAMES}
      greet={person.greet}
      joined={dateLabel(person.joinedOn)}
      left={person.leftOn && dateLabel(person.leftOn)}
      today={dateOn(at, zone)}
      streaks={person.streaks.map((s) => streakTold(s, { zone, now: at }))}
      programmes={programmes.map((p) => programmeTold(p, { zone, now: at }))}
      homeClasses={homeClasses.map(({ classId, name, totalMs }) => ({
        classId,
        name,
        length: clock(totalMs),
      }))}
      checkIns={{
        consent: checkIns.consentOn && dateLabel(checkIns.consentOn),
        due: checkIns.due,
        given: checkIns.given,
        agree: act(checkInConsentAction),
        keep: act(checkInAction),
      }}
      bookings={running.map((b) => ({
        classId: b.classId,
        className: b.className,
        since: dayLabel(b.since, zone),
      }))}
      ended={person.bookings
        .filter((b) => b.until !== null)
        .map((b) => `${b.className}, until ${dayLabel(b.until ?? 0, zone)}`)}
      pauses={person.pauses.map((p) => ({
        id: p.id,
        says: `${dateLabel(p.from)} to ${dateLabel(p.to)}`,
      }))}
      bookable={classes
        .filter((c) => !booked.has(c.id) && !c.atHome)
        .map(({ id, name }) => ({ id, name }))}
      notes={person.notes.map((n) => ({
        id: n.id,
        move: nameOfMove(n.moveId),
        note: n.note,
        day: dayLabel(n.notedAt, zone),
        settled: n.settledAt !== null,
      }))}
      met={person.met.map(nameOfMove).sort((a, b) => a.localeCompare(b))}
      practice={person.practice.map((p) => ({
        id: p.id,
        says: `${dayLabel(p.at, zone)}${p.seconds ? `, ${Math.round(p.seconds / 60)} min` : ''}${p.byTeacher ? '' : ', from their own page'}`,
      }))}
      daysOff={person.daysOff.slice(-6).map((day) => ({ id: day, says: dateLabel(day) }))}
      sessions={person.sessions.map((s) => ({
        id: s.sessionId,
        past: s.startsAt <= at,
        day: dayLabel(s.startsAt, zone),
        time: timeOfDay(s.startsAt, zone),
        className: s.className,
        register: registerWords(s),
        took: s.tookMs ? clock(s.tookMs) : '',
      }))}
      others={asChoices(others)}
      alike={like}
      join={join && { id: join.id, name: join.name }}
      feed={{ has, make: makeFeedAction.bind(null, id), drop: dropFeedAction.bind(null, id) }}
      home={{ has: person.hasHome, make: act(makeHomeAction), drop: act(dropHomeAction) }}
      carried={{
        cautions: person.cautions,
        consent: person.consentOn && dateLabel(person.consentOn),
        keep: act(keepCautionsAction),
      }}
      acts={{
        change: act(changePersonAction),
        book: act(bookAction),
        booking: act(bookingAction),
        pause: act(pauseAction),
        note: act(noteAction),
        practice: act(practiceAction),
        home: act(homeClassAction),
        join: act(joinAction),
        leave: act(leaveAction),
        erase: act(eraseAction),
      }}
    />
  );
}

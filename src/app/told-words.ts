import type { Teacher } from '@/server/auth/sign-ins';
import type { Changed } from '@/server/calendar/change';
import {
  tellAway,
  tellCalledOff,
  tellChanged,
  tellMovedDown,
  tellMovedUp,
  tellOnAgain,
} from '@/server/calendar/tell';
import { tellTeachers } from '@/server/calendar/tell-teachers';
import { type Telling, telling } from '@/server/calendar/telling';
import { now } from '@/server/clock';
import { type Db, db } from '@/server/db';
import { type OnSession, type PlacesMoved, waitingOf } from '@/server/sessions/bookings';
import { sessionsOfIds } from '@/server/sessions/sessions';

/** Whom a change of sessions concerns is written to, and it is said on screen who that is. */

/** Makes a change and keeps what tells of it, as `telling` does, at this instant. */
export const withTold = <T>(
  teacher: Teacher,
  work: (told: Telling) => Promise<T>,
): Promise<{ done: T; told: string }> => telling(db(), teacher, { now: now() }, work);

const peopleIn = (to: readonly OnSession[]) => new Set(to.map((one) => one.participantId)).size;

/** Those who moved up. */
export async function tellUp(told: Telling, to: readonly OnSession[]): Promise<void> {
  if (to.length === 0) return;
  const people = peopleIn(to);
  told.say(`${people === 1 ? '1 person moves' : `${people} people move`} up.`);
  await tellMovedUp(told, to);
}

/** Those who had room in a session and wait now. */
async function tellDown(told: Telling, to: readonly OnSession[]): Promise<void> {
  if (to.length === 0) return;
  const people = peopleIn(to);
  told.say(`${people === 1 ? '1 person has' : `${people} people have`} no room any more.`);
  await tellMovedDown(told, to);
}

/** Those whose place in a session is another one. */
export async function tellPlaces(told: Telling, { up, down }: PlacesMoved): Promise<void> {
  await tellUp(told, up);
  await tellDown(told, down);
}

/** All whom a change of sessions concerns. */
export async function tellAll(told: Telling, of: Changed): Promise<void> {
  const { was, is, concerned, away } = of;
  if (concerned.length > 0) await tellChanged(told, { was, is, to: concerned });
  await tellPlaces(told, { up: of.movedUp, down: of.movedDown });
  if (away.length > 0) {
    const people = peopleIn(away);
    told.say(`${people === 1 ? '1 person' : `${people} people`} said no to the time before.`);
    await tellAway(told, { was, is, to: away });
  }
  await tellTeachers(told, of.all);
}

/** Whoever is booked on sessions to come that were cancelled, or that take place after all, and who leads them. */
export async function tellCancelled(
  told: Telling,
  { ids, again, word = null }: { ids: readonly string[]; again: boolean; word?: string | null },
): Promise<void> {
  const all = await sessionsOfIds(told.db, told.teacher, ids);
  const is = all.filter((s) => s.startsAt > told.now);
  if (is.length === 0) return;
  if (again) await tellOnAgain(told, is);
  else await tellCalledOff(told, { sessions: is, word });
  await tellTeachers(told, {
    was: is.map((s) => ({ ...s, status: again ? 'cancelled' : 'planned' })),
    is,
  });
}

/** Whoever is to lead sessions that were put on the calendar. */
export const tellPlanned = async (told: Telling, ids: readonly string[]): Promise<void> =>
  tellTeachers(told, { was: [], is: await sessionsOfIds(told.db, told.teacher, ids) });

/** Says after a space how many sessions people who were booked wait for, where others have the room. */
export async function waitsWords(
  db: Db,
  teacher: Teacher,
  of: { participantIds: readonly string[]; now: number },
): Promise<string> {
  const waiting = await waitingOf(db, teacher, of);
  if (waiting.length === 0) return '';
  const sessions = new Set(waiting.map((one) => one.sessionId)).size;
  const where = sessions === 1 ? '1 session' : `${sessions} sessions`;
  const people = peopleIn(waiting);
  const some = people === 1 ? '1 of them waits' : `${people} of them wait`;
  const who = of.participantIds.length === 1 ? 'they wait' : some;
  return ` In ${where} others have the room, and ${who} for it.`;
}

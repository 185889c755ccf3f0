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
import { changeAndTell, type Telling } from '@/server/calendar/telling';
import { now } from '@/server/clock';
import { type Db, db } from '@/server/db';
import { type OnSession, type PlacesMoved, waitingOf } from '@/server/sessions/bookings';
import { sessionsOfIds } from '@/server/sessions/sessions';

/** Whom a change of sessions concerns is written to, and it is said on screen who that is. */

/** Makes a change and keeps what tells of it, as `changeAndTell` does, at this instant. */
export const withTold = <T>(
  teacher: Teacher,
  work: (telling: Telling) => Promise<T>,
): Promise<{ done: T; told: string }> => changeAndTell(db(), teacher, { now: now() }, work);

const peopleIn = (to: readonly OnSession[]) => new Set(to.map((one) => one.participantId)).size;

/** Tells those who moved up. */
export async function tellUp(telling: Telling, to: readonly OnSession[]): Promise<void> {
  if (to.length === 0) return;
  const people = peopleIn(to);
  telling.say(`${people === 1 ? '1 person moves' : `${people} people move`} up.`);
  await tellMovedUp(telling, to);
}

/** Tells those who had room in a session and wait now. */
async function tellDown(telling: Telling, to: readonly OnSession[]): Promise<void> {
  if (to.length === 0) return;
  const people = peopleIn(to);
  telling.say(`${people === 1 ? '1 person has' : `${people} people have`} no room any more.`);
  await tellMovedDown(telling, to);
}

/** Tells those whose place in a session is another one. */
export async function tellPlaces(telling: Telling, { up, down }: PlacesMoved): Promise<void> {
  await tellUp(telling, up);
  await tellDown(telling, down);
}

/** Tells all whom a change of sessions concerns. */
export async function tellAll(telling: Telling, of: Changed): Promise<void> {
  const { was, is, concerned, away } = of;
  if (concerned.length > 0) await tellChanged(telling, { was, is, to: concerned });
  await tellPlaces(telling, { up: of.movedUp, down: of.movedDown });
  if (away.length > 0) {
    const people = peopleIn(away);
    telling.say(`${people === 1 ? '1 person' : `${people} people`} said no to the time before.`);
    await tellAway(telling, { was, is, to: away });
  }
  await tellTeachers(telling, of.all);
}

/** Tells whoever is booked on sessions to come that were cancelled, or that take place after all, and who leads them. */
export async function tellCancelled(
  telling: Telling,
  { ids, again, word = null }: { ids: readonly string[]; again: boolean; word?: string | null },
): Promise<void> {
  const all = await sessionsOfIds(telling.db, telling.teacher, ids);
  const is = all.filter((s) => s.startsAt > telling.now);
  if (is.length === 0) return;
  if (again) await tellOnAgain(telling, is);
  else await tellCalledOff(telling, { sessions: is, word });
  await tellTeachers(telling, {
    was: is.map((s) => ({ ...s, status: again ? 'cancelled' : 'planned' })),
    is,
  });
}

/** Tells whoever is to lead sessions that were put on the calendar. */
export const tellPlanned = async (telling: Telling, ids: readonly string[]): Promise<void> =>
  tellTeachers(telling, { was: [], is: await sessionsOfIds(telling.db, telling.teacher, ids) });

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

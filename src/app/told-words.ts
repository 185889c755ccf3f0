import type { Teacher } from '@/server/auth/sign-ins';
import type { Changed } from '@/server/calendar/change';
import {
  tellAway,
  tellCalledOff,
  tellChanged,
  tellMovedDown,
  tellMovedUp,
  tellOnAgain,
  toldWords,
} from '@/server/calendar/tell';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { type OnSession, type PlacesMoved, waitingOf } from '@/server/sessions/bookings';
import { sessionsOfIds } from '@/server/sessions/sessions';

/** Writes to people what became of sessions, and gives what to say of that, after a space; nothing where it concerns nobody. */

const peopleIn = (to: readonly OnSession[]) => new Set(to.map((one) => one.participantId)).size;

/** Writes to those who moved up. */
export async function movedUpWords(teacher: Teacher, to: readonly OnSession[]): Promise<string> {
  if (to.length === 0) return '';
  const told = await tellMovedUp(db(), teacher, { to, now: now() });
  const people = peopleIn(to);
  return ` ${people === 1 ? '1 person moves' : `${people} people move`} up. ${toldWords(told)}`;
}

/** Writes to those who had room in a session and wait now. */
async function movedDownWords(teacher: Teacher, to: readonly OnSession[]): Promise<string> {
  if (to.length === 0) return '';
  const told = await tellMovedDown(db(), teacher, { to, now: now() });
  const people = peopleIn(to);
  return ` ${people === 1 ? '1 person has' : `${people} people have`} no room any more. ${toldWords(told)}`;
}

/** Writes to those whose place in a session is another one. */
export const placesWords = async (teacher: Teacher, { up, down }: PlacesMoved): Promise<string> =>
  `${await movedUpWords(teacher, up)}${await movedDownWords(teacher, down)}`;

/** Writes to those who said no to what is at another time now. */
async function awayWords(teacher: Teacher, { was, is, away: to }: Changed): Promise<string> {
  if (to.length === 0) return '';
  const told = await tellAway(db(), teacher, { was, is, to, now: now() });
  const people = peopleIn(to);
  return ` ${people === 1 ? '1 person' : `${people} people`} said no to the time before. ${toldWords(told)}`;
}

/** Says how many sessions people who were booked wait for, where others have the room. */
export async function waitsWords(
  teacher: Teacher,
  participantIds: readonly string[],
): Promise<string> {
  const waiting = await waitingOf(db(), teacher, { participantIds, now: now() });
  if (waiting.length === 0) return '';
  const sessions = new Set(waiting.map((one) => one.sessionId)).size;
  const where = sessions === 1 ? '1 session' : `${sessions} sessions`;
  const people = peopleIn(waiting);
  const some = people === 1 ? '1 of them waits' : `${people} of them wait`;
  const who = participantIds.length === 1 ? 'they wait' : some;
  return ` In ${where} others have the room, and ${who} for it.`;
}

/** Writes to all whom a change of sessions concerns. */
export async function changedWords(teacher: Teacher, of: Changed): Promise<string> {
  const { was, is, concerned: to } = of;
  const told = to.length > 0 && (await tellChanged(db(), teacher, { was, is, to, now: now() }));
  const away = await awayWords(teacher, of);
  const places = await placesWords(teacher, { up: of.movedUp, down: of.movedDown });
  return `${told ? ` ${toldWords(told)}` : ''}${places}${away}`;
}

/** Writes to those who are booked on sessions to come that were cancelled, or that take place after all. */
export async function cancelledWords(
  teacher: Teacher,
  { ids, again }: { ids: readonly string[]; again: boolean },
): Promise<string> {
  const at = now();
  const all = await sessionsOfIds(db(), teacher, ids);
  const sessions = all.filter((s) => s.startsAt > at);
  if (sessions.length === 0) return '';
  const told = again
    ? await tellOnAgain(db(), teacher, { sessions, now: at })
    : await tellCalledOff(db(), teacher, { sessions, word: null, now: at });
  return ` ${toldWords(told)}`;
}

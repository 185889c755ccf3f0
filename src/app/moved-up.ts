import type { Teacher } from '@/server/auth/sign-ins';
import { tellMovedUp, toldWords } from '@/server/calendar/tell';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import type { MovedUp } from '@/server/sessions/bookings';

/** Writes to those who moved up, and says so. */
export async function movedUpWords(teacher: Teacher, to: readonly MovedUp[]): Promise<string> {
  if (to.length === 0) return '';
  const told = await tellMovedUp(db(), teacher, { to, now: now() });
  const people = new Set(to.map((one) => one.participantId)).size;
  return ` ${people === 1 ? '1 person moves' : `${people} people move`} up. ${toldWords(told)}`;
}

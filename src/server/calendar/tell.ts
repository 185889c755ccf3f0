import { grouped } from '@/core/collections';
import { dayLabel, timeOfDay } from '@/core/formats';
import { emailSchema } from '@/core/studio';
import type { Teacher } from '../auth/sign-ins';
import type { Db } from '../db';
import type { Session } from '../sessions/sessions';
import { type Post, postFrom, writeLetter } from '../studio/letters';

/**
 * Writes to everybody who is booked and has given an email that sessions were called off: one letter a person,
 * whatever number of sessions.
 * @returns how many letters were written, and how many people are booked without an email
 */
export async function tellCalledOff(
  db: Db,
  teacher: Teacher,
  {
    sessions,
    word,
    now,
    post = postFrom(process.env),
  }: { sessions: readonly Session[]; word: string | null; now: number; post?: Post | null },
): Promise<{ written: number; without: number }> {
  const rows = await db('bookings')
    .join('participants', 'participants.id', 'bookings.participant_id')
    .where('bookings.studio_id', teacher.studioId)
    .whereIn('bookings.class_id', [...new Set(sessions.map((s) => s.classId))])
    .orderByRaw('lower(participants.name)')
    .select('participants.id', 'participants.name', 'participants.contact', 'bookings.class_id');
  const people = grouped(rows, (row) => row.id as string);
  let [written, without] = [0, 0];
  let carrier = post;
  for (const [first, ...others] of people.values()) {
    const email = emailSchema.safeParse(first?.contact);
    if (!email.success) {
      without++;
      continue;
    }
    const classes = new Set([first, ...others].map((row) => row?.class_id));
    const off = sessions.filter((s) => classes.has(s.classId));
    const { timeZone, studioName } = teacher;
    const dates = off.map(
      (s) =>
        `${s.className}, ${dayLabel(s.startsAt, timeZone)}, ${timeOfDay(s.startsAt, timeZone)}`,
    );
    const body = `Hello ${first?.name},\n\nthis does not take place:\n${dates.join('\n')}\n${word ? `\n${word}\n` : ''}\n${studioName}\n`;
    const letter = { recipient: email.data, subject: `${studioName}: does not take place`, body };
    // A mail server that takes nothing is not waited for again and again; the other letters wait.
    if (!(await writeLetter(db, teacher, { letter, now, post: carrier }))) carrier = null;
    written++;
  }
  return { written, without };
}

import { z } from 'zod';
import { markSchema } from '@/core/attendance';
import { type BookedSession, type Streak, streak } from '@/core/streak';
import type { Db } from '../db';
import { maybeEpochMs } from '../rows';
import type { Scope } from '../scope';

/** A person's regularity in one class they are booked on. */
export interface ClassStreak {
  classId: string;
  className: string;
  streak: Streak;
}

const bookedRowSchema = z.object({
  participant_id: z.uuid(),
  class_id: z.uuid(),
  class_name: z.string(),
  session_id: z.uuid().nullable(),
  starts_at: maybeEpochMs,
  status: z.enum(['planned', 'held', 'cancelled']).nullable(),
  mark: markSchema.nullable(),
  expected: z.boolean(),
});

/** Streaks of everybody, of one person or in one class, by participant, folded from booked sessions. */
export async function streaksBy(
  db: Db,
  { studioId }: Scope,
  { participantId, classId }: { participantId?: string; classId?: string } = {},
): Promise<Map<string, ClassStreak[]>> {
  const query = db('bookings')
    .join('classes', 'classes.id', 'bookings.class_id')
    .leftJoin('sessions', (join) =>
      join
        .on('sessions.class_id', 'bookings.class_id')
        .andOn('sessions.starts_at', '>=', 'bookings.since'),
    )
    .leftJoin('attendance', (join) =>
      join
        .on('attendance.session_id', 'sessions.id')
        .andOn('attendance.participant_id', 'bookings.participant_id'),
    )
    .leftJoin('session_bookings as own', (join) =>
      join
        .on('own.session_id', 'sessions.id')
        .andOn('own.participant_id', 'bookings.participant_id'),
    )
    .where('bookings.studio_id', studioId)
    .select(
      'bookings.participant_id',
      'bookings.class_id',
      db.raw("classes.plan->>'name' as class_name"),
      'sessions.id as session_id',
      'sessions.starts_at',
      'sessions.status',
      'attendance.mark',
      // Who had said so, or found no room, was not expected.
      db.raw(`case when sessions.room_for is null then own.coming is distinct from false
        else exists (select 1 from session_people p where p.session_id = sessions.id
          and p.participant_id = bookings.participant_id and p.booked) end as expected`),
    );
  if (participantId) query.where('bookings.participant_id', participantId);
  if (classId) query.where('bookings.class_id', classId);
  const rows = z.array(bookedRowSchema).parse(await query);

  const booked = new Map<string, { row: (typeof rows)[number]; sessions: BookedSession[] }>();
  for (const row of rows) {
    const key = `${row.participant_id} ${row.class_id}`;
    const entry = booked.get(key) ?? { row, sessions: [] };
    booked.set(key, entry);
    if (!row.expected && (row.mark ?? 'absent') === 'absent') continue;
    if (row.session_id && row.starts_at !== null && row.status) {
      entry.sessions.push({
        sessionId: row.session_id,
        startsAt: row.starts_at,
        status: row.status,
        mark: row.mark ?? undefined,
      });
    }
  }
  const byPerson = new Map<string, ClassStreak[]>();
  for (const { row, sessions } of booked.values()) {
    const list = byPerson.get(row.participant_id) ?? [];
    list.push({ classId: row.class_id, className: row.class_name, streak: streak(sessions) });
    byPerson.set(row.participant_id, list);
  }
  for (const list of byPerson.values()) list.sort((a, b) => b.streak.current - a.streak.current);
  return byPerson;
}

import { localOf } from '@/core/calendar';
import type { Teacher } from '@/server/auth/sign-ins';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { outlinesOf } from '@/server/outlines/outlines';
import { sessionsLeft } from '@/server/runs';
import type { Session } from '@/server/sessions/sessions';
import type { Shown } from '@/ui/calendar/types';

/** Sessions as the calendar shows them. */
export async function shownOf(teacher: Teacher, sessions: readonly Session[]): Promise<Shown[]> {
  const classIds = sessions.map((s) => s.classId);
  const [outlines, standing] = await Promise.all([
    outlinesOf(db(), teacher, { classIds, now: now() }),
    sessionsLeft(db(), teacher, { now: now() }),
  ]);
  const left = new Set(standing.map((s) => s.sessionId));
  return sessions.map((s): Shown => {
    const at = localOf(s.startsAt, teacher.timeZone);
    const outline = outlines.get(s.classId);
    const begun = s.status === 'planned' && s.runStartedAt !== null;
    return {
      id: s.id,
      at,
      startsAt: s.startsAt,
      slotMs: s.slotMs,
      className: s.className,
      bands: outline?.bands ?? [],
      status: left.has(s.id) ? 'left' : begun ? 'running' : s.status,
      why: s.word ?? s.closed,
      movedFrom: s.occurrence !== null && s.occurrence !== at ? s.occurrence : null,
      leader: s.teacherName,
      place: s.place,
      overruns: (outline?.totalMs ?? 0) > s.slotMs,
    };
  });
}

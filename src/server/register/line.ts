import type { RegisterLine } from '@/core/calls';
import type { Db } from '../db';
import type { Scope } from '../scope';
import { getSession } from '../sessions/sessions';
import { registerOf } from './grid';
import { askedFrom, lineTold } from './told';

/**
 * The line of one person in the register that a session belongs to; null where nothing is left to say of them in it.
 * @throws Refusal `not-found`
 */
export async function lineAfter(
  db: Db,
  scope: Scope,
  {
    sessionId,
    participantId,
    from,
    zone,
    now,
  }: { sessionId: string; participantId: string; from: string; zone: string; now: number },
): Promise<RegisterLine | null> {
  const { classId } = await getSession(db, scope, sessionId);
  const asked = askedFrom(from, { classId, zone, now, only: participantId });
  const [line] = (await registerOf(db, scope, asked)).lines;
  return line ? lineTold(line) : null;
}

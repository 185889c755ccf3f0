import { unmarkedWords } from '@/core/attendance';
import { dayLabel, timeOfDay } from '@/core/formats';
import type { LeftSession } from '@/server/runs';
import type { Left, LeftActions } from '@/ui/sessions/left-standing';
import { beginAnewAction, closeAsItWasAction, goOnAction } from './actions';

/** What can become of a session that was left standing. */
export const LEFT_ACTIONS: LeftActions = {
  goOn: goOnAction,
  close: closeAsItWasAction,
  anew: beginAnewAction,
};

/** A session that was left standing, in the studio's time. */
export function leftShown(left: LeftSession, timeZone: string): Left {
  const at = (ms: number) => `${dayLabel(ms, timeZone)} ${timeOfDay(ms, timeZone)}`;
  const { sessionId, className, how } = left;
  const unmarked = unmarkedWords(left.unmarked);
  return { sessionId, className, how, unmarked, planned: at(left.startsAt), since: at(left.since) };
}

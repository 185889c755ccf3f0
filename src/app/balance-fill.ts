import { workByArea } from '@/core/balance';
import type { Plan } from '@/core/class';
import { AREAS, type Area } from '@/core/move';
import { type Book, compile, type Score } from '@/core/score';

/**
 * A plan's score by the estimate, for lists where an exact voice is not needed.
 * @param talkingFactor how many times as long as its cues the talk of the teacher takes
 */
export const estimatedScore = (plan: Plan, book: Book, talkingFactor: number): Score =>
  compile(plan, book, { talkingFactor });

/** How strongly the dial shows each area: the share of the most worked one. */
export function fillOf(score: Score, book: Book): Partial<Record<Area, number>> {
  const work = workByArea(score, book.move);
  const most = Math.max(1, ...AREAS.map((area) => work[area]));
  return Object.fromEntries(AREAS.map((area) => [area, work[area] / most]));
}

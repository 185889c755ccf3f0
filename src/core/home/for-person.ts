import { type SegmentDone, waysOf } from '../checks';
import { allEasier, type Plan, removeSegments, updateSegment } from '../class';
import { type CarriedCaution, concerns, HANDS_FREE_RELEASE, hasVariant } from '../move';
import type { Book } from '../score';

/** Whether something that somebody carries is against a segment, in any way that it is done or let go. */
export const isAgainst = (
  { ways, releases }: SegmentDone,
  cautions: readonly CarriedCaution[],
): boolean => [...ways, ...releases].some((move) => concerns(move, cautions).length > 0);

export interface PlanForPerson {
  plan: Plan;
  /** Segments that are done in the easier version or let go without hands, since something they carry asks for it. */
  easier: string[];
  /** Segments that are left out, since something they carry is against every way to do them. */
  left: string[];
}

/**
 * A class as one person may do it alone: a segment that something they carry is against is done in the easier version
 * and let go without hands, and left out where that is against it too.
 * @param plan of which there may be nothing left
 */
export function planForPerson(
  plan: Plan,
  cautions: readonly CarriedCaution[],
  book: Book,
): PlanForPerson {
  const againstIn = (of: Plan) => waysOf(of, book).filter((done) => isAgainst(done, cautions));
  const first = againstIn(plan);
  const gentle = first.reduce(
    (made, { segment: { id }, move }) =>
      updateSegment(made, id, (segment) => ({
        ...(hasVariant(move, 'easier') ? allEasier(segment) : segment),
        ...(segment.releaseSeconds > 0 && { release: HANDS_FREE_RELEASE }),
      })),
    plan,
  );
  const left = againstIn(gentle).map(({ segment }) => segment.id);
  return {
    plan: removeSegments(gentle, left),
    easier: first.flatMap(({ segment: { id } }) => (left.includes(id) ? [] : [id])),
    left,
  };
}

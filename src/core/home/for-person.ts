import { type SegmentDone, waysOf } from '../checks';
import { allEasier, type Plan, removeSegments, updateSegment } from '../class';
import { type CarriedCaution, concerns, HANDS_FREE_RELEASE, hasVariant, needsDays } from '../move';
import type { Book } from '../score';

/** Whether something that somebody carries is against a segment, in any way that it is done or let go. */
export const isAgainst = (
  { ways, releases }: SegmentDone,
  cautions: readonly CarriedCaution[],
): boolean => [...ways, ...releases].some((move) => concerns(move, cautions).length > 0);

/** Whether a segment is too strong, in any way that it is done, for somebody who does it as often as they like. */
const isStrong = ({ ways }: SegmentDone): boolean => ways.some(needsDays);

export interface PlanForPerson {
  plan: Plan;
  /** Segments that are done in the easier version, or let go without hands since something they carry asks for it. */
  easier: string[];
  /** Segments that are left out: every way to do them is too strong, or something they carry is against it. */
  left: string[];
  /** Those of both that nothing they carry is against: they are too strong to be done alone. */
  strong: string[];
}

/**
 * A class as one person may do it alone, as often as they like: a segment that something they carry is against is done
 * in the easier version and let go without hands, one that is too strong is done in the easier version, and what does
 * not help is left out.
 * @param plan of which there may be nothing left
 */
export function planForPerson(
  plan: Plan,
  cautions: readonly CarriedCaution[],
  book: Book,
): PlanForPerson {
  const notSo = (of: Plan) =>
    waysOf(of, book).filter((done) => isAgainst(done, cautions) || isStrong(done));
  const first = notSo(plan);
  const gentle = first.reduce(
    (made, done) =>
      updateSegment(made, done.segment.id, (segment) => ({
        ...(hasVariant(done.move, 'easier') ? allEasier(segment, done.move) : segment),
        ...(segment.releaseSeconds > 0 &&
          isAgainst(done, cautions) && { release: HANDS_FREE_RELEASE }),
      })),
    plan,
  );
  const left = notSo(gentle).map(({ segment }) => segment.id);
  return {
    plan: removeSegments(gentle, left),
    easier: first.flatMap(({ segment: { id } }) => (left.includes(id) ? [] : [id])),
    left,
    strong: first.flatMap((done) => (isAgainst(done, cautions) ? [] : [done.segment.id])),
  };
}

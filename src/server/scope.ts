import { Refusal } from '@/core/calls';

/** Whose data a query may touch. Every repository function takes one and filters by it. */
export interface Scope {
  studioId: string;
}

/**
 * What a query found.
 * @throws Refusal `not-found` where there is nothing, or only in another studio: nobody can tell which
 */
export function found<T>(row: T | undefined, what: string): T {
  if (row === undefined) throw new Refusal('not-found', what);
  return row;
}

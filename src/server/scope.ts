/** Whose data a query may touch. Every repository function takes one and filters by it. */
export interface Scope {
  studioId: string;
}

/** Thrown where something is not there or belongs to another studio: a caller cannot tell which. */
export class NotFound extends Error {}

/** Thrown where a request is well-formed but does not fit what is stored. */
export class Conflict extends Error {}

export function found<T>(row: T | undefined, what: string): T {
  if (row === undefined) throw new NotFound(`This ${what} is not in your studio.`);
  return row;
}

import { z } from 'zod';

/** Pieces that row schemas share: what PostgreSQL hands back, made into what the core uses. */

export const epochMs = z.date().transform((d) => d.getTime());
export const maybeEpochMs = epochMs.nullable();
/** A bigint column, which the driver hands over as text. */
export const bigintMs = z.coerce.number().int();

export const toDate = (ms: number | null): Date | null => (ms === null ? null : new Date(ms));

/** Rows by what they belong to, in their order. */
export function groupedBy<T>(rows: readonly T[], of: (row: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const row of rows) {
    const group = groups.get(of(row));
    if (group) group.push(row);
    else groups.set(of(row), [row]);
  }
  return groups;
}

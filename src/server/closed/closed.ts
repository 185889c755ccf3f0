import { z } from 'zod';
import type { Closure } from '@/core/calendar';
import type { Db } from '../db';
import type { Scope } from '../scope';

/** Days on which nothing meets, as they are read by whoever asks. */

export interface StoredClosure extends Closure {
  id: string;
}

const rowSchema = z.object({ id: z.uuid(), from: z.string(), to: z.string(), name: z.string() });

/** The closed spans of a studio, the first of them first. */
export async function closuresOf(db: Db, { studioId }: Scope): Promise<StoredClosure[]> {
  const rows = await db('closures')
    .where({ studio_id: studioId })
    .orderBy(['from_date', 'to_date', 'id'])
    .select(
      'id',
      'name',
      db.raw(`to_char(from_date, 'YYYY-MM-DD') as "from"`),
      db.raw(`to_char(to_date, 'YYYY-MM-DD') as "to"`),
    );
  return z.array(rowSchema).parse(rows);
}

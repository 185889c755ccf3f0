import { z } from 'zod';
import { database } from './database';

/** A class is led within hours; names that are older than this are nobody's business any more. */
export const KEPT_MS = 24 * 3_600_000;
const keptSchema = z.object({ at: z.number(), value: z.unknown() });

/** Values that are kept under a name, for a day. */
export const kept = {
  async put(name: string, value: unknown): Promise<void> {
    await (await database()).put('kept', { at: Date.now(), value }, name);
  },
  /** What was kept, where it is not too old and still reads as it should. */
  async get<T>(name: string, schema: z.ZodType<T>): Promise<T | undefined> {
    const row = keptSchema.safeParse(await (await database()).get('kept', name)).data;
    if (row && Date.now() - row.at < KEPT_MS) return schema.safeParse(row.value).data;
    await (await database()).delete('kept', name);
    return undefined;
  },
};

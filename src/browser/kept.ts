import { z } from 'zod';
import { inDatabase, unkept } from './database';

/** A class is led within hours; names that are older than this are nobody's business any more. */
export const KEPT_MS = 24 * 3_600_000;
const keptSchema = z.object({ at: z.number(), value: z.unknown() });

/** Values that are kept under a name, for a day, where the browser keeps any. */
export const kept = {
  async put(name: string, value: unknown): Promise<void> {
    const row = { at: Date.now(), value };
    await inDatabase((db) => db.put('kept', row, name)).catch(unkept);
  },
  /** What was kept, where it is not too old and still reads as it should. */
  async get<T>(name: string, schema: z.ZodType<T>): Promise<T | undefined> {
    const found = await inDatabase((db) => db.get('kept', name)).catch(unkept);
    const row = keptSchema.safeParse(found).data;
    if (row && Date.now() - row.at < KEPT_MS) return schema.safeParse(row.value).data;
    if (found !== undefined) await inDatabase((db) => db.delete('kept', name)).catch(unkept);
    return undefined;
  },
};

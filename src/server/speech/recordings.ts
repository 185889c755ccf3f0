import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { type Recording, Refusal } from '@/core/calls';
import type { Language } from '@/core/language';
import { languageSchema } from '@/core/move';
import { LONGEST_SECONDS, wavMs } from '@/core/speech';
import type { Teacher } from '../auth/sign-ins';
import type { Db } from '../db';
import { epochMs } from '../rows';
import { found } from '../scope';

/** Whose voice it is. */
export type Speaking = Pick<Teacher, 'id' | 'studioId'>;

const recordingSchema = z
  .object({
    id: z.uuid(),
    language: languageSchema,
    text: z.string(),
    ms: z.number(),
    recorded_at: epochMs,
  })
  .transform(({ recorded_at, ...row }): Recording => ({ ...row, recordedAt: recorded_at }));

const own = ({ id, studioId }: Speaking) => ({ teacher_id: id, studio_id: studioId });

/** More than all cues of thirty moves in two languages. */
export const MOST_RECORDINGS = 1000;

/**
 * Keeps a recording; one of the same words goes.
 * @throws Refusal `no-wav`, `recording-too-long`, `too-many-recordings`
 */
export async function saveRecording(
  db: Db,
  teacher: Speaking,
  { language, text, wav }: { language: Language; text: string; wav: Uint8Array },
  now: number,
): Promise<Recording> {
  const ms = wavMs(wav);
  if (ms === null) throw new Refusal('no-wav');
  if (ms > LONGEST_SECONDS * 1000) {
    throw new Refusal('recording-too-long', String(LONGEST_SECONDS));
  }
  const others = await db('recordings')
    .where(own(teacher))
    .whereRaw('not (language = ? and text = ?)', [language, text])
    .first(db.raw('count(*)::int as n'));
  if (others.n >= MOST_RECORDINGS) {
    throw new Refusal('too-many-recordings', String(MOST_RECORDINGS));
  }
  const row = { id: randomUUID(), language, text, ms, recorded_at: new Date(now) };
  await db('recordings')
    .insert({ ...row, ...own(teacher), wav: Buffer.from(wav) })
    .onConflict(['teacher_id', 'language', 'text'])
    .merge();
  return recordingSchema.parse(row);
}

/** All recordings of a teacher, the newest first. */
export async function recordingsOf(db: Db, teacher: Speaking): Promise<Recording[]> {
  const rows = await db('recordings')
    .where(own(teacher))
    .orderBy([{ column: 'recorded_at', order: 'desc' }, 'text'])
    .select('id', 'language', 'text', 'ms', 'recorded_at');
  return z.array(recordingSchema).parse(rows);
}

/** The sound of a recording, asked for by its words or its id, where there is one. */
export async function recordedAudio(
  db: Db,
  teacher: Speaking,
  of: { language: Language; text: string } | { id: string },
): Promise<{ id: string; wav: Buffer } | undefined> {
  const which = 'id' in of ? { id: of.id } : { language: of.language, text: of.text };
  return db('recordings')
    .where({ ...own(teacher), ...which })
    .first('id', 'wav');
}

/** @throws Refusal `not-found` where it is not the teacher's */
export async function removeRecording(db: Db, teacher: Speaking, id: string): Promise<void> {
  const rows = await db('recordings')
    .where({ ...own(teacher), id })
    .delete()
    .returning('id');
  found(rows[0], 'recording');
}

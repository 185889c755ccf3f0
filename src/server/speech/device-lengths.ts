import { z } from 'zod';
import {
  type DeviceVoices,
  type Measured,
  MOST_DEVICE_LENGTHS,
  measuredSchema,
  paceOf,
  type Utterance,
  utteranceKey,
} from '@/core/speech';
import type { Db } from '../db';
import type { Speaking } from './recordings';

/** How long the voices of a teacher's own devices take, as those devices measured it. */

const of = ({ id, studioId }: Speaking) => ({ teacher_id: id, studio_id: studioId });

const rowSchema = measuredSchema
  .omit({ wordsPerMinute: true })
  .extend({ words_per_minute: z.number() })
  .transform(
    ({ words_per_minute, ...row }): Measured => ({ ...row, wordsPerMinute: words_per_minute }),
  );

/** What is known of the voices that a teacher chose of a device. */
export interface DeviceLengths {
  /** In ms; null where this text was not said yet. */
  length: (utterance: Utterance) => number | null;
  /** How many times as long as it is estimated the voice takes in that language. */
  pace: (language: Utterance['language']) => number;
  count: number;
  /** What tells these lengths from any others. */
  stamp: string;
}

/** Notes how long a voice took; of the same text the latest counts, and beyond the limit the oldest go. */
export async function noteDeviceLengths(
  db: Db,
  teacher: Speaking,
  { voice, measured }: { voice: string; measured: readonly Measured[] },
  now: number,
): Promise<void> {
  const each = new Map(measured.map((m) => [utteranceKey(m), m]));
  await db.transaction(async (trx) => {
    // Two at once would each leave the other's out of the count.
    await trx('teachers').where({ id: teacher.id }).forUpdate().first('id');
    for (const { text, language, wordsPerMinute, ms } of each.values()) {
      await trx.raw(
        `insert into device_lengths
           (studio_id, teacher_id, voice, language, words_per_minute, text, ms, measured_at)
         values (?, ?, ?, ?, ?, ?, ?, ?)
         on conflict (teacher_id, voice, language, words_per_minute, md5(text))
         do update set ms = excluded.ms, measured_at = excluded.measured_at`,
        [teacher.studioId, teacher.id, voice, language, wordsPerMinute, text, ms, new Date(now)],
      );
    }
    await trx('device_lengths')
      .whereIn(
        trx.raw('ctid') as never,
        trx('device_lengths')
          .where(of(teacher))
          .orderBy('measured_at', 'desc')
          .offset(MOST_DEVICE_LENGTHS)
          .select(trx.raw('ctid')),
      )
      .delete();
  });
}

/** What is known of some voices. */
export async function deviceLengths(
  db: Db,
  teacher: Speaking,
  voices: DeviceVoices,
): Promise<DeviceLengths> {
  const chosen = Object.entries(voices);
  const rows = chosen.length
    ? await db('device_lengths')
        .where(of(teacher))
        .whereIn(['language', 'voice'], chosen)
        .orderBy('measured_at')
        .select('text', 'language', 'words_per_minute', 'ms')
    : [];
  const measured = z.array(rowSchema).parse(rows);
  const lengths = new Map(measured.map((m) => [utteranceKey(m), m.ms]));
  const paces = new Map(
    chosen.map(([language]) => [language, paceOf(measured.filter((m) => m.language === language))]),
  );
  return {
    length: (utterance) => lengths.get(utteranceKey(utterance)) ?? null,
    pace: (language) => paces.get(language) ?? 1,
    count: measured.length,
    stamp: `${measured.length} ${measured.reduce((sum, { ms }) => sum + ms, 0)}`,
  };
}

import { z } from 'zod';
import { newClassSchema, retentionSchema, studioNameSchema, timeZoneSchema } from '@/core/studio';

/** What an archive says of the studio itself. */

/** What archives are written as, the latest first. Older ones have fewer tables and columns. */
export const FORMATS = [
  'upbeat-studio/7',
  'upbeat-studio/6',
  'upbeat-studio/5',
  'upbeat-studio/4',
  'upbeat-studio/3',
  'upbeat-studio/2',
  'upbeat-studio/1',
] as const;
/** The number of a format. */
export const formatNumber = (format: (typeof FORMATS)[number]): number =>
  Number(format.split('/')[1]);
export const STUDIO_FILE = 'studio.json';
export const STUDIO_COLUMNS = [
  'name',
  'time_zone',
  'new_class',
  'keep_runs_months',
  'keep_recordings_months',
] as const;

export const studioFileSchema = z.strictObject({
  format: z.enum(FORMATS),
  name: studioNameSchema,
  time_zone: timeZoneSchema,
  new_class: newClassSchema.nullable(),
  keep_runs_months: retentionSchema.shape.runsMonths,
  keep_recordings_months: retentionSchema.shape.recordingsMonths,
});

import { z } from 'zod';
import { newClassSchema, retentionSchema, studioNameSchema, timeZoneSchema } from '@/core/studio';

/** What an archive says of the studio itself. */

export const FORMAT = 'upbeat-studio/1';
export const STUDIO_FILE = 'studio.json';
export const STUDIO_COLUMNS = [
  'name',
  'time_zone',
  'new_class',
  'keep_runs_months',
  'keep_recordings_months',
] as const;

export const studioFileSchema = z.strictObject({
  format: z.literal(FORMAT),
  name: studioNameSchema,
  time_zone: timeZoneSchema,
  new_class: newClassSchema.nullable(),
  keep_runs_months: retentionSchema.shape.runsMonths,
  keep_recordings_months: retentionSchema.shape.recordingsMonths,
});

import { writeFileSync } from 'node:fs';
import { z } from 'zod';
import { planSchema } from '@/core/class';

/** The JSON Schema of plan files, made from the schema the application itself reads them with. */
export const planJsonSchema = (): string =>
  `${JSON.stringify({ title: 'Up Beat class', ...z.toJSONSchema(planSchema, { io: 'input', reused: 'ref' }) }, null, 2)}\n`;

if (process.argv[1]?.endsWith('schema.ts')) {
  writeFileSync('docs/upbeat-class.schema.json', planJsonSchema());
}

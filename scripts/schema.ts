import { writeFileSync } from 'node:fs';
import { z } from 'zod';
import { blockSchema, planSchema, segmentSchema } from '@/core/class';
import { FIELD_WORDS } from './schema-words';

/** What an author has to write; all else has a usual way, or is given. */
const REQUIRED = new Map<unknown, string[]>([
  [segmentSchema, ['move']],
  [blockSchema, ['segments']],
]);
const TITLES = new Map<unknown, string>([
  [segmentSchema, 'Segment'],
  [blockSchema, 'Block'],
]);

function described(json: unknown): unknown {
  if (Array.isArray(json)) return json.map(described);
  if (typeof json !== 'object' || json === null) return json;
  const all = Object.fromEntries(Object.entries(json).map(([key, v]) => [key, described(v)]));
  const { properties } = all as { properties?: Record<string, object> };
  if (!properties) return all;
  const told = Object.entries(properties).map(([name, schema]) => [
    name,
    FIELD_WORDS[name] ? { description: FIELD_WORDS[name], ...schema } : schema,
  ]);
  return { ...all, properties: Object.fromEntries(told) };
}

/** The JSON Schema of plan files, made from the schema the application itself reads them with. */
export const planJsonSchema = (): string => {
  const schema = z.toJSONSchema(planSchema, {
    io: 'input',
    override: ({ zodSchema, jsonSchema }) => {
      const required = REQUIRED.get(zodSchema);
      if (required) jsonSchema.required = required;
      const title = TITLES.get(zodSchema);
      if (title) jsonSchema.title = title;
    },
    reused: 'ref',
  });
  const description =
    'A class as a file. Of a segment only its move has to be written; what is left out is as the library has it.';
  const all = described({ title: 'Up Beat class', description, ...schema });
  return `${JSON.stringify(all, null, 2)}\n`;
};

if (process.argv[1]?.endsWith('schema.ts')) {
  writeFileSync('docs/upbeat-class.schema.json', planJsonSchema());
}

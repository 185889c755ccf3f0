import { z } from 'zod';

/** How the columns of an archive's tables are written as text and read again. */
export interface Column {
  write: (value: unknown) => string;
  /** @throws ZodError where it is not as it should be */
  read: (text: string) => unknown;
  /** The number of the format that has it first, and what stands for it in archives of before. */
  added?: { in: number; before: (line: Readonly<Record<string, string>>) => string };
}

/** One that archives have only since a format. */
export const since = (
  format: number,
  column: Column,
  before: string | NonNullable<Column['added']>['before'],
): Column => ({
  ...column,
  added: { in: format, before: typeof before === 'string' ? () => before : before },
});

const column = <T>(schema: z.ZodType<T, string>, write: (value: T) => string): Column => ({
  write: (value) => write(value as T),
  read: (text) => schema.parse(text),
});

/** One that may be empty, which stands for nothing. */
export const maybe = ({ write, read }: Column): Column => ({
  write: (value) => (value === null || value === undefined ? '' : write(value)),
  read: (text) => (text === '' ? null : read(text)),
});

const MOST_CHARACTERS = 2000;

export const text = (most = MOST_CHARACTERS): Column => column(z.string().max(most), (t) => t);
export const id: Column = column(z.uuid(), (t) => t);
export const oneOf = <T extends string>(options: readonly [T, ...T[]]): Column =>
  column(z.enum(options), (t) => t);
export const flag: Column = column(
  z.enum(['yes', 'no']).transform((t) => t === 'yes'),
  (b) => (b ? 'yes' : 'no'),
);
export const whole: Column = column(
  z
    .string()
    .regex(/^-?\d{1,15}$/)
    .transform(Number),
  (n) => String(n),
);
/** A day, ISO 8601. */
export const day: Column = column(z.iso.date(), (t) => t);
/** An instant, ISO 8601 in UTC. */
export const instant: Column = column(
  z.iso.datetime({ precision: 3 }).transform((t) => new Date(t)),
  (at) => at.toISOString(),
);
/** A value as JSON; it is stored as it was read, once its shape is known. */
export const json = (schema: z.ZodType): Column => ({
  write: (value) => JSON.stringify(value),
  read: (given) => {
    schema.parse(jsonOf(given));
    return given;
  },
});

/** @throws ZodError for what is no JSON */
export function jsonOf(given: string): unknown {
  return z
    .string()
    .transform((typed, context) => {
      try {
        return JSON.parse(typed) as unknown;
      } catch {
        context.addIssue({ code: 'custom', message: 'is no JSON' });
        return z.NEVER;
      }
    })
    .parse(given);
}

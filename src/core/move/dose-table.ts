import { z } from 'zod';
import { parseSeconds } from '../formats';

/** What a kind of dose is, and what can be done with doses whatever their kinds are. */

/** No single work part may last longer than this, in seconds. */
export const MAX_WORK_SECONDS = 600;

/** A field in which one number of a dose is typed. */
export interface DoseField {
  label: string;
  /** Where the number stands in the dose. */
  path: readonly [string, ...string[]];
  /** It is a time, typed as 30 or 0:30. */
  isTime?: true;
  /** Shown after the field. */
  unit?: string;
}

/** How a dose of a kind is counted aloud where a class counts every rep. */
export type CountedBy = 'number' | 'last-five' | 'breath';

/** All that is particular to one kind of dose `D`, among all doses `Any`. */
export interface DoseTraits<D, Any = unknown> {
  schema: z.ZodType<D>;
  /** In a list of kinds. */
  name: string;
  /** Each beat is a whole movement, there and back. */
  repeats?: true;
  /** How many beats it has, and how far they are apart, in ms. */
  beats: (dose: D) => { count: number; beatMs: number };
  /** The same with another number of its unit, or so many seconds of it. */
  withCount: (dose: D, count: number) => D;
  /** A dose of this kind that lasts about so many seconds, keeping what it can of the one before. */
  lasting: (seconds: number, before: Any) => D;
  /** In a teacher's short form, as in "30 s hold". */
  label: (dose: D) => string;
  /** Its amount is a time, not a number of something; its length in seconds. */
  secondsOf?: (dose: D) => number;
  /** How short and how long it may become, in seconds, where it says so itself. */
  range?: (dose: D) => readonly [floor: number, ceiling: number];
  /** The effort goes on throughout, so that a long one wants to be let go. */
  isHeld?: true;
  countedBy: CountedBy;
  /** What may be typed after a number of it, in the singular, each with its plural. */
  words?: Readonly<Record<string, string>>;
  /** Typed as `20@60`. */
  hasTempo?: true;
  /** Typed as `12 × 4 s`. */
  isTimesSo?: true;
  /** Typed as `about 30 s`. */
  isAbout?: true;
  /** What was typed: how many, and how long each or how fast, where that was said. */
  typed?: (count: number, each: number | null, before: Any) => D;
  fields: readonly DoseField[];
}

/** What can be done with doses of the kinds of a table. */
export interface DoseTable<D extends { kind: string }> {
  kinds: readonly D['kind'][];
  schema: z.ZodType<D>;
  traits: (dose: Pick<D, 'kind'>) => DoseTraits<D, D>;
  /** Length of one work part in whole ms. */
  ms: (dose: D) => number;
  /** Reads a dose as it is typed into one field; null where it cannot be read. */
  read: (text: string, current: D) => D | null;
}

/** Makes a table of doses from its entries. */
export function doseTable<D extends { kind: string }>(
  entries: Readonly<Record<string, object>>,
): DoseTable<D> {
  const kinds = Object.keys(entries) as D['kind'][];
  const traits = ({ kind }: Pick<D, 'kind'>) => entries[kind] as unknown as DoseTraits<D, D>;
  const all = kinds.map((kind) => ({ kind, ...traits({ kind } as Pick<D, 'kind'>) }));
  const lengthMs = (dose: D): number => {
    const { secondsOf, beats } = traits(dose);
    if (secondsOf) return Math.round(secondsOf(dose) * 1000);
    const { count, beatMs } = beats(dose);
    return Math.round(count * beatMs);
  };
  const names = kinds.map(String);
  const oneOf = `must be one of ${names.slice(0, -1).join(', ')} or ${names.at(-1)}`;
  // The entries' schemas are objects with their kind, which a discriminated union asks for.
  const schemas = all.map((t) => t.schema) as unknown as [z.ZodObject, ...z.ZodObject[]];
  const schema = z
    .discriminatedUnion('kind', schemas, { error: oneOf })
    .refine((dose) => lengthMs(dose as unknown as D) <= MAX_WORK_SECONDS * 1000, {
      error: `must not last longer than ${MAX_WORK_SECONDS} seconds in all`,
    }) as unknown as z.ZodType<D>;

  /** The kind that a word stands for, in the singular or the plural. */
  const named = (word: string | undefined) =>
    all.find((t) =>
      Object.entries(t.words ?? {}).some(([one, many]) => word === one || word === many),
    );
  const read = (text: string, current: D): D | null => {
    const now = traits(current);
    const beat = /^(\d+)\s*([a-z]+)?\s*@\s*(\d+)$/.exec(text);
    if (beat) {
      const fast = all.filter((t) => t.hasTempo);
      const own = fast.find((t) => t.kind === current.kind) ?? fast[0];
      const of = beat[2] ? fast.find((t) => t === named(beat[2])) : own;
      return of?.typed?.(Number(beat[1]), Number(beat[3]), current) ?? null;
    }
    const many = /^(\d+)\s*([a-z]+)(?:\s*(?:of|at|×|x)\s*(.+))?$/.exec(text);
    const of = many && named(many[2]);
    if (many && of) return amountOf(of, Number(many[1]), many[3], current);
    const timesSo = /^(\d+)\s*[×x*]\s*(.+)$/.exec(text);
    if (timesSo) {
      const so = all.filter((t) => t.isTimesSo);
      const kind = so.find((t) => t.kind === current.kind) ?? so[0];
      return kind ? amountOf(kind, Number(timesSo[1]), timesSo[2], current) : null;
    }
    const about = /^(?:about|~)\s*(.+)$/.exec(text);
    if (about) {
      const length = parseSeconds(about[1] ?? '');
      const kind = all.find((t) => t.isAbout);
      return length === null ? null : (kind?.typed?.(length, null, current) ?? null);
    }
    if (!now.secondsOf && /^\d+(\.\d+)?$/.test(text)) return now.withCount(current, Number(text));
    const length = parseSeconds(text.replace(/\s*hold$/, ''));
    if (length === null) return null;
    if (now.secondsOf) return now.withCount(current, length);
    return now.withCount(
      current,
      Math.max(1, Math.round((length * 1000) / now.beats(current).beatMs)),
    );
  };
  const amountOf = (
    of: DoseTraits<D, D>,
    count: number,
    each: string | undefined,
    current: D,
  ): D | null => {
    if (each === undefined) return of.typed?.(count, null, current) ?? null;
    const length = parseSeconds(each.replace(/\s*(each|beats?)$/, ''));
    return length === null ? null : (of.typed?.(count, length, current) ?? null);
  };
  return { kinds, schema, traits, ms: lengthMs, read };
}

import { type DoseTraits, doseTable } from './dose-table';
import { DOSES, type Dose } from './doses';

/** Doses, whatever their kind; what is particular to a kind stands in `doses.ts`. */

const table = doseTable<Dose>(DOSES);

export const doseSchema = table.schema;
export type DoseKind = Dose['kind'];
export const DOSE_KINDS = table.kinds;

/** All that is particular to a dose's kind. */
export const traitsOf = (dose: Pick<Dose, 'kind'>): DoseTraits<Dose, Dose> => table.traits(dose);

/** The beats of a dose: how many there are and how far apart, in ms. A hold beats once a second. */
export const doseBeats = (dose: Dose): { count: number; beatMs: number } =>
  traitsOf(dose).beats(dose);

/** Length of one work part in whole ms (common practice: counts x 60 / tempo, breaths x breath length, and so on). */
export const doseMs = (dose: Dose): number => table.ms(dose);

/** A dose in a teacher's short form, as in "30 s hold" or "12 × 4 s". */
export const doseLabel = (dose: Dose): string => traitsOf(dose).label(dose);

/** The same kind of dose with another number of it. */
export const countOf = (dose: Dose, count: number): Dose => traitsOf(dose).withCount(dose, count);

/** Whether the amount of a dose is a time instead of a number of something. */
export const isTimed = (dose: Pick<Dose, 'kind'>): boolean =>
  traitsOf(dose).secondsOf !== undefined;

/** How much of it there is: its seconds where it is timed, else how many of its unit. */
export const amountIn = (dose: Dose): number =>
  traitsOf(dose).secondsOf?.(dose) ?? doseBeats(dose).count;

/** How short and how long a dose may become, in seconds, where it says so itself. */
export const ownRange = (dose: Dose): readonly [floor: number, ceiling: number] | undefined =>
  traitsOf(dose).range?.(dose);

/** Another kind of dose of about the same length, so that changing the kind keeps the class in shape. */
export const asKind = (dose: Dose, kind: DoseKind): Dose =>
  traitsOf({ kind }).lasting(doseMs(dose) / 1000, dose);

export type TypedDose = { ok: true; dose: Dose } | { ok: false; message: string };

const HOW = 'Write a dose such as 30, 0:30, 2 min, 5 breaths, 12 reps of 4 s, 3 passes or 20@60.';

/**
 * Reads a dose as a teacher types it into one field. What is not said stays as it was: `5 breaths`
 * keeps the breath's length, a bare number the kind of dose, a time on reps becomes as many as fit.
 * Forms: `30`, `0:30`, `2 min`, `5 breaths`, `5 breaths of 8 s`, `12 reps`, `12 × 4 s`, `3 passes`,
 * `20@60`, `20 taps@60`, `about 30 s`.
 */
export function typeDose(text: string, current: Dose): TypedDose {
  const dose = table.read(text.trim().toLowerCase().replace(',', '.'), current);
  if (!dose) return { ok: false, message: HOW };
  const parsed = doseSchema.safeParse(dose);
  if (parsed.success) return { ok: true, dose: parsed.data };
  return { ok: false, message: `This ${parsed.error.issues[0]?.message ?? 'is not right'}.` };
}

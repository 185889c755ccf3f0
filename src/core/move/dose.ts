import { z } from 'zod';

/** No single work part may last longer than this, in seconds. */
export const MAX_WORK_SECONDS = 600;

const seconds = (most = MAX_WORK_SECONDS) =>
  z
    .number({ error: 'must be a number of seconds' })
    .positive('must be more than 0 seconds')
    .max(most, { error: `must be at most ${most} seconds`, abort: true });
const times = (what: string, most: number) =>
  z
    .number({ error: `must be a whole number of ${what}` })
    .int(`must be a whole number of ${what}`)
    .min(1, `must be at least 1`)
    .max(most, `must be at most ${most} ${what}`);
const tempo = z
  .number({ error: 'must be a tempo in beats a minute' })
  .min(10, 'must be at least 10 beats a minute')
  .max(180, 'must be at most 180 beats a minute');

/** One breath, in seconds: in, hold, out, pause. A slow guided breath is about 10 s (common practice). */
export const breathPatternSchema = z.strictObject({
  in: seconds(20),
  hold: z.number().min(0).max(20).default(0),
  out: seconds(20),
  pause: z.number().min(0).max(20).default(0),
});
export type BreathPattern = z.infer<typeof breathPatternSchema>;

/** How much of a move is done in one work part. Always resolves to seconds. */
const anyDoseSchema = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({ kind: z.literal('hold'), seconds: seconds() }),
    z.strictObject({ kind: z.literal('counts'), counts: times('counts', 200), tempo }),
    z.strictObject({
      kind: z.literal('breaths'),
      breaths: times('breaths', 60),
      pattern: breathPatternSchema,
    }),
    z.strictObject({
      kind: z.literal('reps'),
      reps: times('reps', 200),
      secondsEach: seconds(60),
    }),
    z.strictObject({
      kind: z.literal('passes'),
      passes: times('passes', 60),
      secondsEach: seconds(120),
    }),
    z.strictObject({ kind: z.literal('taps'), taps: times('taps', 400), tempo }),
    z
      .strictObject({
        kind: z.literal('open'),
        seconds: seconds(),
        floorSeconds: seconds(),
        ceilingSeconds: seconds(),
      })
      .refine((d) => d.floorSeconds <= d.seconds && d.seconds <= d.ceilingSeconds, {
        error: 'must lie between its floor and its ceiling',
        path: ['seconds'],
      }),
  ],
  { error: 'must be one of hold, counts, breaths, reps, passes, taps or open' },
);
export type Dose = z.infer<typeof anyDoseSchema>;
export const doseSchema = anyDoseSchema.refine((d) => doseMs(d) <= MAX_WORK_SECONDS * 1000, {
  error: `must not last longer than ${MAX_WORK_SECONDS} seconds in all`,
});
export type DoseKind = Dose['kind'];
export const DOSE_KINDS = [
  'hold',
  'counts',
  'breaths',
  'reps',
  'passes',
  'taps',
  'open',
] as const satisfies readonly DoseKind[];

const ms = (s: number) => Math.round(s * 1000);

export function breathMs(pattern: BreathPattern): number {
  return ms(pattern.in) + ms(pattern.hold) + ms(pattern.out) + ms(pattern.pause);
}

/** The beats of a dose: how many there are and how far apart, in ms. A hold beats once a second. */
export function doseBeats(dose: Dose): { count: number; beatMs: number } {
  switch (dose.kind) {
    case 'hold':
    case 'open':
      return { count: Math.max(1, Math.floor(dose.seconds)), beatMs: 1000 };
    case 'counts':
      return { count: dose.counts, beatMs: 60_000 / dose.tempo };
    case 'taps':
      return { count: dose.taps, beatMs: 60_000 / dose.tempo };
    case 'breaths':
      return { count: dose.breaths, beatMs: breathMs(dose.pattern) };
    case 'reps':
      return { count: dose.reps, beatMs: ms(dose.secondsEach) };
    case 'passes':
      return { count: dose.passes, beatMs: ms(dose.secondsEach) };
  }
}

/** Length of one work part in whole ms (common practice: counts x 60 / tempo, breaths x breath length, and so on). */
export function doseMs(dose: Dose): number {
  if (dose.kind === 'hold' || dose.kind === 'open') return ms(dose.seconds);
  const { count, beatMs } = doseBeats(dose);
  return Math.round(count * beatMs);
}

const plain = (n: number) => String(Math.round(n * 100) / 100);

/** A dose in a teacher's short form, as in "30 s hold" or "12 reps of 4 s". */
export function doseLabel(dose: Dose): string {
  switch (dose.kind) {
    case 'hold':
      return `${plain(dose.seconds)} s hold`;
    case 'open':
      return `about ${plain(dose.seconds)} s`;
    case 'counts':
      return `${dose.counts} counts at ${plain(dose.tempo)}`;
    case 'taps':
      return `${dose.taps} taps at ${plain(dose.tempo)}`;
    case 'breaths':
      return `${dose.breaths} breaths of ${plain(breathMs(dose.pattern) / 1000)} s`;
    case 'reps':
      return `${dose.reps} × ${plain(dose.secondsEach)} s`;
    case 'passes':
      return `${dose.passes} passes of ${plain(dose.secondsEach)} s`;
  }
}

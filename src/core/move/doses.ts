import { z } from 'zod';
import { type DoseTraits, MAX_WORK_SECONDS } from './dose-table';

/** Every kind of dose there is, each with all that is particular to it. A new one is a new entry. */

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

const ms = (s: number) => Math.round(s * 1000);
const plain = (n: number) => String(Math.round(n * 100) / 100);

export function breathMs(pattern: BreathPattern): number {
  return ms(pattern.in) + ms(pattern.hold) + ms(pattern.out) + ms(pattern.pause);
}

const USUAL_TEMPO = 60;
const USUAL_SECONDS_EACH = 4;
const USUAL_BREATH = { in: 4, hold: 0, out: 6, pause: 0 };
const round = (n: number) => Math.max(1, Math.round(n));
/** How many last about so many seconds, each of them so long. */
const asMany = (seconds: number, eachMs: number) => round((seconds * 1000) / eachMs);

/** What the dose before has of a kind, where it has it. */
const before = <T>(dose: unknown, field: string, usual: T): T =>
  (dose as Record<string, T> | undefined)?.[field] ?? usual;

interface Hold {
  kind: 'hold';
  seconds: number;
}
interface Counts {
  kind: 'counts';
  counts: number;
  tempo: number;
}
interface Breaths {
  kind: 'breaths';
  breaths: number;
  pattern: BreathPattern;
}
interface Reps {
  kind: 'reps';
  reps: number;
  secondsEach: number;
}
interface Passes {
  kind: 'passes';
  passes: number;
  secondsEach: number;
}
interface Taps {
  kind: 'taps';
  taps: number;
  tempo: number;
}
interface Open {
  kind: 'open';
  seconds: number;
  floorSeconds: number;
  ceilingSeconds: number;
}

function open(length: number, current: unknown): Open {
  const floor = before(current, 'floorSeconds', length / 2);
  const ceiling = before(current, 'ceilingSeconds', length * 2);
  return {
    kind: 'open',
    seconds: length,
    floorSeconds: Math.min(floor, length),
    ceilingSeconds: Math.max(ceiling, length),
  };
}

const hold: DoseTraits<Hold> = {
  schema: z.strictObject({ kind: z.literal('hold'), seconds: seconds() }),
  name: 'Hold',
  beats: (d) => ({ count: Math.max(1, Math.floor(d.seconds)), beatMs: 1000 }),
  withCount: (d, count) => ({ ...d, seconds: count }),
  lasting: (s) => ({ kind: 'hold', seconds: round(s) }),
  label: (d) => `${plain(d.seconds)} s hold`,
  secondsOf: (d) => d.seconds,
  isHeld: true,
  countedBy: 'last-five',
  fields: [{ label: 'Hold for', path: ['seconds'], isTime: true }],
};

const counts: DoseTraits<Counts> = {
  schema: z.strictObject({ kind: z.literal('counts'), counts: times('counts', 200), tempo }),
  name: 'Counts',
  beats: (d) => ({ count: d.counts, beatMs: 60_000 / d.tempo }),
  withCount: (d, count) => ({ ...d, counts: count }),
  lasting: (s, current) => {
    const tempo = before(current, 'tempo', USUAL_TEMPO);
    return { kind: 'counts', counts: asMany(s, 60_000 / tempo), tempo };
  },
  label: (d) => `${d.counts} counts at ${plain(d.tempo)}`,
  isHeld: true,
  countedBy: 'number',
  words: { count: 'counts' },
  hasTempo: true,
  typed: (count, each, current) => ({
    kind: 'counts',
    counts: count,
    tempo: each ?? before(current, 'tempo', USUAL_TEMPO),
  }),
  fields: [
    { label: 'Count to', path: ['counts'] },
    { label: 'Tempo', path: ['tempo'], unit: 'a minute' },
  ],
};

const breaths: DoseTraits<Breaths> = {
  schema: z.strictObject({
    kind: z.literal('breaths'),
    breaths: times('breaths', 60),
    pattern: breathPatternSchema,
  }),
  name: 'Breaths',
  beats: (d) => ({ count: d.breaths, beatMs: breathMs(d.pattern) }),
  withCount: (d, count) => ({ ...d, breaths: count }),
  lasting: (s, current) => {
    const pattern = before(current, 'pattern', USUAL_BREATH);
    return { kind: 'breaths', breaths: asMany(s, breathMs(pattern)), pattern };
  },
  label: (d) => `${d.breaths} breaths of ${plain(breathMs(d.pattern) / 1000)} s`,
  countedBy: 'breath',
  words: { breath: 'breaths' },
  typed: (count, each, current) => ({
    kind: 'breaths',
    breaths: count,
    pattern:
      each === null
        ? before(current, 'pattern', USUAL_BREATH)
        : { in: 0.4 * each, hold: 0, out: 0.6 * each, pause: 0 },
  }),
  fields: [
    { label: 'Breaths', path: ['breaths'] },
    { label: 'In', path: ['pattern', 'in'], isTime: true },
    { label: 'Hold', path: ['pattern', 'hold'], isTime: true },
    { label: 'Out', path: ['pattern', 'out'], isTime: true },
    { label: 'Pause', path: ['pattern', 'pause'], isTime: true },
  ],
};

const reps: DoseTraits<Reps> = {
  schema: z.strictObject({
    kind: z.literal('reps'),
    reps: times('reps', 200),
    secondsEach: seconds(60),
  }),
  name: 'Reps',
  repeats: true,
  beats: (d) => ({ count: d.reps, beatMs: ms(d.secondsEach) }),
  withCount: (d, count) => ({ ...d, reps: count }),
  lasting: (s, current) => {
    const secondsEach = usualEach(current, 'reps');
    return { kind: 'reps', reps: asMany(s, ms(secondsEach)), secondsEach };
  },
  label: (d) => `${d.reps} × ${plain(d.secondsEach)} s`,
  countedBy: 'number',
  words: { rep: 'reps', time: 'times' },
  isTimesSo: true,
  typed: (count, each, current) => ({
    kind: 'reps',
    reps: count,
    secondsEach: each ?? usualEach(current, 'reps'),
  }),
  fields: [
    { label: 'Reps', path: ['reps'], unit: 'times' },
    { label: 'Each takes', path: ['secondsEach'], isTime: true },
  ],
};

const passes: DoseTraits<Passes> = {
  schema: z.strictObject({
    kind: z.literal('passes'),
    passes: times('passes', 60),
    secondsEach: seconds(120),
  }),
  name: 'Passes',
  repeats: true,
  beats: (d) => ({ count: d.passes, beatMs: ms(d.secondsEach) }),
  withCount: (d, count) => ({ ...d, passes: count }),
  lasting: (s, current) => {
    const secondsEach = usualEach(current, 'passes');
    return { kind: 'passes', passes: asMany(s, ms(secondsEach)), secondsEach };
  },
  label: (d) => `${d.passes} passes of ${plain(d.secondsEach)} s`,
  countedBy: 'number',
  words: { pass: 'passes', stroke: 'strokes' },
  isTimesSo: true,
  typed: (count, each, current) => ({
    kind: 'passes',
    passes: count,
    secondsEach: each ?? usualEach(current, 'passes'),
  }),
  fields: [
    { label: 'Passes', path: ['passes'], unit: 'times' },
    { label: 'Each takes', path: ['secondsEach'], isTime: true },
  ],
};

/** How long each takes: as in the dose before where that was of the same kind. */
const usualEach = (current: unknown, kind: string): number =>
  before(current, 'kind', '') === kind
    ? before(current, 'secondsEach', USUAL_SECONDS_EACH)
    : USUAL_SECONDS_EACH;

const taps: DoseTraits<Taps> = {
  schema: z.strictObject({ kind: z.literal('taps'), taps: times('taps', 400), tempo }),
  name: 'Taps',
  repeats: true,
  beats: (d) => ({ count: d.taps, beatMs: 60_000 / d.tempo }),
  withCount: (d, count) => ({ ...d, taps: count }),
  lasting: (s, current) => {
    const tempo = before(current, 'tempo', USUAL_TEMPO);
    return { kind: 'taps', taps: asMany(s, 60_000 / tempo), tempo };
  },
  label: (d) => `${d.taps} taps at ${plain(d.tempo)}`,
  countedBy: 'number',
  words: { tap: 'taps', flick: 'flicks' },
  hasTempo: true,
  typed: (count, each, current) => ({
    kind: 'taps',
    taps: count,
    tempo: each ?? before(current, 'tempo', USUAL_TEMPO),
  }),
  fields: [
    { label: 'Taps', path: ['taps'] },
    { label: 'Tempo', path: ['tempo'], unit: 'a minute' },
  ],
};

const LEAST_OPEN_SECONDS = 10;

const asLongAsFeelsGood: DoseTraits<Open> = {
  schema: z
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
  name: 'As long as feels good',
  beats: (d) => ({ count: Math.max(1, Math.floor(d.seconds)), beatMs: 1000 }),
  withCount: (d, count) => open(count, d),
  lasting: (s, current) => open(Math.max(LEAST_OPEN_SECONDS, round(s)), current),
  label: (d) => `about ${plain(d.seconds)} s`,
  secondsOf: (d) => d.seconds,
  range: (d) => [d.floorSeconds, d.ceilingSeconds],
  isHeld: true,
  countedBy: 'last-five',
  isAbout: true,
  typed: (count, _, current) => open(count, current),
  fields: [
    { label: 'Usually', path: ['seconds'], isTime: true },
    { label: 'At least', path: ['floorSeconds'], isTime: true },
    { label: 'At most', path: ['ceilingSeconds'], isTime: true },
  ],
};

export const DOSES = { hold, counts, breaths, reps, passes, taps, open: asLongAsFeelsGood };

type Kinds = typeof DOSES;
/** How much of a move is done in one work part. Always resolves to seconds. */
export type Dose = { [K in keyof Kinds]: z.infer<Kinds[K]['schema']> }[keyof Kinds];

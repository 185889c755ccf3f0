import { z } from 'zod';
import { cueTextSchema, type Dose, doseBeats, doseMs, isTimed } from '../move';
import { COUNTING } from './counting';

/** Stages inside the work of a segment: what changes while it is held, and when. */

const amount = (most: number) =>
  z.number({ error: 'must be a number' }).positive('must be more than 0').max(most);
const whole = (most: number) => amount(most).int('must be a whole number');

/** How long a stage is: so much of it, or a share of what the others leave. */
export const stageLengthSchema = z
  .union(
    [
      z.strictObject({ share: amount(100) }),
      z.strictObject({ seconds: amount(600) }),
      z.strictObject({ counts: whole(600) }),
      z.strictObject({ breaths: whole(100) }),
    ],
    { error: 'must be one of { "share": 1 }, { "seconds": 5 }, { "counts": 5 }, { "breaths": 1 }' },
  )
  .describe('How long a stage is; shares divide what the others leave.');
export type StageLength = z.infer<typeof stageLengthSchema>;

export const stageSchema = z.strictObject({
  /** Said as it begins. */
  words: cueTextSchema,
  length: stageLengthSchema.default({ share: 1 }),
  /** How it is counted; where nothing is said, a number goes on as the segment does, a hold only in its last stage. */
  counting: z.enum(COUNTING).optional(),
});
export type Stage = z.infer<typeof stageSchema>;

export const MOST_STAGES = 10;
export const stagesSchema = z
  .array(stageSchema)
  .min(1, 'must have at least one stage; leave "stages" out for none')
  .max(MOST_STAGES, `must be at most ${MOST_STAGES} stages`);

/** A stage where it lies in the work, in ms from its start. */
export interface StageSpan {
  stage: Stage;
  startMs: number;
  durationMs: number;
}

/** The time a stage takes by itself; null for one that shares what the others leave. */
function fixedMs({ length }: Stage, beatMs: number): number | null {
  if ('share' in length) return null;
  if ('seconds' in length) return length.seconds * 1000;
  return ('counts' in length ? length.counts : length.breaths) * beatMs;
}

/** Stages in ms, before they are laid one after the other; more than the work where they are too long for it. */
function wished(dose: Dose, stages: readonly Stage[]): number[] {
  const { beatMs } = doseBeats(dose);
  const fixed = stages.map((s) => fixedMs(s, beatMs));
  const left = Math.max(0, doseMs(dose) - fixed.reduce<number>((sum, ms) => sum + (ms ?? 0), 0));
  const shareOf = ({ length }: Stage) => ('share' in length ? length.share : 0);
  const shares = stages.reduce((sum, s) => sum + shareOf(s), 0);
  return stages.map((s, i) => fixed[i] ?? (left * shareOf(s)) / shares);
}

/**
 * The stages of a work part, each begun on a beat or a breath. The last goes on to the end; what lies past
 * the end does not come.
 */
export function stagesIn(dose: Dose, stages: readonly Stage[]): StageSpan[] {
  const total = doseMs(dose);
  const { beatMs } = doseBeats(dose);
  const onBeat = (ms: number) => Math.min(total, Math.round(Math.round(ms / beatMs) * beatMs));
  const lengths = wished(dose, stages);
  let at = 0;
  const starts = lengths.map((ms) => {
    const start = onBeat(at);
    at += ms;
    return start;
  });
  return stages.flatMap((stage, i): StageSpan[] => {
    const startMs = starts[i] ?? 0;
    const durationMs = (starts[i + 1] ?? total) - startMs;
    return durationMs > 0 ? [{ stage, startMs, durationMs }] : [];
  });
}

/**
 * By how much the stages are longer than the work, in ms; 0 where they fit. Each needs a beat or a breath at
 * least, so shares of too little count as too long as well.
 */
export function stagesOver(dose: Dose, stages: readonly Stage[]): number {
  const { beatMs } = doseBeats(dose);
  const needed = wished(dose, stages).reduce((sum, ms) => sum + Math.max(ms, beatMs), 0);
  return Math.max(0, Math.round(needed - doseMs(dose)));
}

const UNITS = [
  ['seconds', /^([\d.]+) ?(s|sec|seconds?)?$/, (n: number) => `${n} s`],
  ['counts', /^(\d+) ?(counts?|x|times)$/, (n: number) => (n === 1 ? '1 count' : `${n} counts`)],
  ['breaths', /^(\d+) ?breaths?$/, (n: number) => (n === 1 ? '1 breath' : `${n} breaths`)],
  ['share', /^([\d.]+) ?(shares?|parts?)$/, (n: number) => (n === 1 ? '1 share' : `${n} shares`)],
] as const;

/** The length of a stage as a teacher writes it, as in "5 s", "5 counts", "1 breath" or "2 shares". */
export function stageLengthLabel(length: StageLength): string {
  const [kind = 'share', n = 1] = Object.entries(length)[0] ?? [];
  return UNITS.find(([unit]) => unit === kind)?.[2](n) ?? '';
}

/** Reads what `stageLengthLabel` writes; a bare number is seconds. Null where it is none of these. */
export function typeStageLength(text: string): StageLength | null {
  const typed = text.trim().toLowerCase().replace(',', '.');
  for (const [unit, pattern] of UNITS) {
    const found = pattern.exec(typed);
    if (!found) continue;
    const parsed = stageLengthSchema.safeParse({ [unit]: Number(found[1]) });
    return parsed.success ? parsed.data : null;
  }
  return null;
}

/** A length of so many ms in the unit that a dose is done in: whole breaths, counts or seconds. */
export function stageLasting(dose: Dose, ms: number): StageLength {
  const { beatMs } = doseBeats(dose);
  const units = Math.max(1, Math.round(ms / beatMs));
  if (dose.kind === 'breaths') return { breaths: units };
  return isTimed(dose) ? { seconds: units } : { counts: units };
}

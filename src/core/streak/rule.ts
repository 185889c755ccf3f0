import { z } from 'zod';
import { EXCUSES, PERS } from './counted';

/** A stretch of days in which so much is forgiven. */
export const stageSchema = z
  .strictObject({
    /** How long it lasts; null for the last one, if it has no end. */
    days: z.number().int().min(1).max(730).nullable(),
    /** So many may be missed among the last so many; one more, and the streak begins again. */
    misses: z.number().int().min(0).max(51),
    among: z.number().int().min(1).max(52),
  })
  .refine((s) => s.misses < s.among, 'More may not be missed than are looked at.');

export type Stage = z.infer<typeof stageSchema>;

/** What regularity means: for a class, a programme or the studio. */
export const streakRuleSchema = z
  .strictObject({
    name: z.string().trim().min(1, 'Give the rule a name.').max(80),
    per: z.enum(PERS),
    /** How often in each week or day; 1 for meetings. */
    times: z.number().int().min(1).max(14),
    /** Two on one day count as one, where weeks are counted. */
    onceADay: z.boolean(),
    stages: z.array(stageSchema).min(1).max(6),
    /** Whether practice at home counts. */
    practice: z.boolean(),
    /** Least share of a session, in percent, that counts as having come. */
    leastShare: z.number().int().min(0).max(100),
    excuses: z.array(z.enum(EXCUSES)),
    /** Days that a person may take off as they like: so many in so many days. */
    freezes: z
      .strictObject({
        days: z.number().int().min(1).max(31),
        among: z.number().int().min(7).max(365),
      })
      .nullable(),
  })
  .refine((r) => r.per !== 'meeting' || r.times === 1, 'A meeting is kept once.')
  .refine(
    (r) => r.stages.every((s, i) => s.days !== null || i === r.stages.length - 1),
    'Only the last stage may be without an end.',
  );
export type StreakRule = z.infer<typeof streakRuleSchema>;

/** A rule, and the day from which it holds, ISO 8601. */
export interface RuleFrom {
  from: string;
  rule: StreakRule;
}

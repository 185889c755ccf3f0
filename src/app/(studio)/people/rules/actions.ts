'use server';

import { refresh } from 'next/cache';
import { z } from 'zod';
import { dateSchema } from '@/core/calendar';
import { dateLabel, dateOn } from '@/core/formats';
import { EXCUSES, STREAK_RULES, type StreakRuleKey, streakRuleSchema } from '@/core/streak';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { keepRule } from '@/server/people/rules';
import type { FormState } from '@/ui/kit/form';
import { requireTeacher } from '../../../auth';
import { answerForm, idOf } from '../../../forms';

const KEYS = Object.keys(STREAK_RULES) as [StreakRuleKey, ...StreakRuleKey[]];
const ticked = z
  .literal('on')
  .optional()
  .transform((on) => on === 'on');
const whole = (most: number) =>
  z
    .string()
    .trim()
    .regex(/^\d{1,3}$/, 'Write a whole number.')
    .transform(Number)
    .refine((n) => n <= most, `Write ${most} at most.`);

const givenSchema = z.object({
  rule: z.enum(KEYS),
  from: dateSchema,
  name: z.string().trim().max(80),
  times: whole(14).refine((n) => n >= 1, 'Write at least 1.'),
  misses: whole(51),
  among: whole(52).refine((n) => n >= 1, 'Write at least 1.'),
  leastShare: whole(100),
  practice: ticked,
  excused: ticked,
  pause: ticked,
  holiday: ticked,
  own: ticked,
});

/** Chooses what streaks are counted by, for a class or the studio, from a day on. */
export async function keepRuleAction(
  classId: string | null,
  _: FormState,
  form: FormData,
): Promise<FormState> {
  const teacher = await requireTeacher();
  return answerForm(
    form,
    givenSchema.refine((g) => !g.own || g.misses < g.among, {
      path: ['misses'],
      message: 'Fewer may be missed than are looked at.',
    }),
    async ({ rule: key, from, own, ...given }) => {
      const base = STREAK_RULES[key];
      const { name, times, misses, among, leastShare, practice } = given;
      const rule = own
        ? streakRuleSchema.parse({
            ...base,
            name: name || base.name,
            times: base.per === 'meeting' ? 1 : times,
            // A rule with stages of its own keeps them.
            stages: base.stages.length > 1 ? base.stages : [{ days: null, misses, among }],
            leastShare,
            practice,
            excuses: EXCUSES.filter((e) => given[e]),
          })
        : streakRuleSchema.parse(base);
      const today = dateOn(now(), teacher.timeZone);
      const id = classId === null ? null : idOf(classId);
      await keepRule(db(), teacher, { classId: id, from, rule, today, now: now() });
      refresh();
      return `Streaks are counted by “${rule.name}” from ${dateLabel(from)} on. What was before stays as it was judged.`;
    },
  );
}

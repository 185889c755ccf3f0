import { randomUUID } from 'node:crypto';
import { dequal } from 'dequal';
import { z } from 'zod';
import { Refusal } from '@/core/calls';
import { type RuleFrom, STREAK_RULES, type StreakRule, streakRuleSchema } from '@/core/streak';
import type { Db } from '../db';
import { found, type Scope } from '../scope';

/** What streaks are counted by: the studio's rule, and that of a class from the day it was given one. */

/** Most changes of rules that a studio keeps: so many that each of its classes may have some. */
export const MOST_RULES = 2000;

const rowSchema = z
  .object({ class_id: z.uuid().nullable(), from_date: z.string(), rule: streakRuleSchema })
  .transform((row) => ({ classId: row.class_id, from: row.from_date, rule: row.rule }));

/** A rule of the studio or of one class, and the day from which it holds. */
export interface KeptRule extends RuleFrom {
  classId: string | null;
}

/** All rules of a studio, the earliest first. */
export async function rulesOf(db: Db, { studioId }: Scope): Promise<KeptRule[]> {
  const rows = await db('streak_rules')
    .where({ studio_id: studioId })
    .orderBy('from_date')
    .select('class_id', db.raw("to_char(from_date, 'YYYY-MM-DD') as from_date"), 'rule');
  return z.array(rowSchema).parse(rows);
}

/** The rules of a class in turn: the studio's until the class was given one of its own. */
export function rulesFor(all: readonly KeptRule[], classId: string): RuleFrom[] {
  const own = all.filter((r) => r.classId === classId);
  const [first] = own;
  const studios = all.filter((r) => r.classId === null && (!first || r.from < first.from));
  const [begin] = [...studios, ...own];
  // Before anybody chose a rule, every meeting counted.
  const before = { from: '1900-01-01', rule: STREAK_RULES.every };
  return begin ? [before, ...studios, ...own] : [before];
}

/** The rule that holds on a day. */
export const ruleOn = (rules: readonly RuleFrom[], date: string): StreakRule =>
  rules.findLast((r) => r.from <= date)?.rule ?? STREAK_RULES.every;

/**
 * Gives a class, or the studio, another rule from a day on. What was before stays as it was judged; where it is the
 * rule that holds by then anyway, nothing is kept.
 * @param today ISO 8601 date; no rule begins before it
 * @throws Refusal `not-found`, `rule-in-the-past`, `too-many-rules`
 */
export async function keepRule(
  db: Db,
  scope: Scope,
  {
    classId,
    from,
    rule,
    today,
    now,
  }: { classId: string | null; from: string; rule: StreakRule; today: string; now: number },
): Promise<void> {
  const { studioId } = scope;
  if (from < today) throw new Refusal('rule-in-the-past');
  if (classId !== null) {
    found(await db('classes').where({ id: classId, studio_id: studioId }).first('id'), 'class');
  }
  await db.transaction(async (trx) => {
    await trx('studios').where({ id: studioId }).forUpdate().select('id');
    // What was to begin later gives way to what is chosen now.
    await trx('streak_rules')
      .where({ studio_id: studioId, class_id: classId })
      .where('from_date', '>=', from)
      .delete();
    const before = await trx('streak_rules')
      .where({ studio_id: studioId, class_id: classId })
      .orderBy('from_date', 'desc')
      .first('rule');
    if (before && dequal(streakRuleSchema.parse(before.rule), rule)) return;
    const kept = await trx('streak_rules')
      .where({ studio_id: studioId })
      .count<{ n: string }[]>('* as n');
    if (Number(kept[0]?.n) >= MOST_RULES) throw new Refusal('too-many-rules', String(MOST_RULES));
    await trx('streak_rules').insert({
      id: randomUUID(),
      studio_id: studioId,
      class_id: classId,
      from_date: from,
      rule: JSON.stringify(rule),
      created_at: new Date(now),
    });
  });
}

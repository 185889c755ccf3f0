import type { Metadata } from 'next';
import { z } from 'zod';
import { dateLabel, dateOn } from '@/core/formats';
import { ruleWords } from '@/core/streak';
import { allClasses } from '@/server/classes/classes';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { ruleOn, rulesFor, rulesOf } from '@/server/people/rules';
import { RulesScreen } from '@/ui/people/rules-screen';
import { requireTeacher } from '../../../auth';
import { keepRuleAction } from './actions';

export const metadata: Metadata = { title: 'Streaks' };

/** What streaks are counted by: for the studio, or for one class. */
export default async function RulesPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const teacher = await requireTeacher();
  const today = dateOn(now(), teacher.timeZone);
  const asked = z.uuid().safeParse((await searchParams).class);
  const [all, classes] = await Promise.all([rulesOf(db(), teacher), allClasses(db(), teacher)]);
  const chosen = classes.find((c) => c.id === asked.data);
  const classId = chosen?.id ?? null;
  const holding = classId === null ? all.filter((r) => r.classId === null) : rulesFor(all, classId);
  const rule = ruleOn(holding, today);
  return (
    <RulesScreen
      key={classId}
      classId={classId}
      className={chosen?.name ?? null}
      classes={classes
        .filter((c) => !c.putAway || c === chosen)
        .map(({ id, name }) => ({ id, name }))}
      rule={rule}
      says={ruleWords(rule)}
      coming={holding
        .filter((r) => r.from > today)
        .map((r) => `“${r.rule.name}” from ${dateLabel(r.from)} on`)}
      today={today}
      keep={keepRuleAction.bind(null, classId)}
    />
  );
}

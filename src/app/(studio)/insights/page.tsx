import type { Metadata } from 'next';
import { addressOf, CALLS } from '@/core/calls';
import { insightsAskedSchema } from '@/core/insights';
import { allClasses } from '@/server/classes/classes';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { insightsOf } from '@/server/insights/insights';
import { InsightsScreen } from '@/ui/insights/insights-screen';
import { requireTeacher } from '../../auth';

export const metadata: Metadata = { title: 'Insights' };

export default async function InsightsPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const teacher = await requireTeacher();
  const asked = insightsAskedSchema.parse(await searchParams);
  const of = { ...asked, zone: teacher.timeZone, now: now() };
  const [insights, classes] = await Promise.all([
    insightsOf(db(), teacher, of),
    allClasses(db(), teacher),
  ]);
  return (
    <InsightsScreen
      insights={insights.map((insight) => ({
        ...insight,
        file: addressOf(CALLS.exportInsight, undefined, { ...asked, key: insight.key }),
      }))}
      weeks={asked.weeks}
      classId={asked.classId ?? ''}
      classes={classes.map(({ id, name, putAway }) => ({
        id,
        name: putAway ? `${name}, put away` : name,
      }))}
    />
  );
}

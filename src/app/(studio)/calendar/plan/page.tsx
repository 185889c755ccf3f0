import type { Metadata } from 'next';
import { localOf } from '@/core/calendar';
import { listClasses } from '@/server/classes/classes';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { teachersOf } from '@/server/studio/teachers';
import { PlanScreen } from '@/ui/calendar/plan-screen';
import { Empty } from '@/ui/kit/empty';
import { Link } from '@/ui/kit/link';
import { Page } from '@/ui/kit/page';
import { requireTeacher } from '../../../auth';
import { planAction } from '../actions';

export const metadata: Metadata = { title: 'Plan sessions' };

export default async function PlanPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const teacher = await requireTeacher();
  const [all, teachers] = await Promise.all([
    listClasses(db(), teacher),
    teachersOf(db(), teacher),
  ]);
  const asked = (await searchParams).class;
  const classes = all.map(({ id, name }) => ({ id, name }));
  const [first] = classes;
  if (!first) {
    return (
      <Page title="Plan sessions">
        <Empty title="No class to plan yet">
          <p>
            Sessions are meetings of a class.{' '}
            <Link href="/classes" className="link">
              Make a class
            </Link>{' '}
            first; it may be filled later.
          </p>
        </Empty>
      </Page>
    );
  }
  return (
    <PlanScreen
      classes={classes}
      teachers={teachers.map(({ id, name }) => ({ id, name }))}
      classId={classes.find((c) => c.id === asked)?.id ?? first.id}
      teacherId={teacher.id}
      today={localOf(now(), teacher.timeZone).slice(0, 10)}
      plan={planAction}
    />
  );
}

import type { Metadata } from 'next';
import { listClasses } from '@/server/classes/classes';
import { db } from '@/server/db';
import { teachersOf } from '@/server/studio/teachers';
import { BringScreen } from '@/ui/calendar/bring-screen';
import { requireTeacher } from '../../../auth';
import { bringAction } from '../bring-actions';

export const metadata: Metadata = { title: 'Bring in a calendar file' };

export default async function BringPage() {
  const teacher = await requireTeacher();
  const [classes, teachers] = await Promise.all([
    listClasses(db(), teacher),
    teachersOf(db(), teacher),
  ]);
  return (
    <BringScreen
      classes={classes.map(({ id, name }) => ({ id, name }))}
      teachers={teachers.map(({ id, name }) => ({ id, name }))}
      teacherId={teacher.id}
      bring={bringAction}
    />
  );
}

import type { Metadata } from 'next';
import { listClasses } from '@/server/classes/classes';
import { db } from '@/server/db';
import { TakeInScreen } from '@/ui/people/take-in-screen';
import { requireTeacher } from '../../../auth';
import { knownAction, takeInAction, takeOutAction } from './actions';

export const metadata: Metadata = { title: 'Take in a list' };

export default async function TakeInPage() {
  const teacher = await requireTeacher();
  const classes = await listClasses(db(), teacher);
  return (
    <TakeInScreen
      classes={classes.map(({ id, name }) => ({ id, name }))}
      known={knownAction}
      takeIn={takeInAction}
      takeOut={takeOutAction}
    />
  );
}

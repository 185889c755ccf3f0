import type { Metadata } from 'next';
import { localOf } from '@/core/calendar';
import { MOST_CLOSURES } from '@/server/calendar/closures';
import { now } from '@/server/clock';
import { closuresOf } from '@/server/closed/closed';
import { db } from '@/server/db';
import { ClosedScreen } from '@/ui/calendar/closed-screen';
import { requireTeacher } from '../../../auth';
import { closeAction, reopenAction } from '../actions';

export const metadata: Metadata = { title: 'Closed days' };

export default async function ClosedPage() {
  const teacher = await requireTeacher();
  return (
    <ClosedScreen
      closures={await closuresOf(db(), teacher)}
      today={localOf(now(), teacher.timeZone).slice(0, 10)}
      most={MOST_CLOSURES}
      close={closeAction}
      reopen={reopenAction}
    />
  );
}

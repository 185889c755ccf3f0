import type { Metadata } from 'next';
import { z } from 'zod';
import { addDays, dateSchema, localOf, mondayOf } from '@/core/calendar';
import { timeOfDay } from '@/core/formats';
import { now } from '@/server/clock';
import { closuresOf } from '@/server/closed/closed';
import { db } from '@/server/db';
import { sessionsBetween } from '@/server/sessions/sessions';
import { CalendarScreen, VIEWS, WEEKS } from '@/ui/calendar/calendar-screen';
import { requireTeacher } from '../../auth';
import { dropSessionAction } from './drop-action';
import { shownOf } from './shown';

export const metadata: Metadata = { title: 'Calendar' };

const DAY_MS = 86_400_000;
/** A term shows some weeks that are past. */
const WEEKS_BACK = { term: 3, week: 0 };

const askedSchema = z.object({
  view: z.enum(VIEWS).catch('term'),
  from: dateSchema.optional().catch(undefined),
});

export default async function CalendarPage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const teacher = await requireTeacher();
  const zone = teacher.timeZone;
  const { view, from: asked } = askedSchema.parse(await searchParams);
  const at = now();
  const today = localOf(at, zone).slice(0, 10);
  const from = mondayOf(asked ?? addDays(today, -7 * WEEKS_BACK[view]));
  const to = addDays(from, 7 * WEEKS[view]);
  // A day more on both sides, since days begin at other instants in other zones.
  const [around, closures] = await Promise.all([
    sessionsBetween(db(), teacher, Date.parse(from) - DAY_MS, Date.parse(to) + DAY_MS),
    closuresOf(db(), teacher),
  ]);
  const sessions = (await shownOf(teacher, around)).filter((s) => s.at >= from && s.at < to);
  return (
    <CalendarScreen
      view={view}
      from={from}
      today={today}
      zone={zone}
      now={at}
      time={timeOfDay(at, zone)}
      sessions={sessions}
      drop={dropSessionAction}
      closures={closures.map(({ from: first, to: last, name }) => ({
        from: first,
        to: last,
        name,
      }))}
    />
  );
}

import { CALLS } from '@/core/calls';
import { dateOn } from '@/core/formats';
import { db } from '@/server/db';
import { peopleCsv } from '@/server/people/csv';
import { peopleAskedSchema, peopleShown } from '@/server/people/list';
import { attached } from '../attached';
import { answering } from '../handle';

export const GET = answering(CALLS.exportPeople, async ({ teacher, body, now }) => {
  const zone = teacher.timeZone;
  const shown = await peopleShown(db(), teacher, { ...peopleAskedSchema.parse(body), zone, now });
  const only = body.ids ? new Set(body.ids.split(',')) : null;
  const csv = peopleCsv(only ? shown.filter((p) => only.has(p.id)) : shown, zone);
  return attached(csv, { name: `people-${dateOn(now, zone)}.csv`, type: 'text/csv' });
});

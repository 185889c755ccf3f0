import { CALLS } from '@/core/calls';
import { dateOn } from '@/core/formats';
import { csvOf } from '@/server/csv';
import { db } from '@/server/db';
import { insightsOf } from '@/server/insights/insights';
import { attached } from '../attached';
import { answering } from '../handle';

export const GET = answering(CALLS.exportInsight, async ({ teacher, body, now }) => {
  const { key, ...asked } = body;
  const zone = teacher.timeZone;
  const all = await insightsOf(db(), teacher, { ...asked, zone, now });
  const insight = all.find((i) => i.key === key);
  const columns = insight?.columns.map((c) => (c.unit ? `${c.name}, ${c.unit}` : c.name)) ?? [];
  const rows = insight?.rows.map((r) => r.cells.map(String)) ?? [];
  const name = `${key}-${dateOn(now, zone)}.csv`;
  return attached(csvOf(columns, rows, { named: true }), { name, type: 'text/csv' });
});

import type { Metadata } from 'next';
import { clock } from '@/core/formats';
import { listClasses } from '@/server/classes/classes';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { outlinesOf } from '@/server/outlines/outlines';
import { ClassesScreen } from '@/ui/classes/classes-screen';
import { requireTeacher } from '../../auth';
import { createClassAction, importClassAction } from './actions';

export const metadata: Metadata = { title: 'Classes' };

export default async function ClassesPage() {
  const teacher = await requireTeacher();
  const classes = await listClasses(db(), teacher);
  const classIds = classes.map((c) => c.id);
  const outlines = await outlinesOf(db(), teacher, { classIds, now: now() });
  return (
    <ClassesScreen
      create={createClassAction}
      bring={importClassAction}
      classes={classes.map(({ id, name, slotSeconds, segments }) => {
        const outline = outlines.get(id);
        const slotMs = slotSeconds * 1000;
        return {
          id,
          name,
          length: outline ? `${outline.measured ? '' : 'about '}${clock(outline.totalMs)}` : '',
          slot: clock(slotMs),
          overruns: (outline?.totalMs ?? 0) > slotMs,
          segments,
          fill: outline?.fill ?? {},
        };
      })}
    />
  );
}

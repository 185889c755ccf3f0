import type { Metadata } from 'next';
import { placedSegments } from '@/core/class';
import { clock } from '@/core/formats';
import { listClasses } from '@/server/classes/classes';
import { db } from '@/server/db';
import { ClassesScreen } from '@/ui/classes/classes-screen';
import { requireTeacher } from '../../auth';
import { outlinesOf } from '../../class-outline';
import { createClassAction, importClassAction } from './actions';

export const metadata: Metadata = { title: 'Classes' };

export default async function ClassesPage() {
  const teacher = await requireTeacher();
  const classes = await listClasses(db(), teacher);
  const outlines = await outlinesOf(teacher, classes);
  return (
    <ClassesScreen
      create={createClassAction}
      bring={importClassAction}
      classes={classes.map(({ id, plan }) => {
        const outline = outlines.get(id);
        const slotMs = plan.slotSeconds * 1000;
        return {
          id,
          name: plan.name,
          length: outline?.length ?? '',
          slot: clock(slotMs),
          overruns: (outline?.totalMs ?? 0) > slotMs,
          segments: placedSegments(plan).length,
          fill: outline?.fill ?? {},
        };
      })}
    />
  );
}

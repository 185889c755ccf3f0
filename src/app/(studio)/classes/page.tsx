import type { Metadata } from 'next';
import { placedSegments } from '@/core/class';
import { clock } from '@/core/formats';
import { listClasses } from '@/server/classes/classes';
import { db } from '@/server/db';
import { ClassesScreen } from '@/ui/classes/classes-screen';
import { requireTeacher } from '../../auth';
import { estimatedScore, fillOf } from '../../balance-fill';
import { createClassAction } from './actions';

export const metadata: Metadata = { title: 'Classes' };

export default async function ClassesPage() {
  const teacher = await requireTeacher();
  const classes = await listClasses(db(), teacher);
  return (
    <ClassesScreen
      create={createClassAction}
      classes={classes.map(({ id, plan }) => {
        const score = estimatedScore(plan);
        return {
          id,
          name: plan.name,
          length: clock(score.totalMs),
          slot: clock(score.slotMs),
          overruns: score.totalMs > score.slotMs,
          segments: placedSegments(plan).length,
          fill: fillOf(score),
        };
      })}
    />
  );
}

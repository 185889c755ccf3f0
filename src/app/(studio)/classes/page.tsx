import type { Metadata } from 'next';
import { placedSegments } from '@/core/class';
import { clock } from '@/core/formats';
import { listClasses } from '@/server/classes/classes';
import { db } from '@/server/db';
import { studioBook } from '@/server/moves/moves';
import { talkOfTeacher } from '@/server/speech/teacher-speech';
import { ClassesScreen } from '@/ui/classes/classes-screen';
import { requireTeacher } from '../../auth';
import { estimatedScore, fillOf } from '../../balance-fill';
import { createClassAction, importClassAction } from './actions';

export const metadata: Metadata = { title: 'Classes' };

export default async function ClassesPage() {
  const teacher = await requireTeacher();
  const [classes, book, talk] = await Promise.all([
    listClasses(db(), teacher),
    studioBook(db(), teacher),
    talkOfTeacher(db(), teacher),
  ]);
  return (
    <ClassesScreen
      create={createClassAction}
      bring={importClassAction}
      classes={classes.map(({ id, plan }) => {
        const score = estimatedScore(plan, book, talk.factor);
        return {
          id,
          name: plan.name,
          length: clock(score.totalMs),
          slot: clock(score.slotMs),
          overruns: score.totalMs > score.slotMs,
          segments: placedSegments(plan).length,
          fill: fillOf(score, book),
        };
      })}
    />
  );
}

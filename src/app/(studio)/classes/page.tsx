import type { Metadata } from 'next';
import { placedSegments } from '@/core/class';
import { clock } from '@/core/formats';
import { listClasses } from '@/server/classes/classes';
import { db } from '@/server/db';
import { studioBook } from '@/server/moves/moves';
import { speakerOf, talkOfTeacher } from '@/server/speech/teacher-speech';
import { ClassesScreen } from '@/ui/classes/classes-screen';
import { requireTeacher } from '../../auth';
import { outlinesOf } from '../../class-outline';
import { createClassAction, importClassAction } from './actions';

export const metadata: Metadata = { title: 'Classes' };

export default async function ClassesPage() {
  const teacher = await requireTeacher();
  const [classes, book, talk, speaker] = await Promise.all([
    listClasses(db(), teacher),
    studioBook(db(), teacher),
    talkOfTeacher(db(), teacher),
    speakerOf(db(), teacher),
  ]);
  const outlines = await outlinesOf(teacher, classes, { book, speaker, factor: talk.factor });
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

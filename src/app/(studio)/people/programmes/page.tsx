import type { Metadata } from 'next';
import { dateLabel } from '@/core/formats';
import { listClasses } from '@/server/classes/classes';
import { db } from '@/server/db';
import { programmesOf } from '@/server/people/programmes';
import { ProgrammesScreen } from '@/ui/people/programmes-screen';
import { requireTeacher } from '../../../auth';
import { makeProgrammeAction } from './actions';

export const metadata: Metadata = { title: 'Programmes' };

export default async function ProgrammesPage() {
  const teacher = await requireTeacher();
  const [programmes, classes] = await Promise.all([
    programmesOf(db(), teacher),
    listClasses(db(), teacher),
  ]);
  return (
    <ProgrammesScreen
      programmes={programmes.map((p) => ({
        id: p.id,
        name: p.name,
        says: `${p.rule.name}, ${p.weeks} weeks, ${p.className ?? 'at home'}`,
        enrolled: p.enrolled,
        ended: p.endedOn && dateLabel(p.endedOn),
      }))}
      classes={classes.map(({ id, name }) => ({ id, name }))}
      make={makeProgrammeAction}
    />
  );
}

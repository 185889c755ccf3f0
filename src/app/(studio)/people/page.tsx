import type { Metadata } from 'next';
import { dateLabel } from '@/core/formats';
import { db } from '@/server/db';
import { listPeople } from '@/server/people/people';
import { PeopleScreen } from '@/ui/people/people-screen';
import { requireTeacher } from '../../auth';
import { addPersonAction } from './actions';

export const metadata: Metadata = { title: 'People' };

export default async function PeoplePage() {
  const teacher = await requireTeacher();
  const people = await listPeople(db(), teacher);
  return (
    <PeopleScreen
      add={addPersonAction}
      people={people.map((p) => ({
        id: p.id,
        name: p.name,
        contact: p.contact,
        joined: dateLabel(p.joinedOn),
        attended: p.attended,
        streaks: p.streaks.map(({ className, streak }) => ({
          className,
          current: streak.current,
          longest: streak.longest,
        })),
      }))}
    />
  );
}

import type { Metadata } from 'next';
import { dayLabel } from '@/core/formats';
import { drawn } from '@/core/streak';
import { PERSON_MARK_NAMES, PERSON_MARKS } from '@/core/today';
import { allClasses } from '@/server/classes/classes';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { type CameOf, PAGE, peopleAskedSchema, peoplePage } from '@/server/people/list';
import { anybody } from '@/server/people/people';
import { PeopleScreen } from '@/ui/people/people-screen';
import { requireTeacher } from '../../auth';
import { addPersonAction, bookThemAction, giveThemAction, writeToThemAction } from './actions';

export const metadata: Metadata = { title: 'People' };

const SHOWS = [
  { id: 'here', name: 'everybody' },
  ...PERSON_MARKS.map((id) => ({ id, name: PERSON_MARK_NAMES[id] })),
  { id: 'newcomers', name: 'came first within a year' },
  { id: 'carries', name: 'carries a caution' },
  { id: 'left', name: 'has left the studio' },
];
/** Beats of a line in the list. */
const BEATS = 10;

const ofWords = ({ came, of }: CameOf): string => (of === 0 ? '' : `${came} of ${of}`);

export default async function PeoplePage({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const teacher = await requireTeacher();
  const [zone, at] = [teacher.timeZone, now()];
  const asked = peopleAskedSchema.parse(await searchParams);
  const [{ people, total }, classes, some] = await Promise.all([
    peoplePage(db(), teacher, { ...asked, zone, now: at }),
    allClasses(db(), teacher),
    anybody(db(), teacher),
  ]);
  const inUse = classes.filter((c) => !c.putAway);
  const named = inUse.filter((c) => !c.atHome).map(({ id, name }) => ({ id, name }));
  const past = classes
    .filter((c) => c.putAway && c.met)
    .map(({ id, name }) => ({ id, name: `${name}, put away` }));
  return (
    <PeopleScreen
      add={addPersonAction}
      book={bookThemAction}
      write={writeToThemAction}
      give={giveThemAction}
      homeClasses={inUse.map(({ id, name }) => ({ id, name }))}
      none={!some}
      find={asked.find}
      show={asked.show}
      shows={SHOWS}
      classId={asked.classId ?? ''}
      classes={named}
      registers={[...named, ...past]}
      sort={asked.sort}
      down={asked.down}
      page={asked.page}
      pages={Math.max(1, Math.ceil(total / PAGE))}
      total={total}
      people={people.map((p) => ({
        id: p.id,
        name: p.name,
        carries: p.carries,
        classes: p.classes.join(' · '),
        seen: p.lastAt === null ? '' : dayLabel(p.lastAt, zone),
        in4: ofWords(p.in4),
        in12: ofWords(p.in12),
        line: p.best && { classId: p.best.classId, line: drawn(p.best.streak, BEATS) },
        practice: p.practice,
        says: p.marks.map((m) => m.says).join('; '),
      }))}
    />
  );
}

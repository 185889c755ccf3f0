import type { Metadata } from 'next';
import { clock } from '@/core/formats';
import { allClasses, type ListedClass } from '@/server/classes/classes';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { outlinesOf } from '@/server/outlines/outlines';
import { ClassesScreen } from '@/ui/classes/classes-screen';
import { requireTeacher } from '../../auth';
import {
  changeClassAction,
  copyClassAction,
  createClassAction,
  importClassAction,
} from './actions';

export const metadata: Metadata = { title: 'Classes' };

export default async function ClassesPage() {
  const teacher = await requireTeacher();
  const all = await allClasses(db(), teacher);
  const inUse = all.filter((c) => !c.putAway);
  const classIds = inUse.map((c) => c.id);
  const outlines = await outlinesOf(db(), teacher, { classIds, now: now() });
  const card = ({ id, name, slotSeconds, segments }: ListedClass) => {
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
  };
  return (
    <ClassesScreen
      create={createClassAction}
      bring={importClassAction}
      copy={copyClassAction}
      change={changeClassAction}
      classes={inUse.filter((c) => !c.atHome).map(card)}
      atHome={inUse.filter((c) => c.atHome).map(card)}
      putAway={all
        .filter((c) => c.putAway)
        .map(({ id, name, met, atHome }) => ({ id, name, removable: !met && !atHome }))}
    />
  );
}

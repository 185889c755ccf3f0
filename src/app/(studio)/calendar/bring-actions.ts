'use server';

import { redirect } from 'next/navigation';
import { z } from 'zod';
import {
  type Closure,
  type Found,
  type FoundSeries,
  MOST_FILE_BYTES,
  readCalendarFile,
} from '@/core/calendar';
import { Refusal } from '@/core/calls';
import { dateLabel, dayLabel, timeOfDay } from '@/core/formats';
import { textOfFile } from '@/core/text-file';
import type { Teacher } from '@/server/auth/sign-ins';
import { bringIn, foreseeBrought, type Where } from '@/server/calendar/plan';
import { now } from '@/server/clock';
import { db } from '@/server/db';
import { type Errand, once } from '@/server/errands';
import type { BringState, FoundLine } from '@/ui/calendar/bring';
import { requireTeacher } from '../../auth';
import { answerForm, errandIn } from '../../forms';
import { tellCancelled, tellPlanned, withTold } from '../../told-words';
import { whereSchema } from './where';

const { teacherId, roomFor } = whereSchema;
const bringSchema = z.looseObject({
  file: z.instanceof(File).optional(),
  /** The file as it was read the first time. */
  text: z.string().max(MOST_FILE_BYTES).optional(),
  teacherId,
  roomFor,
  step: z.literal('take').optional(),
});
type Given = z.output<typeof bringSchema>;

/** Shows what a calendar file has, and with the second button puts what was chosen on the calendar. */
export async function bringAction(_: BringState, form: FormData): Promise<BringState> {
  const teacher = await requireTeacher();
  let found: BringState['found'];
  let to: string | undefined;
  const state = await answerForm(form, bringSchema, async (given) => {
    const text = await textOf(given);
    const read = readCalendarFile(text, { zone: teacher.timeZone, now: now() });
    if (!read.ok) throw new Refusal('bad-calendar', read.problem);
    if (given.step === 'take') {
      const { there, told } = await take(teacher, read, given, errandIn(form, now()));
      if (!told) redirect(there);
      to = there;
      return told;
    }
    found = { text, ...(await inWords(teacher, read, given)) };
    return '';
  });
  // The file is not typed, and is sent along again by what was found.
  const { text: _text, ...values } = state.values;
  return { ...state, values, found, to };
}

/** A file that was chosen now goes before the one that was read. */
async function textOf({ file, text }: Given): Promise<string> {
  if (file && file.size > MOST_FILE_BYTES) {
    throw new Refusal('bad-calendar', 'This file is larger than 1 MB. Export fewer months.');
  }
  if (file && file.size > 0) {
    const read = textOfFile(new Uint8Array(await file.arrayBuffer()));
    if (!read.ok) throw new Refusal('bad-calendar', read.problem);
    return read.text;
  }
  if (text) return text;
  throw new Refusal('bad-calendar', 'Choose a file that ends in .ics first.');
}

const whereOf = (given: Given, { place, link }: FoundSeries): Where => ({
  teacherId: given.teacherId,
  roomFor: given.roomFor,
  place,
  link,
});

/** Puts what was chosen on the calendar. @returns where it is seen, and who has to be told what, if anybody */
async function take(teacher: Teacher, read: Found, given: Given, errand: Errand) {
  const brought = read.series.flatMap((found, i) => {
    const classId = z.uuid().safeParse(given[`class ${i}`]);
    return classId.success ? [{ found, classId: classId.data, where: whereOf(given, found) }] : [];
  });
  const closures = read.closures.filter((_, i) => given[`closed ${i}`] === 'on');
  if (brought.length + closures.length === 0) throw new Refusal('nothing-chosen');
  const zone = teacher.timeZone;
  const of = { brought, closures, zone, now: errand.now };
  const { told } = await withTold(teacher, async (telling) => {
    // Where it was sent before, the letters were written then.
    let news = { sessions: [] as string[], cancelled: [] as string[] };
    await once(telling.db, teacher, errand, z.number(), async (trx) => {
      news = await bringIn(trx, teacher, of);
      return news.sessions.length;
    });
    await tellCancelled(telling, { ids: news.cancelled, again: false });
    await tellPlanned(telling, news.sessions);
  });
  const first = brought[0]?.found.sessions[0]?.occurrence.slice(0, 10) ?? closures[0]?.from ?? '';
  return { there: `/calendar?view=term&from=${first}`, told: told.trim() };
}

async function inWords(teacher: Teacher, read: Found, given: Given) {
  const lines: FoundLine[] = [];
  for (const found of read.series) {
    const { uid, name, sessions, cut, place } = found;
    const [first] = sessions;
    const at = first?.startsAt ?? 0;
    const zone = teacher.timeZone;
    const times = sessions.length === 1 ? 'once' : `${sessions.length} times`;
    const begins = `${times}, ${sessions.length === 1 ? '' : 'from '}${dayLabel(at, zone)}, ${timeOfDay(at, zone)}`;
    const seen = await foreseeBrought(db(), teacher, { found, where: whereOf(given, found) });
    const notes = [
      cut && 'It goes on without an end, or for very long; so many are taken.',
      seen.closed === 1 && '1 of them falls into closed days and is cancelled',
      seen.closed > 1 && `${seen.closed} of them fall into closed days and are cancelled`,
      seen.conflicts > 0 &&
        `${seen.conflicts} of them at the same time as others, with the same teacher or place`,
    ].filter((note): note is string => note !== false);
    lines.push({ uid, name, when: [begins, place].filter(Boolean).join(', '), notes });
  }
  const closures = read.closures.map(({ name, from, to }: Closure, index) => ({
    index,
    name,
    when: from === to ? dateLabel(from) : `${dateLabel(from)} to ${dateLabel(to)}`,
  }));
  return { series: lines, closures, leftOut: read.leftOut };
}

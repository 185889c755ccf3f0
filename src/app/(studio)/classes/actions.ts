'use server';

import { refresh } from 'next/cache';
import { redirect } from 'next/navigation';
import Papa from 'papaparse';
import { z } from 'zod';
import { Refusal } from '@/core/calls';
import {
  emptyPlan,
  MAX_PLAN_BYTES,
  type Plan,
  parsePlanText,
  planSchema,
  segmentSchema,
} from '@/core/class';
import { parseSeconds } from '@/core/formats';
import { moveIdSchema } from '@/core/move';
import { textOfFile } from '@/core/text-file';
import {
  guesses,
  isTimedText,
  MOST_WRITTEN,
  MOST_WRITTEN_CHARACTERS,
  planOfWritten,
  readList,
  readTimed,
} from '@/core/written';
import type { Teacher } from '@/server/auth/sign-ins';
import { copyClass, createClass } from '@/server/classes/classes';
import { now } from '@/server/clock';
import { type Db, db } from '@/server/db';
import { type Errand, once } from '@/server/errands';
import { allMoves, studioBook } from '@/server/moves/moves';
import { bringBack, putAway, removeClass } from '@/server/put-away/put-away';
import { studioSettings } from '@/server/studio/studios';
import type { ImportState, NewClassState } from '@/ui/classes/classes-screen';
import type { ReadWritten } from '@/ui/classes/written-screen';
import { requireTeacher } from '../../auth';
import { errandIn, given } from '../../forms';

/** Longest that one line may be said to last, in seconds. */
const MOST_SLOT_S = 14_400;

export async function createClassAction(_: NewClassState, form: FormData): Promise<NewClassState> {
  const teacher = await requireTeacher();
  const name = String(form.get('name') ?? '');
  const minutes = String(form.get('minutes') ?? '');
  const seconds = parseSeconds(minutes, 'min');
  if (!planSchema.shape.name.safeParse(name).success) {
    return { name, minutes, error: 'Give the class a name of at most 80 characters.' };
  }
  if (seconds === null || !planSchema.shape.slotSeconds.safeParse(seconds).success) {
    return { name, minutes, error: 'Write the slot in minutes, from 1 to 240, such as 20.' };
  }
  const { newClass } = await studioSettings(db(), teacher);
  const plan = { ...emptyPlan(name, seconds), ...newClass };
  const made = await create(teacher, plan, errandIn(form, now()));
  if ('refused' in made) return { name, minutes, error: made.refused };
  redirect(`/classes/${made.id}`);
}

/** Makes the class, or says why it is not made. */
const create = (teacher: Teacher, plan: Plan, errand: Errand) =>
  making(teacher, errand, (trx) => createClass(trx, teacher, plan, errand.now));

async function making(
  teacher: Teacher,
  errand: Errand,
  make: (trx: Db) => Promise<string>,
): Promise<{ id: string } | { refused: string }> {
  try {
    return { id: await once(db(), teacher, errand, z.uuid(), make) };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { refused: error.message };
  }
}

const NO_PLAN = 'Choose a file that ends in .upbeat.json first.';

/** Makes a class from a plan file. What is wrong with the file is told field by field. */
export async function importClassAction(_: ImportState, form: FormData): Promise<ImportState> {
  const teacher = await requireTeacher();
  const file = form.get('file');
  if (!(file instanceof File) || file.size === 0) {
    return { problems: [NO_PLAN] };
  }
  if (file.size > 2 * MAX_PLAN_BYTES) {
    return { problems: ['This file is too large to be a class.'] };
  }
  const book = await studioBook(db(), teacher);
  const read = textOfFile(new Uint8Array(await file.arrayBuffer()));
  if (!read.ok) return { problems: [NO_PLAN] };
  const parsed = parsePlanText(read.text, book.move);
  if (!parsed.ok) {
    return { problems: parsed.problems.map((p) => `${p.field} ${p.message}`.trim()) };
  }
  const made = await create(teacher, parsed.value, errandIn(form, now()));
  if ('refused' in made) return { problems: [made.refused] };
  redirect(`/classes/${made.id}`);
}

/** The lines of a class that is written down, each with the moves that it may mean. */
export async function readWrittenAction(text: string): Promise<ReadWritten> {
  const teacher = await requireTeacher();
  const written = given(z.string().max(MOST_WRITTEN_CHARACTERS), text);
  const lines = isTimedText(written)
    ? readTimed(written)
    : readList(Papa.parse<string[]>(written, { skipEmptyLines: 'greedy' }).data);
  if (lines.length === 0) return { problem: 'Nothing that could be a move stands in this text.' };
  if (lines.length > MOST_WRITTEN) {
    return {
      problem: `This has ${lines.length} lines. A class is read from ${MOST_WRITTEN} at most.`,
    };
  }
  const moves = await allMoves(db(), teacher);
  return { lines: lines.map((line) => ({ ...line, guesses: guesses(line.text, moves) })) };
}

const writtenSchema = z.object({
  name: planSchema.shape.name,
  minutes: z.string().max(20),
  errand: z.uuid(),
  lines: z
    .array(
      z.object({
        move: moveIdSchema,
        seconds: z.number().int().min(1).max(MOST_SLOT_S).nullable(),
        rounds: segmentSchema.shape.rounds.nullable(),
      }),
    )
    .min(1)
    .max(MOST_WRITTEN),
});

/** Makes the class of lines whose moves were chosen. @returns its id, or why it is not made */
export async function makeWrittenAction(
  asked: z.input<typeof writtenSchema>,
): Promise<{ id: string } | { problem: string }> {
  const teacher = await requireTeacher();
  const read = writtenSchema.safeParse(asked);
  if (!read.success) return { problem: 'Give the class a name of at most 80 characters.' };
  const { name, minutes, errand, lines } = read.data;
  const seconds = parseSeconds(minutes, 'min');
  if (seconds === null || !planSchema.shape.slotSeconds.safeParse(seconds).success) {
    return { problem: 'Write the slot in minutes, from 1 to 240, such as 20.' };
  }
  const book = await studioBook(db(), teacher);
  if (lines.some(({ move }) => !book.move(move))) {
    return { problem: 'One of the moves is not there any more. Read the text once more.' };
  }
  const { newClass } = await studioSettings(db(), teacher);
  const plan = planOfWritten({ ...emptyPlan(name, seconds), ...newClass }, lines, book);
  const made = await create(teacher, plan, { errand, now: now() });
  return 'refused' in made ? { problem: made.refused } : made;
}

const copySchema = z.object({ id: z.uuid(), errand: z.uuid() });

/** Makes a copy of a class. @returns its id, or why it is not made */
export async function copyClassAction(
  asked: z.input<typeof copySchema>,
): Promise<{ id: string } | { refused: string }> {
  const teacher = await requireTeacher();
  const { id, errand } = given(copySchema, asked);
  const at = now();
  return making(teacher, { errand, now: at }, (trx) =>
    copyClass(trx, teacher, { classId: id, now: at }),
  );
}

const changeSchema = z.object({
  id: z.uuid(),
  does: z.enum(['putAway', 'bringBack', 'remove']),
});

/** Puts a class away, brings it back, or removes it for good. @returns what stands in the way of it */
export async function changeClassAction(
  asked: z.input<typeof changeSchema>,
): Promise<string | null> {
  const teacher = await requireTeacher();
  const { id, does } = given(changeSchema, asked);
  try {
    if (does === 'putAway') await putAway(db(), teacher, { classId: id, now: now() });
    if (does === 'bringBack') await bringBack(db(), teacher, id);
    if (does === 'remove') await removeClass(db(), teacher, id);
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return error.message;
  }
  refresh();
  return null;
}

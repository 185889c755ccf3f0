import { Refusal } from '@/core/calls';
import { type Plan, resolve, withEasier } from '@/core/class';
import { shownIn } from '@/core/follow';
import { planForPerson } from '@/core/home';
import type { CarriedCaution } from '@/core/move';
import { factorOf } from '@/core/run';
import type { Worded } from '@/core/take-away';
import { getClass } from '../classes/classes';
import { compileMeasured, followable } from '../compiling/measured';
import type { Db } from '../db';
import { studioBook } from '../moves/moves';
import { carriedColumns, carriedRowSchema } from '../people/carried';
import { found } from '../scope';
import type { Speaking } from '../speech/recordings';
import { speakerOf, talkOfTeacher } from '../speech/teacher-speech';

/** A class with its words, and the plan that they are of. */
export interface WordedClass extends Worded {
  plan: Plan;
}

/**
 * A class as it is taken away: for newcomers, as it is saved now, with measured speech and its cues in two languages.
 * @param how.easier with the easier version of every move that has one
 * @param how.cautions what somebody carries who does it alone: without what is against it
 * @throws Refusal `not-found`, `empty-class`, and as `compileMeasured` does
 */
export async function wordedClass(
  db: Db,
  teacher: Speaking,
  classId: string,
  { easier = false, cautions }: { easier?: boolean; cautions?: readonly CarriedCaution[] } = {},
): Promise<WordedClass> {
  const stored = (await getClass(db, teacher, classId)).plan;
  const [book, talk, speaker] = await Promise.all([
    studioBook(db, teacher),
    talkOfTeacher(db, teacher),
    speakerOf(db, teacher, undefined, { urgency: 'prepared' }),
  ]);
  const led = easier ? withEasier(resolve(stored, book)) : stored;
  const plan = cautions ? planForPerson(led, cautions, book).plan : led;
  const talkingFactor = factorOf(talk, plan.rules.say);
  const score = await compileMeasured(shownIn(plan), book, speaker, { talkingFactor });
  if (score.steps.length === 0) throw new Refusal('empty-class');
  return { plan, score, document: await followable({ plan, score, easier: null }, book) };
}

/**
 * A class as its teacher takes it away: as planned, in its easier version, or as somebody of the studio may do it.
 * @throws Refusal `nothing-left-for`, and as `wordedClass` does
 */
export async function takenClass(
  db: Db,
  teacher: Speaking,
  classId: string,
  { easier, person }: { easier: 'yes' | 'no'; person?: string },
): Promise<WordedClass> {
  if (person === undefined) return wordedClass(db, teacher, classId, { easier: easier === 'yes' });
  const row = await db('participants')
    .where({ id: person, studio_id: teacher.studioId })
    .first('name', ...carriedColumns(db));
  const { name } = found<{ name: string }>(row, 'person');
  try {
    return await wordedClass(db, teacher, classId, carriedRowSchema.parse(row));
  } catch (problem) {
    const empty = problem instanceof Refusal && problem.code === 'empty-class';
    throw empty ? new Refusal('nothing-left-for', name) : problem;
  }
}

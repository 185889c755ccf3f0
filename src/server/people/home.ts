import { phrasesOf } from '@library';
import { z } from 'zod';
import { Refusal } from '@/core/calls';
import { waysOf } from '@/core/checks';
import { kitOf, nameFor, type Plan, placedSegments, resolve } from '@/core/class';
import { grouped } from '@/core/collections';
import { wordsIn } from '@/core/follow/words';
import {
  type HomeLine,
  homeClass,
  isAgainst,
  type PlanForPerson,
  planForPerson,
} from '@/core/home';
import type { Language } from '@/core/language';
import {
  type CarriedCaution,
  capOf,
  hasVariant,
  type Kit,
  languageSchema,
  moveText,
  variantText,
} from '@/core/move';
import { sheetWordsIn } from '@/core/run-sheet/words';
import {
  amountOf,
  type Book,
  printVariant,
  readOfTurn,
  type VariantDone,
  variantsDone,
} from '@/core/score';
import { createClass, getClass } from '../classes/classes';
import { compiling } from '../compiling/pool';
import type { Db } from '../db';
import { type Errand, once } from '../errands';
import { studioBook } from '../moves/moves';
import { found, type Scope } from '../scope';
import { carriedColumns, carriedRowSchema } from './carried';
import { getPerson } from './person';

/** Short classes to do at home: drafted for somebody, kept as classes of the studio, shown on their own page. */

/** Most home classes that one person has. */
export const MOST_HOME = 10;

/**
 * Makes a home class for somebody out of what they have met, those moves first that have an open note, and gives
 * it to them.
 * @returns its id, and names of noted moves that something they carry is against
 * @throws Refusal `not-found`; `nothing-for-home` where they have met nothing that fits; `too-many-home`
 */
export async function makeHomeClass(
  db: Db,
  scope: Scope,
  {
    participantId,
    minutes,
    zone,
    now,
    errand,
  }: { participantId: string; minutes: number; zone: string } & Errand,
): Promise<{ classId: string; left: string[] }> {
  const [person, book] = await Promise.all([
    getPerson(db, scope, { id: participantId, zone, now }),
    studioBook(db, scope),
  ]);
  const language = person.language ?? 'en';
  const noted = person.notes.filter((n) => n.settledAt === null).map((n) => n.moveId);
  const made = homeClass(
    {
      name: 'At home',
      seconds: minutes * 60,
      language,
      cautions: person.cautions,
      noted,
      met: person.met,
    },
    book,
  );
  if (!made) throw new Refusal('nothing-for-home');
  const nameOf = (id: string) => {
    const move = book.move(id);
    return move ? moveText(move, language).name : id;
  };
  // Named after a move, not after the person, whose name is nobody else's business.
  const moves = placedSegments(made.plan).map((p) => p.segment.move);
  const main = moves.find((id) => noted.includes(id)) ?? moves[0] ?? '';
  const plan = { ...made.plan, name: nameFor(`At home: ${nameOf(main)}`) };
  const classId = await once(db, scope, { errand, now }, z.uuid(), async (trx) => {
    const id = await createClass(trx, scope, plan, now);
    await giveHomeClass(trx, scope, { participantId, classId: id, now });
    return id;
  });
  return { classId, left: made.left.map(nameOf) };
}

/** Gives somebody a class to do at home. @throws Refusal `not-found`, `too-many-home` */
export async function giveHomeClass(
  db: Db,
  { studioId }: Scope,
  { participantId, classId, now }: { participantId: string; classId: string; now: number },
): Promise<void> {
  await db.transaction(async (trx) => {
    const person = { id: participantId, studio_id: studioId };
    found(await trx('participants').where(person).forUpdate().first('id'), 'person');
    found(await trx('classes').where({ id: classId, studio_id: studioId }).first('id'), 'class');
    const [kept] = await trx('home_classes').where({ participant_id: participantId }).count();
    if (Number(kept?.count) >= MOST_HOME) throw new Refusal('too-many-home', String(MOST_HOME));
    await trx('home_classes')
      .insert({
        studio_id: studioId,
        class_id: classId,
        participant_id: participantId,
        given_at: new Date(now),
      })
      .onConflict(['participant_id', 'class_id'])
      .ignore();
  });
}

/** Takes a home class back. @throws Refusal `not-found` */
export async function takeHomeClass(
  db: Db,
  { studioId }: Scope,
  { participantId, classId }: { participantId: string; classId: string },
): Promise<void> {
  const rows = await db('home_classes')
    .where({ studio_id: studioId, participant_id: participantId, class_id: classId })
    .delete()
    .returning('class_id');
  found(rows[0], 'home class');
}

/** A home class as somebody reads it. */
export interface HomeClass {
  classId: string;
  name: string;
  language: Language;
  totalMs: number;
  /** What to have ready for it, as it is for them. */
  kit: Kit[];
  lines: HomeLine[];
}

/** The moves of a class as somebody reads them who does it alone, in each variant that they do them in. */
function linesOf(plan: Plan, { plan: theirs, easier, strong }: PlanForPerson, book: Book) {
  const { language } = plan;
  const { side } = wordsIn(language);
  const spoken = {
    phrases: phrasesOf(language),
    words: { ...sheetWordsIn(language).amount, side },
  };
  const bySegment = grouped(variantsDone(resolve(theirs, book)), ({ turn }) => turn.segment.id);
  return waysOf(plan, book).flatMap(({ segment, move }): HomeLine[] => {
    const { id, variant } = segment;
    const why = strong.includes(id) ? 'strong' : 'carried';
    const line = {
      id,
      name: variantText(move, language, variant).name,
      because: null,
      aWeek: null,
    };
    // Of what they are to leave out there is none.
    const left: HomeLine = {
      ...line,
      dose: null,
      how: '',
      mind: '',
      does: 'leaveOut',
      because: why,
    };
    const done = bySegment.get(id) ?? [];
    const changed = hasVariant(move, 'easier') ? 'easier' : 'handsFree';
    const does = easier.includes(id) ? changed : 'asPlanned';
    const lineOf = ({ turn, doses }: VariantDone): HomeLine => {
      const read = readOfTurn(turn, theirs, book);
      const other = done.length > 1 && turn.variant;
      const { name } = variantText(move, language, turn.variant);
      return {
        id: printVariant(turn),
        name: other ? `${name} (${wordsIn(language).variant[other]})` : name,
        dose: amountOf(turn, spoken, { doses }),
        how: read.how.join(' '),
        mind: read.mind.join(' '),
        does,
        because: does === 'asPlanned' ? null : why,
        // Of what is strong only a gentler version is done, which may come every day.
        aWeek: move.pressure !== 'strong' ? capOf(move) : null,
      };
    };
    return done.length > 0 ? done.map(lineOf) : [left];
  });
}

const rowSchema = z.object({ class_id: z.uuid() });

/** The language of the class that was given to somebody last; null where there is none. */
export async function homeLanguageOf(
  db: Db,
  scope: Scope,
  participantId: string,
): Promise<Language | null> {
  const row = await db('home_classes as h')
    .join('classes as c', 'c.id', 'h.class_id')
    .where({ 'h.studio_id': scope.studioId, 'h.participant_id': participantId })
    .orderBy('h.given_at', 'desc')
    .first(db.raw("c.plan->>'language' as language"));
  return languageSchema.nullable().parse(row?.language ?? null);
}

/** The classes that somebody was given to do at home, the newest first. */
export async function homeClassesOf(
  db: Db,
  scope: Scope,
  participantId: string,
): Promise<HomeClass[]> {
  const person = { id: participantId, studio_id: scope.studioId };
  const [row, rows, book] = await Promise.all([
    db('participants').where(person).first(carriedColumns(db)),
    db('home_classes as h')
      .join('classes as c', 'c.id', 'h.class_id')
      .where({ 'h.studio_id': scope.studioId, 'h.participant_id': participantId })
      .orderBy('h.given_at', 'desc')
      .select('h.class_id', 'c.plan'),
    studioBook(db, scope),
  ]);
  const { cautions } = carriedRowSchema.parse(found(row, 'person'));
  const planOf = new Map(rows.map((r) => [r.class_id as string, r.plan]));
  const homeClasses: HomeClass[] = [];
  for (const { class_id: classId } of z.array(rowSchema).parse(rows)) {
    const plan: Plan = planOf.get(classId);
    const theirs = planForPerson(plan, cautions, book);
    const task = { plan: theirs.plan, own: book.own, options: {} };
    const score = await compiling().work('score', task, book);
    homeClasses.push({
      classId,
      name: plan.name,
      language: plan.language,
      totalMs: score.totalMs,
      kit: kitOf(resolve(theirs.plan, book)),
      lines: linesOf(plan, theirs, book),
    });
  }
  return homeClasses;
}

/**
 * What somebody carries now, where they have a class to do at home.
 * @throws Refusal `not-found` where it was not given to them
 */
export async function carriedAtHome(
  db: Db,
  { studioId }: Scope,
  { participantId, classId }: { participantId: string; classId: string },
): Promise<readonly CarriedCaution[]> {
  const of = { studio_id: studioId, participant_id: participantId, class_id: classId };
  found(await db('home_classes').where(of).first('class_id'), 'class to do at home');
  const person = { id: participantId, studio_id: studioId };
  return carriedRowSchema.parse(await db('participants').where(person).first(carriedColumns(db)))
    .cautions;
}

const receiverSchema = z.object({ id: z.uuid(), name: z.string() }).and(carriedRowSchema);

/**
 * Gives a class to some people to do at home, but to nobody who carries something that is against a move of it.
 * @returns how many have it now, and the names of those who do not
 * @throws Refusal `not-found`, `too-many-home`
 */
export async function giveToMany(
  db: Db,
  scope: Scope,
  { ids, classId, now }: { ids: readonly string[]; classId: string; now: number },
): Promise<{ given: number; against: string[] }> {
  const [{ plan }, book] = await Promise.all([getClass(db, scope, classId), studioBook(db, scope)]);
  const done = waysOf(plan, book);
  const people = z.array(receiverSchema).parse(
    await db('participants')
      .where({ studio_id: scope.studioId })
      .whereIn('id', [...ids])
      .orderByRaw('lower(name)')
      .select(['id', 'name', ...carriedColumns(db)]),
  );
  const against = people.filter((p) => done.some((d) => isAgainst(d, p.cautions)));
  for (const { id } of people) {
    if (against.some((p) => p.id === id)) continue;
    await giveHomeClass(db, scope, { participantId: id, classId, now });
  }
  return { given: people.length - against.length, against: against.map((p) => p.name) };
}

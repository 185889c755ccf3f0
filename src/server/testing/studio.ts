import { randomUUID } from 'node:crypto';
import { planOf } from '@testing/plans';
import { afterAll, beforeAll } from 'vitest';
import type { Rule } from '@/core/calendar';
import type { Plan } from '@/core/class';
import { hashPassword } from '../auth/passwords';
import { createClass } from '../classes/classes';
import { connect, type Db } from '../db';
import { peopleAskedSchema, peoplePage } from '../people/list';
import { addParticipant, book } from '../people/people';
import { getPerson } from '../people/person';
import type { Scope } from '../scope';
import { planSession } from '../sessions/sessions';
import { copyTemplate } from './database';

/** Noon on a Tuesday; every test that needs the time is told it. */
export const NOON = Date.UTC(2026, 10, 24, 12);
export const MINUTE = 60_000;
export const DAY = 86_400_000;

let address = '';

/** Where the database of this file's tests is, for what connects to it on its own. */
export const testDatabaseUrl = (): string => address;

/** An empty, migrated database for the tests of one file; files that run beside it have others. */
export function testDatabase(): () => Db {
  let db: Db | undefined;
  beforeAll(async () => {
    address = await copyTemplate(process.env.VITEST_POOL_ID ?? '0');
    db = connect(address);
  });
  afterAll(async () => {
    await db?.destroy();
  });
  return () => {
    if (!db) throw new Error('the database is not open yet');
    return db;
  };
}

export interface TestStudio extends Scope {
  teacherId: string;
  email: string;
  name: string;
}

export const PASSWORD = 'a long enough password';
/** Worked out once: it takes as long as all else of a studio, as it should. */
let hashed: Promise<string> | undefined;
const passwordHash = (): Promise<string> => {
  hashed ??= hashPassword(PASSWORD);
  return hashed;
};

export async function makeStudio(db: Db): Promise<TestStudio> {
  const studioId = randomUUID();
  const teacherId = randomUUID();
  const email = `${teacherId}@example.org`;
  const created_at = new Date(NOON);
  await db('studios').insert({
    id: studioId,
    name: 'Test hall',
    time_zone: 'Europe/Dublin',
    created_at,
  });
  await db('teachers').insert({
    id: teacherId,
    studio_id: studioId,
    email,
    name: 'Test Teacher',
    password_hash: await passwordHash(),
    created_at,
  });
  return { studioId, teacherId, email, name: 'Test Teacher' };
}

export const shortPlan = (): Plan =>
  planOf([{ move: 'chin-over-shoulder' }, { move: 'tall-o-cheek-lift', rounds: 1 }]);

/** A rule for so many sessions, one a week. */
export const weekly = (count: number): Rule => ({
  repeats: 'weekly',
  every: 1,
  days: [],
  end: { by: 'number', count },
});

export interface TestClass extends TestStudio {
  classId: string;
  sessionId: string;
  /** Two people booked on the class since a year ago. */
  ada: string;
  ben: string;
}

/** A studio with one class, one session at noon and two booked people. */
export async function makeClass(db: Db): Promise<TestClass> {
  const studio = await makeStudio(db);
  const classId = await createClass(db, studio, shortPlan(), NOON);
  const sessionId = await planSession(db, studio, { classId, startsAt: NOON, now: NOON });
  const person = async (name: string) => {
    const id = await addParticipant(db, studio, {
      person: { name, contact: null },
      joinedOn: '2026-01-01',
      now: NOON,
    });
    await book(db, studio, { participantId: id, classId, now: NOON - 365 * DAY });
    return id;
  };
  return { ...studio, classId, sessionId, ada: await person('Ada'), ben: await person('Ben') };
}

const AT_NOON = { zone: 'Europe/Dublin', now: NOON };

/** One person as their page has them. */
export const personOf = (db: Db, scope: Scope, id: string) =>
  getPerson(db, scope, { id, ...AT_NOON });

/** The first page of everybody, by name. */
export async function everybodyOf(db: Db, scope: Scope) {
  const asked = peopleAskedSchema.parse({});
  return (await peoplePage(db, scope, { ...asked, ...AT_NOON })).people;
}

/** One more teacher of a studio. */
export async function makeTeacher(
  db: Db,
  studioId: string,
): Promise<{ id: string; studioId: string }> {
  const id = randomUUID();
  await db('teachers').insert({
    id,
    studio_id: studioId,
    email: `${id}@harbour.example`,
    name: 'Tess Teacher',
    password_hash: 'none',
    created_at: new Date(NOON),
  });
  return { id, studioId };
}

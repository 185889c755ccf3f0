import { randomUUID } from 'node:crypto';
import { existsSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, it, onTestFinished, vi } from 'vitest';
import { STREAK_RULES } from '@/core/streak';
import {
  allClasses,
  copyClass,
  createClass,
  getClass,
  listClasses,
  MOST_CLASSES,
} from '../classes/classes';
import { FilmFolder } from '../film/folder';
import { giveHomeClass } from '../people/home';
import { addParticipant, book } from '../people/people';
import { getPerson } from '../people/person';
import { makeProgramme } from '../people/programmes';
import { appendEvents, closeSession, prepareRun } from '../runs';
import { planSession } from '../sessions/sessions';
import {
  DAY,
  makeClass,
  makeStudio,
  NOON,
  personOf,
  shortPlan,
  testDatabase,
} from '../testing/studio';
import { bringBack, MOST_PUT_AWAY, putAway, removeClass } from './put-away';

const db = testDatabase();
const listed = async (of: { studioId: string }) => (await listClasses(db(), of)).map((c) => c.id);
const away = async (of: { studioId: string }) =>
  (await allClasses(db(), of)).filter((c) => c.putAway).map((c) => c.id);

it('takes a class out of all lists to choose from, and what it was stays', async () => {
  const c = await makeClass(db());
  const run = await prepareRun(db(), c, { sessionId: c.sessionId, now: NOON });
  const draft = (type: string) => ({ id: randomUUID(), at: NOON, type }) as never;
  const said = { runId: run.id, drafts: [draft('started')], now: NOON };
  const { name } = (await getClass(db(), c, c.classId)).plan;
  const refused = {
    code: 'class-still-meets',
    message: expect.stringContaining(`“${name}” still has sessions`),
  };
  // A session to come, and one that was begun and is not closed.
  await expect(putAway(db(), c, { classId: c.classId, now: NOON - DAY })).rejects.toMatchObject(
    refused,
  );
  await appendEvents(db(), c, said);
  await expect(putAway(db(), c, { classId: c.classId, now: NOON + DAY })).rejects.toMatchObject(
    refused,
  );
  await closeSession(db(), c, {
    sessionId: c.sessionId,
    draft: { id: randomUUID(), at: NOON },
    now: NOON,
  });
  const before = await personOf(db(), c, c.ada);
  await putAway(db(), c, { classId: c.classId, now: NOON + DAY });
  await putAway(db(), c, { classId: c.classId, now: NOON + 2 * DAY });
  expect(await listed(c)).toEqual([]);
  expect(await away(c)).toEqual([c.classId]);
  expect((await getClass(db(), c, c.classId)).putAwayAt).toBe(NOON + DAY);
  const later = { id: c.ada, zone: 'Europe/Dublin', now: NOON + 30 * DAY };
  const of = async () => {
    const { bookings, streaks } = await getPerson(db(), c, later);
    return [bookings.map((b) => b.until), streaks.map((s) => [s.ended, s.streak.longest])];
  };
  // Nobody is waited for any more; what they came to stays.
  expect(await of()).toEqual([[NOON + DAY], [[true, before.streaks[0]?.streak.longest]]]);
  // What has a past is never removed.
  await expect(removeClass(db(), c, c.classId)).rejects.toMatchObject({ code: 'class-has-past' });
  await bringBack(db(), c, c.classId);
  expect(await listed(c)).toEqual([c.classId]);
  expect((await getClass(db(), c, c.classId)).putAwayAt).toBeNull();
  expect(await of()).toEqual([[null], [[false, before.streaks[0]?.streak.longest]]]);
});

it('does not stand in the way where a session was never led and is over', async () => {
  const c = await makeClass(db());
  await putAway(db(), c, { classId: c.classId, now: NOON + DAY });
  expect(await listed(c)).toEqual([]);
});

it('lets nothing new begin with a class that is put away', async () => {
  const studio = await makeStudio(db());
  const classId = await createClass(db(), studio, shortPlan(), NOON);
  await putAway(db(), studio, { classId, now: NOON });
  const ada = { person: { name: 'Ada', contact: null }, joinedOn: '2026-01-01', now: NOON };
  const participantId = await addParticipant(db(), studio, ada);
  const programme = { name: 'Eight weeks', classId, rule: STREAK_RULES.weekly, weeks: 8 };
  for (const begins of [
    () => planSession(db(), studio, { classId, startsAt: NOON, now: NOON }),
    () => book(db(), studio, { participantId, classId, now: NOON }),
    () => makeProgramme(db(), studio, { programme, now: NOON }),
  ]) {
    await expect(begins()).rejects.toMatchObject({ code: 'class-put-away' });
  }
});

it('makes room for others, comes back where there is room, and has a limit of its own', async () => {
  const studio = await makeStudio(db());
  const { studioId } = studio;
  const first = await createClass(db(), studio, shortPlan(), NOON);
  const many = (count: number, more: object) => {
    const at = new Date(NOON);
    const plan = JSON.stringify(shortPlan());
    const row = () => ({
      id: randomUUID(),
      studio_id: studioId,
      plan,
      created_at: at,
      updated_at: at,
    });
    return db()('classes').insert(Array.from({ length: count }, () => ({ ...row(), ...more })));
  };
  await many(MOST_CLASSES - 1, {});
  await expect(createClass(db(), studio, shortPlan(), NOON)).rejects.toThrow(
    'A studio keeps 500 classes at most. Put one away first, in Classes.',
  );
  await putAway(db(), studio, { classId: first, now: NOON });
  const second = await createClass(db(), studio, shortPlan(), NOON);
  await expect(bringBack(db(), studio, first)).rejects.toMatchObject({ code: 'too-many-classes' });
  expect(await away(studio)).toEqual([first]);
  await many(MOST_PUT_AWAY - 1, { put_away_at: new Date(NOON) });
  await expect(putAway(db(), studio, { classId: second, now: NOON })).rejects.toThrow(
    'A studio has 2000 classes put away at most.',
  );
  await removeClass(db(), studio, first);
  await putAway(db(), studio, { classId: second, now: NOON });
});

it('is removed for good only where it is put away and nobody ever met, with its films', async () => {
  const films = mkdtempSync(path.join(tmpdir(), 'films-'));
  onTestFinished(() => rmSync(films, { recursive: true }));
  vi.stubEnv('UPBEAT_FILMS', films);
  const studio = await makeStudio(db());
  const classId = await createClass(db(), studio, shortPlan(), NOON);
  await expect(removeClass(db(), studio, classId)).rejects.toMatchObject({ code: 'not-found' });
  const film = randomUUID();
  await db()('films').insert({
    ...{ id: film, studio_id: studio.studioId, teacher_id: studio.teacherId, class_id: classId },
    ...{ class_version: 1, name: 'A class', options: {}, state: 'stopped', frames: 1 },
    ...{ created_at: new Date(NOON), beat_at: new Date(NOON) },
  });
  const folder = new FilmFolder(film);
  mkdirSync(folder.path, { recursive: true });
  await putAway(db(), studio, { classId, now: NOON });

  const ada = { person: { name: 'Ada', contact: null }, joinedOn: '2026-01-01', now: NOON };
  const participantId = await addParticipant(db(), studio, ada);
  await giveHomeClass(db(), studio, { participantId, classId, now: NOON });
  const kept = { code: 'class-has-past' };
  await expect(removeClass(db(), studio, classId)).rejects.toMatchObject(kept);
  await db()('home_classes').where({ class_id: classId }).delete();
  await bringBack(db(), studio, classId);
  const programme = { name: 'Eight weeks', classId, rule: STREAK_RULES.weekly, weeks: 8 };
  const programmeId = await makeProgramme(db(), studio, { programme, now: NOON });
  await putAway(db(), studio, { classId, now: NOON });
  await expect(removeClass(db(), studio, classId)).rejects.toMatchObject(kept);
  // So does one that gives it to do at home.
  await db()('programmes')
    .where({ id: programmeId })
    .update({ class_id: null, home_class_id: classId });
  await expect(removeClass(db(), studio, classId)).rejects.toMatchObject(kept);
  await db()('programmes').where({ id: programmeId }).delete();

  await removeClass(db(), studio, classId);
  expect(await allClasses(db(), studio)).toEqual([]);
  expect(await db()('films').where({ id: film })).toEqual([]);
  expect(existsSync(folder.path)).toBe(false);
});

it('copies a class with all that it says, and none of its people', async () => {
  const c = await makeClass(db());
  await putAway(db(), c, { classId: c.classId, now: NOON + DAY });
  const id = await copyClass(db(), c, { classId: c.classId, now: NOON });
  const { plan } = await getClass(db(), c, c.classId);
  expect((await getClass(db(), c, id)).plan).toEqual({ ...plan, name: `Copy of ${plan.name}` });
  expect(await listed(c)).toEqual([id]);
  expect(await db()('bookings').where({ class_id: id })).toEqual([]);
  const long = { ...plan, name: `${'n'.repeat(71)}🧘` };
  const named = await createClass(db(), c, long, NOON);
  const copy = await copyClass(db(), c, { classId: named, now: NOON });
  expect((await getClass(db(), c, copy)).plan.name).toBe(`Copy of ${'n'.repeat(71)}`);
});

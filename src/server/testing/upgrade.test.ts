import { randomUUID } from 'node:crypto';
import { LIBRARY_BOOK } from '@library';
import { migrationSource } from '@migrations';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { scoresSchema } from '@/core/calls';
import { position } from '@/core/run';
import { compile } from '@/core/score';
import { USUAL_SOUNDS } from '@/core/speech';
import { getClass, savePlan, versionsOf } from '../classes/classes';
import { connect, type Db } from '../db';
import { runOfSession } from '../runs';
import { roll } from '../sessions/register';
import { speechChoice } from '../speech/teacher-speech';
import { emptyDatabase } from './database';
import { NOON, personOf, shortPlan } from './studio';

/** What a studio had stored before an upgrade is there after it, whatever version it comes from. */

const NAMES = (await migrationSource.getMigrations([])).map((m) =>
  migrationSource.getMigrationName(m),
);
let db: Db;
beforeAll(async () => {
  db = connect(await emptyDatabase('upgrade'));
});
afterAll(() => db.destroy());

/** A studio with a class that was led once, as the first version of the database had it. */
async function studioOfOld(
  before: string,
): Promise<Record<'studioId' | 'classId' | 'personId' | 'sessionId', string>> {
  const [studioId, teacherId, classId] = [randomUUID(), randomUUID(), randomUUID()];
  const [personId, sessionId, runId] = [randomUUID(), randomUUID(), randomUUID()];
  const created_at = new Date(NOON);
  const studio = { studio_id: studioId };
  // A score from before bends could put anything in, and where it is older still, without a talking factor.
  const { talkingFactor, spares: _, ...plain } = compile(shortPlan(), LIBRARY_BOOK);
  const score = before < '005' ? plain : { ...plain, talkingFactor };
  await db('studios').insert({ id: studioId, name: 'Old hall', time_zone: 'UTC', created_at });
  await db('teachers').insert({
    id: teacherId,
    ...studio,
    email: `${teacherId}@old.example`,
    name: 'Old Teacher',
    password_hash: 'none',
    created_at,
  });
  await db('classes').insert({
    id: classId,
    ...studio,
    plan: JSON.stringify(shortPlan()),
    created_at,
    updated_at: created_at,
  });
  await db('participants').insert({
    id: personId,
    ...studio,
    name: 'Ada',
    joined_on: '2026-01-01',
    created_at,
  });
  const booked = { class_id: classId, participant_id: personId };
  await db('bookings').insert({ ...studio, ...booked, since: new Date(0) });
  await db('sessions').insert({
    id: sessionId,
    ...studio,
    class_id: classId,
    starts_at: created_at,
    status: 'held',
    created_at,
  });
  await db('attendance').insert({
    ...studio,
    session_id: sessionId,
    participant_id: personId,
    mark: 'late',
    arrived_at: created_at,
  });
  await db('runs').insert({
    id: runId,
    ...studio,
    session_id: sessionId,
    score: JSON.stringify(score),
    started_at: created_at,
    created_at,
  });
  await db('run_events').insert({
    ...studio,
    run_id: runId,
    seq: 1,
    id: randomUUID(),
    at_ms: NOON,
    type: 'started',
    data: '{}',
    received_at: created_at,
  });
  return { studioId, classId, personId, sessionId };
}

it.each(NAMES)('keeps all that was stored at %s', async (name) => {
  await db.raw('drop schema public cascade; create schema public');
  for (let n = 0; n <= NAMES.indexOf(name); n++) await db.migrate.up({ migrationSource });
  const { studioId, classId, personId, sessionId } = await studioOfOld(name);
  await db.migrate.latest({ migrationSource });

  const scope = { studioId };
  const { plan, version } = await getClass(db, scope, classId);
  expect(plan).toEqual(shortPlan());
  const author = { studioId, name: 'Old Teacher' };
  await savePlan(db, author, {
    id: classId,
    plan: { ...plan, name: 'Goes on' },
    basedOn: version,
    now: NOON,
  });
  expect((await versionsOf(db, scope, classId)).length).toBeGreaterThan(0);

  const run = await runOfSession(db, scope, sessionId);
  // The stage can still be sent what was led.
  const { score, easier } = scoresSchema.parse(JSON.parse(JSON.stringify(run)));
  // What is worked out of a score was worked out of those that were there.
  const moves = [...new Set(score.steps.map((step) => step.moveId))].sort();
  expect(await db('runs').pluck('moves')).toEqual([moves]);
  expect(position(score, run?.events ?? [], NOON + 1000, easier).status).toBe('running');
  expect(await roll(db, scope, sessionId)).toMatchObject([
    { name: 'Ada', attendance: { mark: 'late' }, cautions: [], notes: [] },
  ]);
  expect(await personOf(db, scope, personId)).toMatchObject({ name: 'Ada', consentOn: null });
  const { id } = await db('teachers').first('id');
  expect(await speechChoice(db, { id, studioId })).toEqual({
    voice: 'plain',
    voices: {},
    ownVoice: true,
    speaksSelf: false,
    deviceVoices: {},
    sounds: USUAL_SOUNDS,
  });
});

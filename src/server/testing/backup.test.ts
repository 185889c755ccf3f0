import { randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import {
  backUpNightly,
  migrationsIn,
  nightlyFrom,
  othersOn,
  restoreBackup,
  studiosIn,
  untilClockShows,
  writeBackup,
} from '../../../scripts/lib/dump.mjs';
import { connect, type Db } from '../db';
import { appendEvents, closeSession, prepareRun, runOfSession } from '../runs';
import { mark, roll } from '../sessions/register';
import { recordedAudio, saveRecording } from '../speech/recordings';
import { emptyDatabase } from './database';
import { MINUTE, makeClass, NOON, type TestClass, testDatabase, testDatabaseUrl } from './studio';
import { hummedWav } from './wav';

const db = testDatabase();
const folder = mkdtempSync(path.join(tmpdir(), 'upbeat-backup-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const file = path.join(folder, 'all.dump');

const WAV = hummedWav();
const WORDS = { language: 'en' as const, text: 'Lift the cheeks.' };

/** A class that was led and closed, with a register and a recording. */
async function ledClass(): Promise<TestClass> {
  const c = await makeClass(db());
  const { sessionId } = c;
  const run = await prepareRun(db(), c, { sessionId, now: NOON });
  const drafts = [
    { id: randomUUID(), type: 'started' as const, at: NOON },
    { id: randomUUID(), type: 'extended' as const, ms: 5000, at: NOON + 9000 },
  ];
  await appendEvents(db(), c, { runId: run.id, drafts, now: NOON + MINUTE });
  await mark(db(), c, { sessionId, participantId: c.ada, value: 'late', now: NOON + MINUTE });
  const now = NOON + 9 * MINUTE;
  await closeSession(db(), c, { sessionId, draft: { id: randomUUID(), at: now }, now });
  const teacher = { id: c.teacherId, studioId: c.studioId };
  await saveRecording(db(), teacher, { ...WORDS, wav: WAV }, NOON);
  return c;
}

/** All that was kept of it. */
async function keptOf(from: Db, c: TestClass) {
  const teacher = { id: c.teacherId, studioId: c.studioId };
  return {
    run: await runOfSession(from, c, c.sessionId),
    roll: await roll(from, c, c.sessionId),
    sound: (await recordedAudio(from, teacher, WORDS))?.wav.toString('base64'),
  };
}

describe('a backup', () => {
  let led: TestClass;
  beforeAll(async () => {
    led = await ledClass();
    writeBackup(testDatabaseUrl(), file);
  });

  it('is for nobody else on the machine to read', () => {
    expect(statSync(file).mode & 0o777).toBe(0o600);
  });

  it('gives an empty database the led class, its log, its register and the recordings', async () => {
    const url = await emptyDatabase('restored');
    expect(studiosIn(url)).toBe(0);
    restoreBackup(url, file);
    expect(studiosIn(url)).toBe(studiosIn(testDatabaseUrl()));
    const restored = connect(url);
    try {
      const kept = await keptOf(restored, led);
      expect(kept).toEqual(await keptOf(db(), led));
      expect(kept.run?.events.map((e) => e.type)).toEqual(['started', 'extended', 'finished']);
      expect(kept.sound).toBe(WAV.toString('base64'));
      expect(othersOn(url)).toBeGreaterThan(0);
    } finally {
      await restored.destroy();
    }
  });

  it('replaces what was there before, wholly', async () => {
    const url = await emptyDatabase('replaced');
    const before = connect(url);
    await before.raw('create table later (id int); create table studios (id int)');
    await before.destroy();
    restoreBackup(url, file);
    const after = connect(url);
    const tables = await after('pg_tables').where({ schemaname: 'public' }).pluck('tablename');
    await after.destroy();
    expect(tables).toContain('attendance');
    expect(tables).not.toContain('later');
  });

  it('from a newer version, of something else, or cut short is refused, and nothing changes', async () => {
    const url = await emptyDatabase('newer');
    restoreBackup(url, file);
    const newer = connect(url);
    await newer('knex_migrations').insert({ name: '999-from-tomorrow', batch: 99 });
    await newer.destroy();
    const fromTomorrow = path.join(folder, 'tomorrow.dump');
    writeBackup(url, fromTomorrow);
    const here = await emptyDatabase('here');
    expect(() => restoreBackup(here, fromTomorrow)).toThrow(/newer version.*999-from-tomorrow/);

    const text = path.join(folder, 'text.dump');
    writeFileSync(text, 'no backup');
    expect(() => restoreBackup(here, text)).toThrow(/no backup that can be read/);
    const other = await emptyDatabase('other');
    const otherFile = path.join(folder, 'other.dump');
    writeBackup(other, otherFile);
    expect(() => migrationsIn(otherFile)).toThrow(/not one of Up Beat/);
    expect(() => restoreBackup(here, path.join(folder, 'none.dump'))).toThrow(/no file/);
    expect(studiosIn(here)).toBe(0);
  });

  it('that cannot be written says why and leaves what was there', () => {
    expect(() => writeBackup(testDatabaseUrl(), path.join(folder, 'no', 'x.dump'))).toThrow(
      /Make it first/,
    );
    const gone = new URL('/not_there', testDatabaseUrl()).href;
    expect(() => writeBackup(gone, file)).toThrow(/could not be written/);
    expect(migrationsIn(file)).toContain('001-start');
    expect(readdirSync(folder).filter((name) => name.endsWith('.part'))).toEqual([]);
  });
});

describe('nightly backups', () => {
  it('keep the newest so many, and leave other files alone', () => {
    const nightly = mkdtempSync(path.join(folder, 'nightly-'));
    writeFileSync(path.join(nightly, 'mine.dump'), '');
    for (const day of ['2026-11-24', '2026-11-25', '2026-11-26', '2026-11-27']) {
      backUpNightly(testDatabaseUrl(), { folder: nightly, keep: 2, day });
    }
    expect(readdirSync(nightly).sort()).toEqual([
      'mine.dump',
      'upbeat-2026-11-26.dump',
      'upbeat-2026-11-27.dump',
    ]);
  });

  it('are read from the configuration, and what cannot be understood is told', () => {
    expect(nightlyFrom({})).toBeNull();
    expect(nightlyFrom({ UPBEAT_BACKUP_DIR: '/b' })).toEqual({
      folder: '/b',
      keep: 14,
      hour: 3,
      minute: 15,
    });
    const bad = { UPBEAT_BACKUP_DIR: '/b', UPBEAT_BACKUP_AT: '25:00' };
    expect(() => nightlyFrom(bad)).toThrow(/time of day/);
    expect(() => nightlyFrom({ UPBEAT_BACKUP_DIR: '/b', UPBEAT_BACKUP_KEEP: '0' })).toThrow(
      /from 1 to 1000/,
    );
  });

  it('come when the clock on the wall shows the hour', () => {
    const at = (hours: number, minutes: number) =>
      new Date(2026, 5, 1, hours, minutes, 0, 0).getTime();
    const night = { hour: 3, minute: 15 };
    expect(untilClockShows(night, at(1, 15))).toBe(2 * 60 * MINUTE);
    expect(untilClockShows(night, at(3, 15))).toBe(24 * 60 * MINUTE);
    expect(untilClockShows(night, at(23, 15))).toBe(4 * 60 * MINUTE);
  });
});

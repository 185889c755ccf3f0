import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { heldIn, restoreBackup, writeBackup } from '../../../scripts/lib/dump.mjs';
import { signInAs, teacherOf } from '../auth/sign-ins';
import { connect, type Db } from '../db';
import { erasePerson } from '../people/erase';
import { sendWaiting } from '../studio/carry';
import { lettersOf, writeLetter } from '../studio/letters';
import { invite, join, removeTeacher, teachersOf } from '../studio/teachers';
import { emptyDatabase } from '../testing/database';
import {
  MINUTE,
  makeClass,
  makeStudio,
  NOON,
  PASSWORD,
  type TestClass,
  testDatabase,
  testDatabaseUrl,
} from '../testing/studio';
import { HELD_BACK, type Replaced, settledWords, settleRestored } from './restored';

const db = testDatabase();
const folder = mkdtempSync(path.join(tmpdir(), 'upbeat-restored-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const file = path.join(folder, 'all.dump');

describe('a backup that is put back', () => {
  let c: TestClass;
  let token: string;
  let removed: string;
  let replaced: Omit<Replaced, 'unerase'>;
  const deleted = 'Hall that was given up';

  beforeAll(async () => {
    c = await makeClass(db());
    token = await signInAs(db(), c.teacherId, NOON);
    const owner = await teacherOf(db(), token, NOON);
    if (!owner) throw new Error('not signed in');
    removed = `${randomUUID()}@example.org`;
    const address = await invite(db(), owner, { email: removed, role: 'teacher', now: NOON });
    const account = { name: 'Second', email: removed, password: PASSWORD };
    const link = address.split('/').at(-1) ?? '';
    const second = await join(db(), { token: link, account, now: NOON });
    const closed = await makeStudio(db());
    await db()('studios').where({ id: closed.studioId }).update({ name: deleted });
    const away = async () => {
      throw Object.assign(new Error('away'), { code: 'ECONNREFUSED' });
    };
    const letter = { recipient: 'ada@example.org', subject: 'Called off', body: 'No class.' };
    await writeLetter(db(), c, { letter, now: NOON, post: away });
    writeBackup(testDatabaseUrl(), file);

    await sendWaiting(db(), { now: () => NOON + 5 * MINUTE, post: async () => {} });
    await erasePerson(db(), c, c.ada);
    await removeTeacher(db(), owner, { id: second, now: NOON });
    await db()('studios').where({ id: closed.studioId }).delete();
    replaced = heldIn(testDatabaseUrl());
  });

  /** The backup in a database of its own. */
  async function restored(name: string, work: (back: Db) => Promise<void>): Promise<void> {
    const url = await emptyDatabase(name);
    restoreBackup(url, file);
    const back = connect(url);
    try {
      await work(back);
    } finally {
      await back.destroy();
    }
  }
  const people = (at: Db) => at('participants').where({ studio_id: c.studioId }).pluck('id');

  it('signs everybody out, sends no letter twice, and leaves erased who was erased since', async () => {
    await restored('settled', async (back) => {
      expect(await people(back)).toContain(c.ada);
      expect(await teacherOf(back, token, NOON)).not.toBeNull();
      const settled = await settleRestored(back, { ...replaced, unerase: false }, NOON);
      expect(settled).toEqual({
        signedOut: 1,
        heldLetters: 1,
        erased: 1,
        back: [removed],
        studios: [deleted],
      });
      expect(await teacherOf(back, token, NOON)).toBeNull();
      const sent: string[] = [];
      const post = async ({ recipient }: { recipient: string }) => void sent.push(recipient);
      await sendWaiting(back, { now: () => NOON + 5 * MINUTE, post });
      expect(sent).toEqual([]);
      const letter = (await lettersOf(back, c)).find((l) => l.subject === 'Called off');
      expect(letter).toMatchObject({ trouble: HELD_BACK, sentAt: null });
      expect((await people(back)).sort()).toEqual((await people(db())).sort());
      // Whom only people can judge stays: a teacher may have been removed by mistake.
      expect((await teachersOf(back, c)).map(({ email }) => email)).toContain(removed);

      const again = await settleRestored(back, { ...replaced, unerase: false }, NOON);
      expect(again).toMatchObject({ signedOut: 0, heldLetters: 0, erased: 0 });
    });
  });

  it('brings back who was erased only where that is asked for', async () => {
    await restored('unerased', async (back) => {
      const settled = await settleRestored(back, { ...replaced, unerase: true }, NOON);
      expect(settled.erased).toBe(1);
      expect(await people(back)).toContain(c.ada);
      expect(settledWords(settled, { unerase: true }).join('\n')).toMatch(
        /^Everybody has to sign in anew.*\n1 letter that was on its way.*is not sent again.*\nSomebody who was erased since is there again\.\nTeachers who were removed since.*: .*@example\.org\.\nStudios .*: Hall that was given up\.\n/,
      );
    });
  });

  it('on a new machine takes nothing away but sign-ins and letters', async () => {
    const url = await emptyDatabase('new-machine');
    const nothing = heldIn(url);
    expect(nothing).toEqual({ studios: [], teachers: [], erased: [] });
    await restored('moved', async (back) => {
      const settled = await settleRestored(back, { ...nothing, unerase: false }, NOON);
      expect(settled).toEqual({ signedOut: 1, heldLetters: 1, erased: 0, back: [], studios: [] });
      expect(await people(back)).toContain(c.ada);
    });
  });
});

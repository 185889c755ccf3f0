import { expect, it, vi } from 'vitest';
import { KNOWN_DAYS, SIGN_IN_DAYS, signInAs } from './auth/sign-ins';
import { forgetAll } from './forget';
import { makeLink } from './studio/links';
import { DAY, makeClass, NOON, testDatabase } from './testing/studio';
import { log } from './watch/log';

const db = testDatabase();
const HOUR = 3_600_000;

it('forgets invitations that have run out, and devices that were away for so long', async () => {
  const c = await makeClass(db());
  await signInAs(db(), c.teacherId, NOON);
  const of = { studioId: c.studioId, email: 'late@example.org', role: 'teacher' } as const;
  await makeLink(db(), 'join', { of, now: NOON });
  const left = async () => {
    const links = await db()('links').where({ studio_id: c.studioId });
    const devices = await db()('sign_ins').where({ teacher_id: c.teacherId });
    return [links.length, devices.length];
  };
  await forgetAll(db(), NOON + 7 * DAY - HOUR);
  expect(await left()).toEqual([1, 1]);
  await forgetAll(db(), NOON + 7 * DAY);
  expect(await left()).toEqual([0, 1]);
  await forgetAll(db(), NOON + (SIGN_IN_DAYS + KNOWN_DAYS) * DAY);
  expect(await left()).toEqual([0, 1]);
  await forgetAll(db(), NOON + (SIGN_IN_DAYS + KNOWN_DAYS) * DAY + HOUR);
  expect(await left()).toEqual([0, 0]);
});

it('forgets the rest though one of it fails, and tells what did', async () => {
  const c = await makeClass(db());
  await makeLink(db(), 'join', { of: { studioId: c.studioId }, now: NOON });
  const told = vi.spyOn(log(), 'error').mockImplementation(() => {});
  vi.stubEnv('TMPDIR', '/nowhere');
  await db().schema.renameTable('films', 'films_away');
  await forgetAll(db(), NOON + 8 * DAY).finally(() =>
    db().schema.renameTable('films_away', 'films'),
  );
  expect(told.mock.calls.map(([fields]) => fields)).toMatchObject([
    { what: 'forgetFilms', code: '42P01' },
    { what: 'removeLeftFolders', code: 'ENOENT' },
  ]);
  expect(await db()('links').where({ studio_id: c.studioId })).toEqual([]);
  told.mockRestore();
});

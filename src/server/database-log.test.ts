import { readFileSync } from 'node:fs';
import path from 'node:path';
import { expect, it } from 'vitest';
import { makeStudio, testDatabase } from './testing/studio';

const db = testDatabase();

it('the database tells in its log that it runs, and nothing of people when it refuses a row', async () => {
  const { studioId } = await makeStudio(db());
  const name = 'Quentina Overboard';
  const failing = { id: studioId, studio_id: studioId, name, joined_on: null };
  await expect(db()('participants').insert(failing)).rejects.toMatchObject({ code: '23502' });
  await expect(db().raw('select ?::uuid', [name])).rejects.toMatchObject({ code: '22P02' });
  await expect(db().raw(`select '${name}' from`)).rejects.toMatchObject({ code: '42601' });
  const { rows } = await db().raw('show data_directory');
  const log = readFileSync(path.join(rows[0].data_directory, '..', 'postgres.log'), 'utf8');
  expect(log).toContain('ready to accept connections');
  expect(log).not.toContain('Overboard');
});

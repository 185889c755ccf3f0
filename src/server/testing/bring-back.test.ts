import { expect, it } from 'vitest';
import { bringBack, keepAsItIs } from './database';
import { makeStudio, testDatabase } from './studio';

const db = testDatabase();

it('what a server still does for a test that is over gives way to the beginning of the next', async () => {
  await makeStudio(db());
  await keepAsItIs(db());
  await makeStudio(db());
  const tables: string[] = await db()('pg_tables')
    .where({ schemaname: 'public' })
    .whereNot('tablename', 'like', 'knex_%')
    .pluck('tablename');
  // It holds one table and comes to want all the others, while those are being brought back.
  const late = await db().transaction();
  await late.raw('lock table studios in share row exclusive mode');
  await late('studios').update({ name: 'Too late' });
  const back = bringBack(db(), 1);
  await expect
    .poll(async () => {
      const here = '(select oid from pg_database where datname = current_database())';
      const waiting = db()('pg_locks').where({ granted: false }).whereRaw(`database = ${here}`);
      const [row] = await waiting.count();
      return Number(row?.count);
    })
    .toBeGreaterThan(0);
  const refused = tables.reduce(
    (before, table) =>
      before.then(() => late.raw('lock table ?? in access exclusive mode', [table])),
    Promise.resolve(),
  );
  await expect(refused).rejects.toThrow('deadlock detected');
  await late.rollback();
  await back;
  expect(await db()('studios').pluck('name')).toEqual(['Test hall']);
});

import { seedDemo } from '@/server/demo/seed';
import { keepAsItIs, makeTemplate } from '@/server/testing/database';
import { NOON } from './app';

/** Makes the database that every worker of the browser tests copies: the demo studio at noon. */
await makeTemplate(async (db) => {
  await seedDemo(db, 'the demo password', NOON);
  await keepAsItIs(db);
});

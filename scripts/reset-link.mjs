import { mkdirSync } from 'node:fs';
import { database } from './lib/database.mjs';
import { otherStart } from './lib/lock.mjs';
import { ensurePackages, requireNode } from './lib/packages.mjs';
import { bin, DATA_DIR } from './lib/paths.mjs';
import { run } from './lib/run.mjs';
import { main } from './lib/say.mjs';

/** Runs reset-link.ts on the database of this machine: npm run reset-link -- name@example.org */
await main(async () => {
  requireNode();
  await ensurePackages();
  mkdirSync(DATA_DIR, { recursive: true });
  const { url, stop } = await database();
  try {
    const args = ['scripts/reset-link.ts', ...process.argv.slice(2)];
    return await run(bin('tsx'), args, { env: { DATABASE_URL: url } });
  } finally {
    if (!otherStart()) await stop();
  }
});

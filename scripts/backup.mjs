import { mkdirSync } from 'node:fs';
import { database } from './lib/database.mjs';
import { ensureDebian } from './lib/debian.mjs';
import { writeBackup } from './lib/dump.mjs';
import { otherStart } from './lib/lock.mjs';
import { requireNode } from './lib/packages.mjs';
import { DATA_DIR } from './lib/paths.mjs';
import { main, say, Trouble } from './lib/say.mjs';

/** Writes everything into one file: npm run backup -- FILE */
await main(async () => {
  requireNode();
  const file = process.argv[2];
  if (!file) throw new Trouble('Say where to: npm run backup -- FILE');
  mkdirSync(DATA_DIR, { recursive: true });
  await ensureDebian(['postgresql']);
  const { url, stop } = await database();
  try {
    writeBackup(url, file);
    say(
      `Everything is in ${file}. It holds names and cautions: keep it where only you can read it.`,
    );
    return 0;
  } finally {
    if (!otherStart()) await stop();
  }
});

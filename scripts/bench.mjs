import { spawnSync } from 'node:child_process';
import { ensureDebian } from './lib/debian.mjs';
import { ensurePackages, requireNode } from './lib/packages.mjs';
import { ROOT } from './lib/paths.mjs';
import { main } from './lib/say.mjs';

/** Prints the performance figures, as ratios measured in one run. */
await main(async () => {
  requireNode();
  await ensurePackages();
  await ensureDebian(['espeak-ng'], { optional: true });
  const args = ['--expose-gc', '--import', 'tsx', 'scripts/bench.ts'];
  return spawnSync(process.execPath, args, { cwd: ROOT, stdio: 'inherit' }).status ?? 1;
});

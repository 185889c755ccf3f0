import { spawnSync } from 'node:child_process';
import { ensurePackages, requireNode } from './lib/packages.mjs';
import { bin, ROOT } from './lib/paths.mjs';
import { main } from './lib/say.mjs';

/** Runs a TypeScript command of the project, installing the packages it needs first. */
await main(async () => {
  requireNode();
  await ensurePackages();
  const done = spawnSync(bin('tsx'), process.argv.slice(2), { cwd: ROOT, stdio: 'inherit' });
  return done.status ?? 1;
});

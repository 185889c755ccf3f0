import { spawnSync } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { ensureDebian } from './lib/debian.mjs';
import { ensurePackages, requireNode } from './lib/packages.mjs';
import { DATA_DIR, ROOT } from './lib/paths.mjs';
import { ensureDatabase, startPostgres } from './lib/postgres.mjs';
import { main } from './lib/say.mjs';

const BENCH_DIR = path.join(DATA_DIR, 'bench');

function run(script, env = {}, flags = []) {
  const args = [...flags, '--import', 'tsx', script];
  const options = { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } };
  return spawnSync(process.execPath, args, options).status ?? 1;
}

/** Prints the performance figures, as ratios measured in one run. */
await main(async () => {
  requireNode();
  await ensurePackages();
  await ensureDebian(['espeak-ng'], { optional: true });
  const computed =
    run('bench/compile.ts', {}, ['--expose-gc']) ||
    run('bench/core.ts') ||
    run('bench/face.ts') ||
    run('bench/film.ts');
  if (computed !== 0) return computed;

  await ensureDebian(['postgresql', 'chromium']);
  mkdirSync(BENCH_DIR, { recursive: true });
  const postgres = await startPostgres(BENCH_DIR);
  try {
    ensureDatabase(postgres, 'upbeat_bench');
    await ensureBuild();
    const env = { DATABASE_URL: postgres.urlOf('upbeat_bench'), UPBEAT_DATA_DIR: BENCH_DIR };
    const made = run('e2e/make-demo.ts', env);
    return (
      made ||
      ['pages', 'compose', 'lead', 'year', 'register', 'neighbour', 'follow', 'sound'].reduce(
        (bad, b) => bad || run(`bench/${b}.ts`, env),
        0,
      )
    );
  } finally {
    await postgres.stop();
  }
});

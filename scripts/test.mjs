import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { ensureDebian } from './lib/debian.mjs';
import { ensurePackages, requireNode } from './lib/packages.mjs';
import { bin, DATA_DIR } from './lib/paths.mjs';
import { ensureDatabase, startPostgres } from './lib/postgres.mjs';
import { run } from './lib/run.mjs';
import { main, say } from './lib/say.mjs';
import { single, Tally } from './lib/suites.mjs';

/**
 * Everything that must hold: format and lint, types, layers, unit, database and browser tests.
 * With names as arguments, only those suites: npm test -- unit browser
 */
const ASKED = process.argv.slice(2);
const FILES = ASKED.filter((name) => name.startsWith('e2e/'));
const ONLY = ASKED.filter((name) => !FILES.includes(name));
/** Enough for every run; `npx vitest --project unit` runs each property a thousand times. */
const PROPERTY_RUNS = process.env.UPBEAT_PROPERTY_RUNS ?? '300';
const TEST_DIR = path.join(DATA_DIR, 'test');
const result = (name) => path.join(TEST_DIR, `${name}.json`);

async function vitest(project, env) {
  const file = result(project);
  rmSync(file, { force: true });
  const args = [
    'run',
    '--project',
    project,
    '--reporter=dot',
    '--reporter=json',
    `--outputFile.json=${file}`,
  ];
  const code = await run(bin('vitest'), args, { env });
  const report = JSON.parse(readFileSync(file, 'utf8'));
  const failed = report.numFailedTests + (report.numFailedTests === 0 && code !== 0 ? 1 : 0);
  return { passed: report.numPassedTests, failed };
}

async function playwright(env) {
  const file = result('browser');
  rmSync(file, { force: true });
  const code = await run(bin('playwright'), ['test', ...FILES], {
    env: { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: file },
  });
  const { stats } = JSON.parse(readFileSync(file, 'utf8'));
  const failed = stats.unexpected + (stats.unexpected === 0 && code !== 0 ? 1 : 0);
  return { passed: stats.expected + stats.flaky, failed };
}

await main(async () => {
  requireNode();
  mkdirSync(TEST_DIR, { recursive: true });
  await ensurePackages();
  await ensureDebian(['postgresql', 'espeak-ng', 'chromium', 'poppler-utils']);
  const wanted = (name) => ONLY.length === 0 || ONLY.includes(name);
  const tally = new Tally();
  const suite = (name, work) => (wanted(name) ? tally.suite(name, work) : undefined);

  await suite('lint', async () =>
    single(await run(bin('biome'), ['ci', '--error-on-warnings', '.'])));
  await suite('types', async () => {
    await run(bin('next'), ['typegen']);
    return single(await run(bin('tsc'), ['--noEmit']));
  });
  await suite('layers', async () =>
    single(
      await run(bin('depcruise'), [
        '--config',
        '.dependency-cruiser.mjs',
        'src',
        'library',
        'demo',
      ]),
    ));
  await suite('unit', () => vitest('unit', { UPBEAT_PROPERTY_RUNS: PROPERTY_RUNS }));

  if (wanted('database') || wanted('browser')) {
    const postgres = await startPostgres(TEST_DIR);
    try {
      for (const name of ['upbeat_test', 'upbeat_browser']) ensureDatabase(postgres, name);
      await suite('database', () =>
        vitest('database', {
          DATABASE_URL: postgres.urlOf('upbeat_test'),
          UPBEAT_DATA_DIR: TEST_DIR,
        }));
      await suite('browser', async () => {
        await ensureBuild();
        return playwright({
          DATABASE_URL: postgres.urlOf('upbeat_browser'),
          UPBEAT_DATA_DIR: TEST_DIR,
        });
      });
    } finally {
      await postgres.stop();
    }
  }
  say(`\n${tally.passed} passed, ${tally.failed} failed`);
  return tally.failed === 0 ? 0 : 1;
});

import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { ensureBuild } from './lib/build.mjs';
import { ensureDebian } from './lib/debian.mjs';
import { ensurePackages, requireNode } from './lib/packages.mjs';
import { bin, DATA_DIR, inRoot } from './lib/paths.mjs';
import { startPostgres } from './lib/postgres.mjs';
import { run } from './lib/run.mjs';
import { main, say } from './lib/say.mjs';
import { playwrightResult, single, Tally, vitestResult } from './lib/suites.mjs';

/**
 * Everything that must hold: format and lint, types, layers, unit, database and browser tests.
 * With names as arguments, only those suites: npm test -- unit browser. Files of browser tests may
 * follow: npm test -- browser e2e/lead.spec.ts
 */
const ASKED = process.argv.slice(2);
const FILES = ASKED.filter((name) => name.startsWith('e2e/'));
const ONLY = ASKED.filter((name) => !FILES.includes(name));
/** Enough for every run; `npx vitest --project unit` runs each property a thousand times. */
const PROPERTY_RUNS = process.env.UPBEAT_PROPERTY_RUNS ?? '160';
/** Enough of a page to see what stood in the way, and no more than a log can bear. */
const LINES_OF_A_PAGE = 120;
const TEST_DIR = path.join(DATA_DIR, 'test');
/**
 * The compiler in native code checks the types in a quarter of the time. What reads the code for the layer rule needs
 * the one before, which other programs can call.
 */
const TSC = inRoot('node_modules', 'typescript-7', 'bin', 'tsc');

/** Runs projects of Vitest and reads their report. */
async function vitest(projects, env) {
  const file = path.join(TEST_DIR, `${projects[0]}.json`);
  rmSync(file, { force: true });
  const named = projects.flatMap((project) => ['--project', project]);
  const args = ['run', ...named, '--reporter=dot', '--reporter=json'];
  const code = await run(bin('vitest'), [...args, `--outputFile.json=${file}`], { env });
  return vitestResult(JSON.parse(readFileSync(file, 'utf8')), code);
}

/** What stood on the page of each browser test that failed. */
function tellWhatWasSeen() {
  const results = path.join(TEST_DIR, 'browser-results');
  if (!existsSync(results)) return;
  for (const name of readdirSync(results, { recursive: true })) {
    if (!name.endsWith('error-context.md')) continue;
    say(`\n${name}`);
    const seen = readFileSync(path.join(results, name), 'utf8').split('# Page snapshot')[1] ?? '';
    say(seen.split('\n').slice(0, LINES_OF_A_PAGE).join('\n'));
  }
}

/** Runs the browser tests and reads their report. */
async function playwright(env) {
  const file = path.join(TEST_DIR, 'browser.json');
  rmSync(file, { force: true });
  const code = await run(
    bin('playwright'),
    ['test', ...(FILES.length ? ['--no-deps', ...FILES] : [])],
    {
      env: { ...env, PLAYWRIGHT_JSON_OUTPUT_NAME: file },
    },
  );
  tellWhatWasSeen();
  return playwrightResult(JSON.parse(readFileSync(file, 'utf8')), code);
}

await main(async () => {
  requireNode();
  mkdirSync(TEST_DIR, { recursive: true });
  await ensurePackages();
  await ensureDebian([
    'postgresql',
    'espeak-ng',
    'chromium',
    'openssl',
    'poppler-utils',
    'ffmpeg',
    'flite',
  ]);
  // Not every Debian has it; the browser tests run without it too, more slowly.
  await ensureDebian(['chromium-headless-shell'], { optional: true });
  const wanted = (name) => ONLY.length === 0 || ONLY.includes(name);
  const tally = new Tally();
  const suite = (name, work) => (wanted(name) ? tally.suite(name, work) : undefined);

  await suite('lint', async () =>
    single(await run(bin('biome'), ['ci', '--error-on-warnings', '.'])));
  await Promise.all([
    suite('types', async () => {
      await run(bin('next'), ['typegen']);
      return single(await run(TSC, ['--noEmit']));
    }),
    suite('layers', async () => {
      const cruise = (config, ...args) => run(bin('depcruise'), ['--config', config, ...args]);
      const layers = await cruise('.dependency-cruiser.mjs', 'src', 'library', 'demo', 'testing');
      const folders = await cruise(
        '.dependency-folders.mjs',
        '--metrics',
        ...['src', 'library', 'demo', 'e2e', 'bench', 'scripts'],
      );
      return single(layers || folders);
    }),
  ]);
  await suite('unit', () => vitest(['unit', 'screens'], { UPBEAT_PROPERTY_RUNS: PROPERTY_RUNS }));

  if (wanted('database') || wanted('browser')) {
    const postgres = await startPostgres(TEST_DIR);
    try {
      const built = wanted('browser') ? ensureBuild() : Promise.resolve();
      // Who needs it hears of its failure; until then nobody does.
      built.catch(() => {});
      const on = (name) => ({
        DATABASE_URL: postgres.urlOf(name),
        UPBEAT_DATA_DIR: TEST_DIR,
      });
      await suite('database', () => vitest(['database', 'handlers'], on('upbeat_test')));
      if (wanted('browser')) {
        const env = on('upbeat_browser');
        await built;
        await tally.suite('browser', () => playwright(env));
      }
    } finally {
      await postgres.stop();
    }
  }
  say(`\n${tally.closing()}`);
  return tally.failed === 0 ? 0 : 1;
});

import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { bin, inRoot, ROOT } from './paths.mjs';
import { mustRun } from './run.mjs';
import { say } from './say.mjs';

const SOURCES = [
  'src',
  'library',
  'demo',
  'public',
  'next.config.ts',
  'postcss.config.mjs',
  'tsconfig.json',
  'package.json',
  'package-lock.json',
];

function* files(entry) {
  if (!existsSync(entry)) return;
  if (!statSync(entry).isDirectory()) {
    yield entry;
    return;
  }
  for (const name of readdirSync(entry).sort()) yield* files(path.join(entry, name));
}

function fingerprint() {
  const hash = createHash('sha256');
  for (const source of SOURCES) {
    for (const file of files(inRoot(source))) {
      if (/\.test\.tsx?$/.test(file)) continue;
      hash.update(path.relative(ROOT, file)).update('\0').update(readFileSync(file));
    }
  }
  return hash.digest('hex');
}

/** Builds the application where its sources have changed since the last build. */
export async function ensureBuild() {
  const mark = inRoot('.next', 'up-beat-build');
  const now = fingerprint();
  if (existsSync(mark) && readFileSync(mark, 'utf8') === now) return;
  say('Building …');
  await mustRun(
    bin('next'),
    ['build'],
    { env: { NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1' } },
    'The build failed; what it printed above says where.',
  );
  writeFileSync(mark, now);
}

import { spawnSync } from 'node:child_process';
import path from 'node:path';
import { expect, it } from 'vitest';

const root = path.resolve(import.meta.dirname, '..');

/** The rules that a checkout with deliberate violations breaks. */
function broken(folder: string): { status: number | null; rules: string[] } {
  const result = spawnSync(
    path.join(root, 'node_modules/.bin/depcruise'),
    [
      '--config',
      path.join(root, '.dependency-cruiser.mjs'),
      '--output-type',
      'json',
      '--no-cache',
      'src',
    ],
    { cwd: path.join(root, folder), encoding: 'utf8' },
  );
  const report = JSON.parse(result.stdout) as {
    summary: { violations: { from: string; to: string; rule: { name: string } }[]; error: number };
  };
  return {
    status: report.summary.error,
    rules: report.summary.violations.map((v) => `${v.rule.name}: ${v.from} to ${v.to}`).sort(),
  };
}

it('fails on a core that reads files or the server, and on a screen that reads tables', () => {
  expect(broken('scripts/fixtures/layers')).toEqual({
    status: 3,
    rules: [
      'core-is-pure: src/core/reaches-up.ts to fs',
      'core-is-pure: src/core/reaches-up.ts to src/server/table.ts',
      'ui-knows-neither-app-nor-server: src/ui/reads-tables.ts to src/server/table.ts',
    ],
  });
});

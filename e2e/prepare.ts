import { spawnSync } from 'node:child_process';

/** In a process of its own, since Playwright's way of loading modules does not know all that it needs. */
export default function prepare(): void {
  const args = ['scripts/run-ts.mjs', 'e2e/make-demo.ts'];
  const made = spawnSync(process.execPath, args, { encoding: 'utf8' });
  if (made.status !== 0) throw new Error(made.stderr);
}

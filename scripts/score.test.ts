import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { planJsonSchema } from './schema';

const root = path.resolve(import.meta.dirname, '..');
const folder = mkdtempSync(path.join(tmpdir(), 'upbeat-score-'));
afterAll(() => rmSync(folder, { recursive: true }));

function score(...args: string[]) {
  const env = { ...process.env, DATABASE_URL: '' };
  return spawnSync('npm', ['run', '-s', 'score', '--', ...args], {
    cwd: root,
    encoding: 'utf8',
    env,
  });
}
function file(name: string, content: string): string {
  const at = path.join(folder, name);
  writeFileSync(at, content);
  return at;
}
const examples = readdirSync(path.join(root, 'examples'));

describe('npm run score', () => {
  it.each(examples)('prints the score of %s as JSON', (name) => {
    const done = score(path.join('examples', name));
    expect([done.status, done.stderr]).toEqual([0, '']);
    const printed = JSON.parse(done.stdout);
    const { workMs, upbeatMs, switchMs, releaseMs, restMs } = printed.totals;
    expect(workMs + upbeatMs + switchMs + releaseMs + restMs).toBe(printed.totalMs);
    expect(printed.totalMs).toBeLessThanOrEqual(printed.slotMs);
  });

  it('names the field of a wrong file and what was expected', () => {
    const plan = JSON.parse(readFileSync(path.join(root, 'examples', examples[0] ?? ''), 'utf8'));
    plan.phases.arrive[0].segments[0].rounds = 0;
    plan.phases.arrive[0].segments[0].move = 'moon-walk';
    const done = score(file('wrong.upbeat.json', JSON.stringify(plan)));
    expect(done.status).toBe(1);
    expect(done.stdout).toBe('');
    expect(done.stderr).toContain('phases.arrive[0].segments[0].rounds must be at least 1 round');
  });

  it('says in one sentence what is wrong with a file that is no plan at all', () => {
    expect(score(file('broken.json', '{ "name": ')).stderr).toMatch(/not JSON/);
    expect(score(path.join(folder, 'missing.json')).stderr).toMatch(/cannot be read/);
    expect(score().stderr).toMatch(/Name a plan file/);
  });
});

it('docs hold the schema that the application reads plan files with', () => {
  const published = readFileSync(path.join(root, 'docs/upbeat-class.schema.json'), 'utf8');
  expect(published, 'run: npm run schema').toBe(planJsonSchema());
});

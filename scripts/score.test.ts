import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { planJsonSchema } from './schema';
import { FIELD_WORDS } from './schema-words';
import { scoreFile } from './score-file';

const root = path.resolve(import.meta.dirname, '..');
const folder = mkdtempSync(path.join(tmpdir(), 'upbeat-score-'));
afterAll(() => rmSync(folder, { recursive: true }));

/** The command itself, as somebody runs it; what it says of a file is asked of `scoreFile`. */
function run(...args: string[]) {
  const env = { ...process.env, DATABASE_URL: '' };
  return spawnSync('npm', ['run', '-s', 'score', '--', ...args], {
    cwd: root,
    encoding: 'utf8',
    env,
  });
}
const problemsOf = (of: string | undefined): string[] => {
  const scored = scoreFile(of);
  return scored.ok ? [] : scored.problems;
};
function file(name: string, content: string): string {
  const at = path.join(folder, name);
  writeFileSync(at, content);
  return at;
}
const examples = readdirSync(path.join(root, 'examples'));

describe('npm run score', () => {
  it('prints the score of a file as JSON, or what is wrong with it and nothing else', () => {
    const [example = ''] = examples;
    const done = run(path.join('examples', example));
    expect([done.status, done.stderr]).toEqual([0, '']);
    const scored = scoreFile(path.join(root, 'examples', example));
    const { checks, ...score } = JSON.parse(done.stdout);
    expect(scored.ok && score).toEqual(scored.ok && scored.score);
    expect(checks).toEqual(scored.ok && scored.checks);
    const wrong = run(file('broken.json', '{ "name": '));
    expect([wrong.status, wrong.stdout]).toEqual([1, '']);
    expect(wrong.stderr).toMatch(/not JSON/);
  });

  it.each(examples)('adds up for %s, within its slot', (name) => {
    const scored = scoreFile(path.join(root, 'examples', name));
    if (!scored.ok) throw new Error(scored.problems.join());
    const { totals, totalMs, slotMs } = scored.score;
    const { workMs, upbeatMs, switchMs, releaseMs, restMs } = totals;
    expect(workMs + upbeatMs + switchMs + releaseMs + restMs).toBe(totalMs);
    expect(totalMs).toBeLessThanOrEqual(slotMs);
  });

  it('names the field of a wrong file and what was expected', () => {
    const plan = JSON.parse(
      readFileSync(path.join(root, 'examples', 'five-minutes-cameras-on.upbeat.json'), 'utf8'),
    );
    plan.phases.arrive[0].segments[0].rounds = 0;
    plan.phases.arrive[0].segments[0].move = 'moon-walk';
    const [problem] = problemsOf(file('wrong.upbeat.json', JSON.stringify(plan)));
    expect(problem).toContain('phases.arrive[0].segments[0].rounds must be at least 1 round');
  });

  it('takes how much the teacher talks and who is in the room, and tells what to look at', () => {
    const example = path.join(root, 'examples', 'five-minutes-cameras-on.upbeat.json');
    const plain = scoreFile(example);
    const slow = scoreFile(example, { talkingFactor: '1.5' });
    if (!plain.ok || !slow.ok) throw new Error('the example is refused');
    expect(slow.score.totalMs).toBeGreaterThan(plain.score.totalMs);
    expect(slow.checks.map((c) => c.check)).toContain('slot-overrun');
    const room = file('met.json', JSON.stringify([[], []]));
    const unmet = scoreFile(example, { room });
    expect(unmet.ok && unmet.score.totalMs).toBe(plain.score.totalMs);
    expect(problemsOf('no-such-file.json')[0]).toMatch(/cannot be read/);
    const wrong = [
      scoreFile(example, { talkingFactor: '0.2' }),
      scoreFile(example, { room: example }),
    ];
    expect(wrong.map((s) => (s.ok ? '' : s.problems[0]))).toEqual([
      expect.stringMatching(/--talking-factor must be a number from 0.5 to 3/),
      expect.stringMatching(/must be a list of lists of move ids/),
    ]);
    const usage = problemsOf(undefined)[0] ?? '';
    const [named = ''] = /examples\/[\w.-]+/.exec(usage) ?? [];
    expect(examples).toContain(path.basename(named));
  });

  const segment = (change: string): string =>
    `{"format":"upbeat-class/1","name":"x","slotSeconds":600,"phases":{"work":[{"id":"b","order":"straight","segments":[${change}]}]}}`;
  const good = (id: string, change = ''): string =>
    `{"id":"${id}","move":"smile-pulses","dose":{"kind":"hold","seconds":20},"sides":"together","rounds":2,"releaseSeconds":5,"restSeconds":0${change}}`;

  it.each([
    [
      'an unknown move',
      segment(good('s1').replace('smile-pulses', 'moon-walk')),
      /segments\[0\]\.move names the move "moon-walk"/,
    ],
    [
      'zero rounds',
      segment(good('s1').replace('"rounds":2', '"rounds":0')),
      /rounds must be at least 1 round/,
    ],
    [
      'a negative rest',
      segment(good('s1').replace('"restSeconds":0', '"restSeconds":-3')),
      /restSeconds must not be negative/,
    ],
    [
      'a 10-hour hold',
      segment(good('s1').replace('"seconds":20', '"seconds":36000')),
      /dose\.seconds must be at most 600 seconds/,
    ],
    [
      'a control character in a cue',
      segment(good('s1', ',"cues":{"letGo":"go\\u0007"}')),
      /cues\.letGo must not hold control characters/,
    ],
    [
      'two segments with one id',
      segment(`${good('s1')},${good('s1')}`),
      /segments\[1\]\.id "s1" is already the id of/,
    ],
    ['NaN', segment(good('s1').replace('"rounds":2', '"rounds":NaN')), /not JSON/],
    [
      '5 MB of nesting',
      '['.repeat(5_000_000),
      /5000000 characters; a plan file has at most 1 000 000/,
    ],
  ])('has a message of its own for %s', (_, content, message) => {
    const problems = problemsOf(file('bad.upbeat.json', content));
    expect(problems).toHaveLength(1);
    expect(problems[0]).toMatch(message);
    expect(problems[0]).not.toContain('\n');
  });

  it('says in one sentence what is wrong with a file that is no plan at all', () => {
    expect(problemsOf(file('broken.json', '{ "name": '))).toEqual([
      expect.stringMatching(/not JSON/),
    ]);
    expect(problemsOf(path.join(folder, 'missing.json'))[0]).toMatch(/cannot be read/);
    expect(problemsOf(undefined)[0]).toMatch(/Name a plan file/);
  });
});

it('docs hold the schema that the application reads plan files with', () => {
  const published = readFileSync(path.join(root, 'docs/upbeat-class.schema.json'), 'utf8');
  expect(published, 'run: npm run schema').toBe(planJsonSchema());
});

it('the schema says of every field what it is, and of no other', () => {
  const named = new Set<string>();
  const walk = (json: unknown): void => {
    if (typeof json !== 'object' || json === null) return;
    for (const [key, value] of Object.entries(json)) {
      if (key === 'properties') for (const name of Object.keys(value as object)) named.add(name);
      walk(value);
    }
  };
  walk(JSON.parse(planJsonSchema()));
  expect([...named].sort()).toEqual(Object.keys(FIELD_WORDS).sort());
});

import path from 'node:path';
import { describe, expect, it, vi } from 'vitest';
import { ROOT } from './paths.mjs';
import { playwrightResult, single, Tally, vitestResult } from './suites.mjs';

/** What is told at the end of such suites. */
async function closingOf(suites: Record<string, () => unknown>) {
  const quiet = vi.spyOn(process.stdout, 'write').mockReturnValue(true);
  const tally = new Tally();
  for (const [name, work] of Object.entries(suites)) await tally.suite(name, work);
  quiet.mockRestore();
  return tally.closing().split('\n');
}

const inFile = (name: string, tests: object[], status = 'failed', message = '') => ({
  name: path.join(ROOT, name),
  status,
  message,
  assertionResults: tests,
});
const test = (fullName: string, ...failureMessages: string[]) => ({
  fullName,
  failureMessages,
  status: failureMessages.length ? 'failed' : 'passed',
});
const vitest = (files: object[], passed: number) => ({
  numPassedTests: passed,
  numPendingTests: 0,
  testResults: files,
});
const spec = (line: number, ...statuses: string[]) => ({
  file: 'lead.spec.ts',
  line,
  title: 'a bend',
  tests: statuses.map((status) => ({
    status,
    results: [{ errors: status === 'expected' ? [] : [{ message: '\x1b[31mnot seen\x1b[39m' }] }],
  })),
});

describe('the closing lines of the tests', () => {
  it('add up all suites, a suite that breaks counts as a failure, and each is named', async () => {
    const lines = await closingOf({
      good: async () => ({ passed: 7, failed: 0 }),
      mixed: async () => ({ passed: 1, failed: 2 }),
      broken: async () => {
        throw new Error('no report');
      },
      check: async () => single(1),
    });
    expect(lines).toEqual([
      'FAILED mixed: see above',
      'FAILED broken: the suite itself',
      '  no report',
      'FAILED check: see above',
      '8 passed, 4 failed',
    ]);
  });

  it('tell which test failed and why, since a log may be cut at its beginning', async () => {
    const why = 'expected 1 to be 2\n    at src/a.test.ts:2:4\n    at node_modules/runner.js:1:1';
    const files = [
      inFile('src/a.test.ts', [test('a b', why), test('a c')]),
      inFile('src/b.test.ts', [], 'failed', 'Cannot find module'),
      inFile('src/c.test.ts', [test('c')], 'passed'),
    ];
    const lines = await closingOf({
      unit: async () => vitestResult(vitest(files, 2), 1),
      browser: async () => {
        const suites = [{ specs: [spec(5, 'expected')], suites: [{ specs: [spec(9, 'flaky')] }] }];
        return playwrightResult({ stats: { expected: 1, skipped: 0 }, suites }, 1);
      },
    });
    expect(lines).toEqual([
      'FAILED unit: src/a.test.ts a b',
      '  expected 1 to be 2',
      '      at src/a.test.ts:2:4',
      'FAILED unit: src/b.test.ts',
      '  Cannot find module',
      'FAILED browser: lead.spec.ts:9 a bend',
      '  not seen',
      '3 passed, 3 failed',
    ]);
  });

  it('name no more than twenty, each in twelve short lines', async () => {
    const long = Array.from({ length: 40 }, () => 'x'.repeat(999)).join('\n');
    const files = [
      inFile(
        'a.test.ts',
        Array.from({ length: 50 }, (_, n) => test(`${n}`, long)),
      ),
    ];
    const lines = await closingOf({ unit: async () => vitestResult(vitest(files, 0), 1) });
    expect(lines.at(-2)).toBe('and 30 more');
    expect(lines.at(-1)).toBe('0 passed, 50 failed');
    expect(lines).toHaveLength(20 * 13 + 2);
    expect(Math.max(...lines.map((line) => line.length))).toBeLessThan(320);
  });
});

describe('what a run comes to', () => {
  it('is a failure where a browser test passed only at its second try', () => {
    const suites = [{ specs: [spec(1, 'unexpected'), spec(2, 'flaky'), spec(3, 'flaky')] }];
    const run = playwrightResult({ stats: { expected: 5, skipped: 1 }, suites }, 1);
    expect(run).toMatchObject({ passed: 5, failed: 3, skipped: 1 });
  });

  it('is a failure where it broke outside of every test', () => {
    const stats = { expected: 0, skipped: 0 };
    expect(playwrightResult({ stats }, 1).failed).toBe(1);
    const broken = playwrightResult({ stats, errors: [{ message: 'no server' }] }, 1);
    expect(broken.failures).toEqual([{ name: 'the run itself', why: 'no server' }]);
    expect(vitestResult(vitest([], 9), 1)).toMatchObject({ passed: 9, failed: 1 });
    expect(vitestResult(vitest([], 9), 0)).toMatchObject({ passed: 9, failed: 0 });
  });

  it('names what judged nothing, and does not count it as passed', () => {
    const tally = new Tally();
    tally.add(vitestResult({ ...vitest([], 3), numPendingTests: 2 }, 0));
    const [skipped, sum] = tally.closing().split('\n');
    expect(skipped).toMatch(/^2 skipped/);
    expect(sum).toBe('3 passed, 0 failed');
  });
});

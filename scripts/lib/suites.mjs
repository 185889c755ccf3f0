import path from 'node:path';
import { stripVTControlCharacters } from 'node:util';
import { ROOT } from './paths.mjs';
import { say } from './say.mjs';

/** So many failures are named again at the end, each with so many lines of why. */
const MOST_NAMED = 20;
const MOST_LINES = 12;
const MOST_SIGNS = 300;

/** Adds up what the suites report, for the one closing line. */
export class Tally {
  passed = 0;
  failed = 0;
  skipped = 0;
  /** What failed, by suite. */
  failures = [];

  add({ passed, failed, skipped = 0, failures = [] }) {
    this.passed += passed;
    this.failed += failed;
    this.skipped += skipped;
    this.failures.push(...failures);
  }

  /** Runs one suite; a suite that throws counts as one failure. */
  async suite(name, work) {
    const begun = Date.now();
    say(`\n=== ${name}`);
    const seconds = () => `${Math.round((Date.now() - begun) / 1000)} s`;
    try {
      const result = await work();
      // What gives no names of its own is named by its suite.
      const failures = result.failures ?? (result.failed ? [{ name: 'see above', why: '' }] : []);
      this.add({ ...result, failures: failures.map((one) => ({ ...one, suite: name })) });
      say(`--- ${name}: ${told(result)}, ${seconds()}`);
    } catch (error) {
      const failures = [{ suite: name, name: 'the suite itself', why: error.message }];
      this.add({ passed: 0, failed: 1, failures });
      say(`--- ${name}: failed, ${error.message}, ${seconds()}`);
    }
  }

  /**
   * The closing lines: what failed, named once more since a log may be cut at its beginning; what judged nothing; and
   * then the plain sum.
   */
  closing() {
    const { passed, failed, skipped, failures } = this;
    const lines = failures.slice(0, MOST_NAMED).map(named);
    if (failures.length > MOST_NAMED) lines.push(`and ${failures.length - MOST_NAMED} more`);
    if (skipped) lines.push(`${skipped} skipped: these judged nothing and count as neither.`);
    return [...lines, told({ passed, failed })].join('\n');
  }
}

/** One failure: where it is, and the first lines of why. */
function named({ suite, name, why }) {
  const lines = stripVTControlCharacters(why).split('\n');
  const telling = lines.filter((line) => line.trim() && !line.includes('node_modules'));
  const said = telling.slice(0, MOST_LINES).map((line) => `  ${line.slice(0, MOST_SIGNS)}`);
  return [`FAILED ${suite}: ${name}`, ...said].join('\n');
}

const told = ({ passed, failed, skipped }) =>
  `${passed} passed, ${failed} failed${skipped ? `, ${skipped} skipped` : ''}`;

/** A check that either holds or does not, as a suite of one. */
export const single = (code) => (code === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 });

/** A run that broke though no test of it failed, such as by an error outside of every test, is one failure. */
const orBroken = (failures, code) =>
  failures.length || code === 0
    ? failures
    : [
        {
          name: 'the run itself',
          why: `It ended with code ${code} though no test failed: see above.`,
        },
      ];

const counted = (failures) => ({ failed: failures.length, failures });

/**
 * What a run of Playwright comes to. A test that failed once and then passed has failed.
 * @param {{ stats: { expected: number, skipped: number }, suites?: object[], errors?: { message?: string }[] }} report
 * @param {number} code what the run ended with
 */
export function playwrightResult({ stats, suites = [], errors = [] }, code) {
  const specs = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specs)];
  const why = ({ results }) => results.flatMap((result) => result.errors).map(textOf)[0] ?? '';
  const failures = suites
    .flatMap(specs)
    .flatMap(({ file, line, title, tests }) =>
      tests
        .filter(({ status }) => status === 'unexpected' || status === 'flaky')
        .map((test) => ({ name: `${file}:${line} ${title}`, why: why(test) })),
    );
  const broken = errors.map((error) => ({ name: 'the run itself', why: textOf(error) }));
  return {
    passed: stats.expected,
    skipped: stats.skipped,
    ...counted(orBroken([...failures, ...broken], code)),
  };
}

const textOf = ({ message = '' }) => message;

/** What a run of Vitest comes to. */
export function vitestResult(report, code) {
  const failures = (report.testResults ?? []).flatMap((file) => {
    const tests = file.assertionResults.filter(({ status }) => status === 'failed');
    const where = path.relative(ROOT, file.name);
    // A file that cannot be read has no tests to fail.
    if (tests.length === 0 && file.status === 'failed') return [{ name: where, why: file.message }];
    return tests.map(({ fullName, failureMessages }) => ({
      name: `${where} ${fullName}`,
      why: failureMessages[0] ?? '',
    }));
  });
  return {
    passed: report.numPassedTests,
    skipped: report.numPendingTests,
    ...counted(orBroken(failures, code)),
  };
}

import { say } from './say.mjs';

/** Adds up what the suites report, for the one closing line. */
export class Tally {
  passed = 0;
  failed = 0;
  skipped = 0;

  add({ passed, failed, skipped = 0 }) {
    this.passed += passed;
    this.failed += failed;
    this.skipped += skipped;
  }

  /** Runs one suite; a suite that throws counts as one failure. */
  async suite(name, work) {
    const begun = Date.now();
    say(`\n=== ${name}`);
    const seconds = () => `${Math.round((Date.now() - begun) / 1000)} s`;
    try {
      const result = await work();
      this.add(result);
      say(`--- ${name}: ${told(result)}, ${seconds()}`);
    } catch (error) {
      this.add({ passed: 0, failed: 1 });
      say(`--- ${name}: failed, ${error.message}, ${seconds()}`);
    }
  }

  /** The closing lines: what judged nothing, where there is some, and then the plain sum. */
  closing() {
    const { passed, failed, skipped } = this;
    const sum = told({ passed, failed });
    return skipped ? `${skipped} skipped: these judged nothing and count as neither.\n${sum}` : sum;
  }
}

const told = ({ passed, failed, skipped }) =>
  `${passed} passed, ${failed} failed${skipped ? `, ${skipped} skipped` : ''}`;

/** A check that either holds or does not, as a suite of one. */
export const single = (code) => (code === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 });

/** What a run of Playwright comes to. A test that failed once and then passed has failed. */
export function playwrightResult({ stats }, code) {
  const failed = stats.unexpected + stats.flaky;
  return {
    passed: stats.expected,
    failed: failed === 0 && code !== 0 ? 1 : failed,
    skipped: stats.skipped,
  };
}

/** What a run of Vitest comes to. */
export function vitestResult(report, code) {
  const failed = report.numFailedTests;
  return {
    passed: report.numPassedTests,
    failed: failed === 0 && code !== 0 ? 1 : failed,
    skipped: report.numPendingTests,
  };
}

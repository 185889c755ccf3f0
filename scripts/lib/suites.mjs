import { say } from './say.mjs';

/** Adds up what the suites report, for the one closing line. */
export class Tally {
  passed = 0;
  failed = 0;

  add(passed, failed) {
    this.passed += passed;
    this.failed += failed;
  }

  /** Runs one suite; a suite that throws counts as one failure. */
  async suite(name, work) {
    const begun = Date.now();
    say(`\n=== ${name}`);
    try {
      const { passed, failed } = await work();
      this.add(passed, failed);
      say(
        `--- ${name}: ${passed} passed, ${failed} failed, ${Math.round((Date.now() - begun) / 1000)} s`,
      );
    } catch (error) {
      this.add(0, 1);
      say(`--- ${name}: failed, ${error.message}`);
    }
  }
}

/** A check that either holds or does not, as a suite of one. */
export const single = (code) => (code === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 });

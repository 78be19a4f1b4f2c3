/**
 * Names the files of tests that have run for minutes, as one that never ends holds up all others and says nothing itself; and
 * the tests that passed only when tried again: a race to be found.
 */
const LONG_MS = 180_000;
const LOOKS_EVERY_MS = 60_000;

export default class SlowOrFlaky {
  #since = new Map();
  #flaky = [];
  #looks;

  onTestRunStart() {
    this.#looks = setInterval(() => {
      for (const [file, since] of this.#since)
        if (Date.now() - since > LONG_MS)
          console.log(`still running after ${Math.round((Date.now() - since) / 60_000)} min: ${file}`);
    }, LOOKS_EVERY_MS);
  }

  onTestModuleStart({ relativeModuleId }) {
    this.#since.set(relativeModuleId, Date.now());
  }

  onTestModuleEnd({ relativeModuleId }) {
    this.#since.delete(relativeModuleId);
  }

  onTestCaseResult(test) {
    if (test.diagnostic()?.flaky) this.#flaky.push(`${test.module.relativeModuleId}: ${test.fullName}`);
  }

  onTestRunEnd() {
    clearInterval(this.#looks);
    for (const name of this.#flaky) console.log(`flaky, passed when tried again: ${name}`);
  }
}

/**
 * Names the files of tests that have run for minutes: one that never ends holds up all others and says nothing itself.
 */
const LONG_MS = 180_000;
const LOOKS_EVERY_MS = 60_000;

export default class StillRunning {
  #since = new Map();
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

  onTestRunEnd() {
    clearInterval(this.#looks);
  }
}

/**
 * What `npm test` hears of the tests in Node: written to the file that ZUBRIC_REPORT names, as {passed, failed: [name]}. Named too is what
 * failed beside any test, with what it said: a file that cannot be read, an error that nobody caught.
 *
 * Told as it goes: the files of tests that have run for minutes, as one that never ends holds up all others and says nothing
 * itself; and the tests that passed only when tried again: a race to be found.
 */
import { writeFileSync } from 'node:fs';
import { relative } from 'node:path';

const LONG_MS = 180_000;
const LOOKS_EVERY_MS = 60_000;

/** The first line of what an error says, and where it came from. */
const firstOf = ({ name = 'Error', message = '', stack = '' }) => {
  const [said = ''] = message.split('\n');
  const at = stack.split('\n').find((line) => line.trimStart().startsWith('at '));
  return [`${name}: ${said}`, ...(at === undefined ? [] : [at.trim()])].join(' ');
};

/** Which file of tests ran then, where the runner knows; what was left behind by another may come up only then. */
const whileRan = ({ VITEST_TEST_PATH: path }) => (path ? ` while ${relative(process.cwd(), path)} ran` : '');

export default class TestReport {
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

  onTestRunEnd(files, uncaught) {
    clearInterval(this.#looks);
    for (const name of this.#flaky) console.log(`flaky, passed when tried again: ${name}`);
    const tests = files.flatMap((file) => [...file.children.allTests()].map((test) => ({ file, test })));
    const isPassed = ({ test }) => test.result().state === 'passed';
    const groups = files.flatMap((file) => [file, ...file.children.allSuites()]);
    const failed = [
      ...tests
        .filter((one) => !isPassed(one))
        .map(({ file, test }) => `${file.relativeModuleId}: ${test.fullName}`),
      ...groups.flatMap((group) =>
        group
          .errors()
          .map(
            (error) => `${(group.module ?? group).relativeModuleId}: outside its tests, ${firstOf(error)}`,
          ),
      ),
      ...uncaught.map((error) => `uncaught${whileRan(error)}, ${firstOf(error)}`),
    ];
    const report = process.env.ZUBRIC_REPORT;
    if (report) writeFileSync(report, JSON.stringify({ passed: tests.filter(isPassed).length, failed }));
  }
}

import { BaseSequencer, type TestSpecification } from 'vitest/node';
import { defineConfig } from 'vitest/config';

const FOLDER = process.env['ZUBRIC_MUTANTS'] ?? '';
/** Beside a folder's own tests, those that ask every formula and every layout for its values. */
const ASKED = ['calculators/*', 'judge/{evaluate,layouts}'].map((tests) => `packages/core/src/${tests}`);

/** The tests of the folder itself first: most mutants fall there. */
class NearestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const isNear = ({ moduleId }: TestSpecification): number => (moduleId.includes(`${FOLDER}/`) ? 0 : 1);
    return (await super.sort(files)).sort((a, b) => isNear(a) - isNear(b));
  }
}

/** What `npm run test:mutants` runs on each mutant. */
export default defineConfig({
  test: {
    include: [`${FOLDER}/**/*`, ...ASKED].map((tests) => `${tests}.test.ts`),
    setupFiles: './vitest.seed.ts',
    environment: 'node',
    testTimeout: 60_000,
    isolate: false,
    sequence: { sequencer: NearestFirst },
  },
});

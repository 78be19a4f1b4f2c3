import { BaseSequencer, type TestSpecification } from 'vitest/node';
import { defineConfig } from 'vitest/config';

const FOLDER = process.env['ZUBRIC_MUTANTS'] ?? '';
/** Who asks for a formula's value; those who walk through whole builds for other questions are too slow for each mutant. */
const ASKED = [
  'transmission/**/*',
  'demand/*',
  'capability/*',
  'drive/*',
  'calculators/*',
  'judge/!(any-build|continuity|outing-course)',
  'testing/examples',
];

/** The tests of the folder itself first: most mutants fall there. */
class NearestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const isNear = ({ moduleId }: TestSpecification): number => (moduleId.includes(`${FOLDER}/`) ? 0 : 1);
    return (await super.sort(files)).sort((a, b) => isNear(a) - isNear(b));
  }
}

/** What `npm run test:mutants` runs on each mutant. A file has a world of its own: a table is made anew with what was changed. */
export default defineConfig({
  test: {
    include: ASKED.map((tests) => `packages/core/src/${tests}.test.ts`),
    setupFiles: './vitest.seed.ts',
    environment: 'node',
    testTimeout: 60_000,
    sequence: { sequencer: NearestFirst },
  },
});

import { BaseSequencer, type TestSpecification } from 'vitest/node';
import { defineConfig } from 'vitest/config';

const FOLDER = process.env['ZUBRIC_MUTANTS'] ?? '';
/** Beside a folder's own tests, those that ask every formula for its values and judge whole builds. */
const ASKED = [...['calculators', 'judge'].map((folder) => `${folder}/*`), 'moves/judgement'].map(
  (tests) => `packages/core/src/${tests}`,
);
/** Random builds and long ways, which take as long as all others together. */
const SLOW = 'packages/core/src/judge/{any-build,continuity}.test.ts';

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
    exclude: [SLOW],
    setupFiles: './vitest.seed.ts',
    environment: 'node',
    testTimeout: 60_000,
    isolate: false,
    sequence: { sequencer: NearestFirst },
  },
});

import { BaseSequencer, type TestSpecification } from 'vitest/node';
import { defineConfig } from 'vitest/config';

const FOLDER = process.env['ZUBRIC_MUTANTS'] ?? '';
/** They walk through whole builds for other questions than a formula's: too slow to ask them of each mutant. */
const ELSEWHERE = ['moves/', 'say/', 'assembly/', 'vehicle/changes', 'working/', 'testing/'].filter(
  (folder) => !FOLDER.includes(folder.replace(/\/$/, '')),
);

/** The tests of the folder itself first: most mutants fall there. */
class NearestFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const isNear = ({ moduleId }: TestSpecification): number => (moduleId.includes(`${FOLDER}/`) ? 0 : 1);
    return (await super.sort(files)).sort((a, b) => isNear(a) - isNear(b));
  }
}

/** The core's tests alone, as `npm run test:mutants` runs them on each mutant. */
export default defineConfig({
  test: {
    include: ['packages/core/src/**/*.test.ts'],
    exclude: ELSEWHERE.map((folder) => `packages/core/src/${folder}**`),
    setupFiles: './vitest.seed.ts',
    environment: 'node',
    testTimeout: 60_000,
    isolate: false,
    sequence: { sequencer: NearestFirst },
  },
});

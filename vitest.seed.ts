import { configureGlobal } from 'fast-check';

/**
 * The same random cases at every run of `npm test`, so that what fails is the change and not the luck. To look for what
 * nobody thought of: `ZUBRIC_SEED=random npm run test:core`, or a number to see a run again.
 */
const asked = process.env['ZUBRIC_SEED'] ?? '20261127';
// Fewer of them in between landings, as `many` of the core's tests has it.
const fewer = process.env['ZUBRIC_DAILY'] === undefined ? {} : { numRuns: 25 };
configureGlobal({ ...(asked === 'random' ? {} : { seed: Number(asked) }), ...fewer });

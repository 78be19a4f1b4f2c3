import { layoutKind, motorOf, motorsIn, rollsAway, type Build } from '../vehicle/index.ts';
import { HOUR_S, MINUTE_S } from '../quantity/index.ts';
import { isModular } from './drive-steps.ts';
import { shellSteps } from './standing-steps.ts';
import { whole, type Step } from './step.ts';

/** First power, the first run, the slope, and what is tuned after. */
export function firstRuns(build: Build, drive: readonly string[]): Step[] {
  const steep = build.duties.some(rollsAway);
  const hasMotor = motorOf(build) !== undefined;
  const shell = shellSteps(build);
  return [
    whole({
      id: 'first-power',
      title: drivenOff(build),
      detail: hasMotor ? 'A tenth of full command; listen, feel for heat.' : undefined,
      handsOnS: 30 * MINUTE_S,
      after: ['polarity', 'charge', 'fuse', ...drive],
      caution: 'Stand it on blocks that cannot slip; hands, hair and sleeves clear.',
      holdPoint: `${turnsForward(build)}, and the main switch stops it.`,
    }),
    ...shell,
    whole({
      id: 'first-run',
      title: firstRun(build),
      handsOnS: HOUR_S,
      after: ['first-power', ...shell.map(({ id }) => id)],
      caution: 'Nobody in front; one hand on the switch.',
    }),
    ...(steep
      ? [
          whole({
            id: 'slope',
            title: 'Stop and hold on the slope, empty before loaded',
            handsOnS: HOUR_S,
            hands: 2,
            after: ['first-run'],
            caution:
              'Nobody below it. A motor or a worm is no parking brake: chock the wheels. Where people ride, a friction brake of its own.',
            holdPoint: 'It stops and holds going down the steepest grade of the brief.',
          }),
        ]
      : []),
    whole({
      id: 'tune',
      title: 'Tune it: speeds, slow starts, running straight',
      detail: 'By the trials: one change at a time.',
      handsOnS: 2 * HOUR_S,
      after: ['first-run', ...(steep ? ['slope'] : [])],
    }),
  ];
}

/** What is seen of the motors at first power. */
function turnsForward(build: Build): string {
  if (isModular(build)) return 'Each module steers the way it is told, and its wheel turns forward';
  return motorsIn(build) > 1 ? 'Each side turns forward' : 'It turns forward';
}

/** What the first run is, by what it runs on. */
function firstRun({ layout }: Build): string {
  const { pullsByRope, onRails, balances } = layoutKind(layout.kind);
  if (pullsByRope) return 'First pull, half the load, nobody in line';
  if (balances) return 'First stand, held by two hands until it holds itself';
  return onRails ? 'First run on the rail, empty' : 'First run on the floor, empty';
}

/** What is kept off the ground at first power. */
const drivenOff = ({ layout }: Build): string =>
  layoutKind(layout.kind).pullsByRope
    ? 'First power, no load on the rope'
    : layoutKind(layout.kind).onTracks
      ? 'First power, tracks off the ground'
      : 'First power, wheels off the ground';

import {
  batteryOf,
  driverOf,
  drivesOf,
  motorsIn,
  switchesOnly,
  type Build,
  type PartOf,
} from '../vehicle/index.ts';
import { HOUR_S, MINUTE_S } from '../quantity/index.ts';
import { cautionForBattery, cautionForVoltage, isPrimary } from './cautions.ts';
import type { PartLine } from './parts-list.ts';
import { whole, type Step } from './step.ts';

/** The lines of a kind of part: the first of it, and others. */
const ofKind = (lines: readonly PartLine[], kind: string): string[] =>
  lines.flatMap(({ id }) => (id === kind || id.startsWith(`${kind}.`) ? [id] : []));

/** What has several motors is labelled before it is wired. */
function labelStep(build: Build): Step[] {
  if (drivesOf(build).reduce((sum, seen) => sum + motorsIn(seen), 0) < 2) return [];
  return [
    whole({
      id: 'labels',
      title: 'Label motors, leads and ports, left and right',
      handsOnS: 20 * MINUTE_S,
      after: ['motors', 'drivers'],
    }),
  ];
}

/** What is driven by degrees has a program or settings; a switch has none. */
function programStep(build: Build): Step[] {
  const driver = driverOf(build);
  if (!driver || switchesOnly(driver)) return [];
  return [
    whole({
      id: 'program',
      title: 'Set up what commands it',
      detail: 'Directions, limits of current and speed, slow starts, and a stop when the link is lost.',
      handsOnS: 2 * HOUR_S,
      after: ['drivers'],
    }),
  ];
}

/** Boards, battery, labels, wires, program, meter and fuse. */
export function electricSteps(build: Build, lines: readonly PartLine[], beside: readonly string[]): Step[] {
  const boards = ofKind(lines, 'driver');
  const packs = ofKind(lines, 'battery');
  const voltage = cautionForVoltage(build);
  return [
    whole({
      id: 'drivers',
      title: 'Mount the motor drivers',
      detail: 'Where air passes and plugs can be reached; ports labelled left and right.',
      handsOnS: 45 * MINUTE_S,
      needs: boards,
      after: ['frame'],
    }),
    chargeStep(batteryOf(build), packs),
    whole({
      id: 'tray',
      title: 'Fix the battery in its tray, not yet connected',
      detail: 'It must come out again without taking anything else apart.',
      handsOnS: HOUR_S,
      needs: packs,
      after: ['frame'],
    }),
    whole({
      id: 'wiring',
      title: 'Wire it: main switch, fuse near the battery, cables sized for stall',
      handsOnS: 3 * HOUR_S,
      needs: ['main-switch', 'cable'],
      after: ['motors', 'drivers', 'tray', ...beside.filter((id) => id.endsWith('.motors'))],
      ...(voltage === undefined ? {} : { caution: voltage }),
    }),
    ...labelStep(build),
    ...programStep(build),
    whole({
      id: 'polarity',
      title: 'Check polarity and shorts with a meter',
      handsOnS: 20 * MINUTE_S,
      after: ['wiring'],
      holdPoint: 'Plus is on plus at the battery plug and at each driver, and the meter shows no short.',
    }),
    whole({
      id: 'fuse',
      title: 'Put the fuse in',
      detail: 'Close to the battery, of the size that the wire is for; the main switch stays off.',
      handsOnS: 5 * MINUTE_S,
      needs: ['fuse'],
      after: ['wiring'],
    }),
  ];
}

/** Charged where it can be charged; primary cells are only put in fresh. */
function chargeStep(battery: PartOf<'battery'> | undefined, packs: readonly string[]): Step {
  const caution = cautionForBattery(battery);
  if (battery && isPrimary(battery))
    return whole({
      id: 'charge',
      title: 'Put fresh cells in',
      detail: 'All of one kind and age; never recharge them.',
      handsOnS: 5 * MINUTE_S,
      needs: packs,
      fits: [],
      caution,
    });
  return whole({
    id: 'charge',
    title: 'Charge the battery',
    handsOnS: 10 * MINUTE_S,
    waitingS: 6 * HOUR_S,
    waitingFor: 'the battery to charge',
    needs: packs,
    fits: [],
    caution,
  });
}

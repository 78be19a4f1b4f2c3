import {
  attainable,
  attainableInput,
  settlesBelow,
  steadyForce,
  type DutyReport,
} from '../capability/index.ts';
import type { Driveline } from '../drive/index.ts';
import { figure } from '../quantity/index.ts';
import { taskOf, type Build, type Duty } from '../vehicle/index.ts';
import { found, type Finding } from './finding.ts';
import type { FindingContext } from './finding-context.ts';

declare module './finding.ts' {
  interface FindingFigures {
    /** At the command that holds one duty's speed, another goes much slower. */
    'speed-falls': 'held' | 'falls';
  }
}

/** A fall to less than this of what is asked is worth a word (common practice, no source). */
const MUCH_SLOWER = 0.8;

interface Driven {
  readonly duty: Duty;
  readonly report: DutyReport;
}

/** Duties that the drive pulls straight on at a speed that it has. */
const pulled = (build: Build, duties: readonly DutyReport[]): readonly Driven[] =>
  build.duties.flatMap((duty, at) => {
    const report = duties[at];
    const drives = taskOf(duty).drives && duty.speed.value > 0 && !duty.turn && !duty.upToSpeed;
    return report?.point?.reachable && drives && report.resistance.totalN > 0 ? [{ duty, report }] : [];
  });

/** The share of full command at which a duty's speed is held. */
function commandFor({ report }: Driven): number {
  const { point } = report;
  return point ? Math.min(1, point.motorV / point.batteryV) : 1;
}

/** What the speed of a duty depends on, with the sticks where they are. */
function heldAt(build: Build, { duty, report }: Driven, line: Driveline, commandShare: number) {
  const held: Driveline = { ...line, circuit: { ...line.circuit, commandShare } };
  const { footing, resistance } = report;
  return attainableInput(build, duty, held, footing.gripN, steadyForce(build, duty, resistance));
}

/**
 * What the load does to the speed where nothing holds it: with the command left where the longest duty has its speed, how
 * slow the worst of the others goes.
 */
export function speedFindings({ build, duties, line }: FindingContext): Finding[] {
  if (!line || line.beside.length > 0 || !line.circuit.motor.winding) return [];
  if (line.driver?.holdsSpeed === true || line.motor.holdsSpeed === true) return [];
  const driven = pulled(build, duties);
  const usual = [...driven].sort((a, b) => b.report.durationS - a.report.durationS)[0];
  if (!usual) return [];
  const share = commandFor(usual);
  const [falls] = driven
    .filter((one) => one !== usual)
    .flatMap((one) => {
      const held = heldAt(build, one, line, share);
      const askedMps = Math.min(one.duty.speed.value, usual.duty.speed.value);
      // How slow it goes is only looked for where it is worth a word.
      if (!settlesBelow(held, MUCH_SLOWER * askedMps)) return [];
      const mps = attainable(held).speedMps;
      return [{ one, mps, of: mps / askedMps }];
    })
    .sort((a, b) => a.of - b.of);
  if (!falls) return [];
  return [
    found(
      'speed-falls',
      'note',
      { held: figure(usual.duty.speed.value, 'speed'), falls: figure(falls.mps, 'speed') },
      { link: 'speed', dutyId: falls.one.duty.id, title: usual.duty.name },
    ),
  ];
}

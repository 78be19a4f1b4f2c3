import {
  VERDICTS,
  closeness,
  isElectrical,
  linkDefinition,
  type Block,
  type LinkId,
  type LinkReport,
  type Report,
  type Verdict,
} from '@zubric/core/judge';
import { batteryOf, driverOf, motorOf, type Build } from '@zubric/core/vehicle';

interface BlockDefinition {
  readonly title: string;
  /** Shown unless another link of the block stands worse. */
  readonly first: LinkId;
  /** Said where nothing can be reckoned yet, and whether what that takes is there. */
  readonly empty: string;
  readonly stands: (build: Build) => boolean;
}

const hasMotor = (build: Build): boolean => motorOf(build) !== undefined;

export const STRIP: Readonly<Record<Block, BlockDefinition>> = {
  ground: {
    first: 'grip',
    title: 'Ground',
    empty: 'state a job',
    stands: (b) => b.duties.length > 0,
  },
  wheel: {
    first: 'torque',
    title: 'Wheel',
    empty: 'choose a motor',
    stands: hasMotor,
  },
  ratio: { first: 'ratio', title: 'Ratio', empty: 'choose a motor', stands: hasMotor },
  motor: { first: 'motor-heat', title: 'Motor', empty: 'choose a motor', stands: hasMotor },
  driver: {
    first: 'driver-current',
    title: 'Driver',
    empty: 'choose a driver',
    stands: (b) => driverOf(b) !== undefined,
  },
  battery: {
    first: 'battery-current',
    title: 'Battery',
    empty: 'choose a battery',
    stands: (b) => batteryOf(b) !== undefined,
  },
};

/** The worse verdict first. */
const gravity = (verdict: Verdict): number => VERDICTS.indexOf(verdict);

/** The link a block shows: its own, or the one nearest to failing where that has the worse verdict. */
export function shownLink(report: Report, block: Block): LinkReport | undefined {
  const { first } = STRIP[block];
  const isFirst = (link: LinkReport): number => (link.link === first ? 0 : 1);
  return report.governing
    .filter((link) => linkDefinition(link.link).block === block)
    .sort(
      (a, b) =>
        gravity(a.verdict) - gravity(b.verdict) || isFirst(a) - isFirst(b) || closeness(a) - closeness(b),
    )[0];
}

export const colorOf = (link: LinkReport): string => (isElectrical(link) ? 'text-elec' : 'text-mech');

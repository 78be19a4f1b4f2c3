import { thingsOf, type LayoutFinding, type Line, type PrintCut } from '../layout/index.ts';
import { show, showNumber, type UnitSystem } from '../quantity/index.ts';
import { stageFigures, stageName } from '../transmission/index.ts';
import type { Build } from '../vehicle/index.ts';

/** What a thing of a layout is called. */
export const thingName = (build: Build, id: string): string =>
  thingsOf(build).find((thing) => thing.id === id)?.name ?? id;

const shaftOf = (build: Build, id: string) => build.arrangement?.shafts?.find((shaft) => shaft.id === id);
const shaftName = (build: Build, id: string): string => shaftOf(build, id)?.name ?? id;
const stackedName = (build: Build, shaftId: string, id: string): string =>
  `“${shaftOf(build, shaftId)?.stack.find((one) => one.id === id)?.name ?? id}”`;

/** Cuts of a part, side by side. */
export function cutsInWords(cuts: readonly PrintCut[], length: (m: number) => string): string {
  const sides = [...new Set(cuts.map(({ side }) => side))];
  return sides
    .map((side) => {
      const at = cuts.filter((cut) => cut.side === side).map(({ atM }) => length(atM));
      return `its ${side} at ${at.join(', ')}`;
    })
    .join('; ');
}

/** What the stage of a line is called, within a sentence. */
function lineName(build: Build, { driveId, stageId }: Line): string {
  const stage = build.drives.find(({ id }) => id === driveId)?.stages.find(({ id }) => id === stageId);
  return stage ? stageName(stage.kind) : 'stage';
}

const isLoop = (build: Build, { driveId, stageId }: Line): boolean => {
  const stage = build.drives.find(({ id }) => id === driveId)?.stages.find(({ id }) => id === stageId);
  return stage !== undefined && stageFigures(stage).loop !== undefined;
};

const memberOf = (build: Build, id: string) => build.arrangement?.frame?.find((member) => member.id === id);

/** The findings of what runs, bears and is made. */
type RunningFinding = Extract<
  LayoutFinding,
  {
    readonly code:
      | 'floats'
      | 'does-not-fit'
      | 'overhangs'
      | 'out-of-line'
      | 'askew'
      | 'wrong-distance'
      | 'taut-once-a-turn'
      | 'not-round'
      | 'frame-binds'
      | 'frame-weak'
      | 'not-printed-whole';
  }
>;

/** A finding of what runs, bears and is made in a sentence or two. */
export function runningFindingInWords(finding: RunningFinding, build: Build, system: UnitSystem): string {
  const length = (m: number): string => show(m, 'length', system).text;
  const angle = (rad: number): string => show(Math.abs(rad), 'angle', system).text;
  const named = (id: string): string => `“${thingName(build, id)}”`;
  switch (finding.code) {
    case 'floats': {
      const shaft = shaftName(build, finding.shaftId);
      const end = finding.way === 'on' ? 'second' : 'first';
      return finding.byM === null
        ? `Nothing keeps “${shaft}” from sliding out towards its ${end} end: clamp a collar on it against a bearing.`
        : `“${shaft}” floats ${length(finding.byM)} towards its ${end} end: take it up with a spacer.`;
    }
    case 'does-not-fit':
      return `On “${shaftName(build, finding.shaftId)}” what sits between ${stackedName(build, finding.shaftId, finding.afterId)} and ${stackedName(build, finding.shaftId, finding.beforeId)} is ${length(finding.byM)} too wide.`;
    case 'overhangs':
      return `“${shaftName(build, finding.shaftId)}” is ${length(finding.byM)} too short for what sits on it.`;
    case 'out-of-line': {
      const { driverId, drivenId, outM, mayBeOutM } = finding.line;
      const over = isLoop(build, finding.line) ? 'it wears, and climbs off' : 'the teeth wear at one end';
      return `${named(driverId)} and ${named(drivenId)} are ${length(Math.abs(outM))} out of one plane, ${length(mayBeOutM)} may be: ${over}.`;
    }
    case 'askew': {
      const { driverId, drivenId, askewRad } = finding.line;
      return `The shafts of ${named(driverId)} and ${named(drivenId)} are ${angle(askewRad)} off the angle that the ${lineName(build, finding.line)} asks: turn one of them.`;
    }
    case 'wrong-distance': {
      const { driverId, drivenId, apartM, asksM = 0 } = finding.line;
      const off = apartM > asksM ? 'too far apart' : 'too near';
      return `The shafts of ${named(driverId)} and ${named(drivenId)} are ${length(apartM)} apart, ${length(Math.abs(apartM - asksM))} ${off}: the ${lineName(build, finding.line)} of the Drivetrain asks ${length(asksM)}.`;
    }
    case 'taut-once-a-turn':
      return `The run-out of ${named(finding.line.driverId)} and ${named(finding.line.drivenId)} makes the way of the ${lineName(build, finding.line)} swing by ${length(finding.line.swing?.lengthM ?? 0)}: it goes taut once a turn. True the wheels, or give it more slack and an idler on a spring.`;
    case 'not-round':
      return `${named(finding.partId)} is to run in a drive, and is a box: make it a cylinder, so that its line can be looked at.`;
    case 'frame-binds': {
      const member = memberOf(build, finding.memberId);
      const mount = member?.mounts.find(({ id }) => id === finding.mountId);
      return `“${member?.name ?? finding.memberId}” slopes ${angle(finding.slopeRad)} at “${mount?.name ?? finding.mountId}”, more than such a mount stands: it binds. Bearings that tilt, a gearbox that floats on its shaft, or a stiffer member.`;
    }
    case 'frame-weak':
      return `“${memberOf(build, finding.memberId)?.name ?? finding.memberId}” is bent to ${showNumber(1 / finding.factor, 2)} times what its material is allowed: it stays bent or breaks.`;
    case 'not-printed-whole':
      return `${named(finding.partId)} does not go into the printer whole. ${finding.cuts.length > 0 ? `Cut ${cutsInWords(finding.cuts, length)}.` : 'It would take too many pieces: make it otherwise, or have it printed.'}`;
  }
}

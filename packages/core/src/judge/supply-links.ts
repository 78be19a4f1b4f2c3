import { batteryCurrent, legsOf, type DutyReport, type OutingDraw } from '../capability/index.ts';
import { propelling, together, type Driveline } from '../drive/index.ts';
import { CHARGE, chargeTime, fuseChoice, meanDraw, supplyRail, wire } from '../supply/index.ts';
import { fittedOf, throughDrive, driveOf, type Build, type Rail, type WireRun } from '../vehicle/index.ts';
import { linksOf, margin } from './margin.ts';
import { startA } from './outing-links.ts';
import type { LinkReport } from './report.ts';

const MM2 = 1e6;
const SECONDS_PER_HOUR = 3600;

/**
 * What a run of wire carries all day, single in free air, A; undefined where no table has its size.
 *
 * @example ampacityOf({ length: typed(1, 'm'), area: typed(2.5e-6, 'mm²') }) // 35.3
 */
export const ampacityOf = ({ length, area }: WireRun): number | undefined =>
  wire.run({ lengthM: length.value, areaMm2: area.value * MM2, currentA: 0, temperatureC: 20 }).ampacityA;

/**
 * The main fuse: as the supply says, else the largest that is fitted.
 *
 * @example fuseOf(puffin) // 50
 */
export function fuseOf(build: Build): number | undefined {
  const fitted = fittedOf(build).flatMap(({ part }) => (part.kind === 'fuse' ? part.ratedA : []));
  return build.supply.fuse?.value ?? (fitted.length > 0 ? Math.max(...fitted) : undefined);
}

/**
 * What the main switch carries: as the supply says, else the largest that is fitted.
 *
 * @example mainSwitchOf(puffin) // 63
 */
export function mainSwitchOf(build: Build): number | undefined {
  const fitted = fittedOf(build).flatMap(({ part }) => (part.kind === 'switch' ? part.continuousA : []));
  return build.supply.mainSwitch?.value ?? (fitted.length > 0 ? Math.max(...fitted) : undefined);
}

/**
 * The most that the battery gives steadily in any duty, A: what fuse, switch and cable carry.
 *
 * @example steadyMost(report.duties) // 24.99
 */
export const steadyMost = (duties: readonly DutyReport[]): number =>
  Math.max(0, ...duties.map(({ point }) => point?.batteryA ?? 0));

/** A fuse carries four fifths of its rating all day, and for a start of a second or two twice of it (common practice, no source). */
export const FUSE = { headroom: 1.25, forAStart: 2 } as const;

/**
 * The least that a main fuse is marked with, A: for what is drawn all day, and for a start at full command.
 *
 * @example leastFuse(report.duties, line) // 40.09
 */
export const leastFuse = (duties: readonly DutyReport[], line: Driveline | undefined): number =>
  Math.max(FUSE.headroom * steadyMost(duties), line ? startA(line) / FUSE.forAStart : 0);

/** Thicker than any wire of a small vehicle: where no cable is said, it is chosen after the fuse. */
const ANY_WIRE_A = 1e6;

/**
 * The least fuse that is sold which carries what is drawn, A; undefined where nothing is, or none does.
 *
 * @example fuseThatSuits(puffin, report.duties, line) // 50
 */
export function fuseThatSuits(
  build: Build,
  duties: readonly DutyReport[],
  line = propelling(build)[0]?.line,
): number | undefined {
  const continuousA = leastFuse(duties, line) / FUSE.headroom;
  const { cable } = build.supply;
  if (continuousA <= 0) return undefined;
  try {
    return fuseChoice.run({ continuousA, wireAmpacityA: (cable && ampacityOf(cable)) ?? ANY_WIRE_A }).fuseA;
  } catch {
    return undefined;
  }
}

/**
 * What a small supply's loads draw; undefined while it feeds nothing.
 *
 * @example railDraw({ ...whimbrel.supply.rails[0], gives: typed(3, 'A') })
 *   // { runningA: 0.43, peakA: 0.88, margin: 3.409, holds: true }
 */
export function railDraw({ gives, atOnce, loads }: Rail) {
  const fed = loads.filter(({ count, running, peak }) => count * Math.max(running.value, peak.value) > 0);
  // Of loads that draw only at their most, none may be at it.
  if (fed.every(({ running }) => running.value === 0) && (fed.length === 0 || atOnce === 0)) return undefined;
  return supplyRail.run({
    supplyA: gives.value,
    atOnce,
    loads: fed.map(({ id, count, running, peak }) => ({
      label: id,
      count,
      runningA: running.value,
      peakA: Math.max(running.value, peak.value),
    })),
  });
}

/** Hours that the charger takes after an outing, s; undefined without a charger or a charge. */
export function chargeTimeOf(build: Build, line: Driveline, outing: OutingDraw): number | undefined {
  const { charger } = build.supply;
  const capacityAh = line.bank?.capacityAh;
  if (!charger || capacityAh === undefined) return undefined;
  const drawnAh = (outing.meanBatteryA * outing.durationS) / SECONDS_PER_HOUR;
  const drawnShare = Math.min(1, drawnAh / capacityAh);
  if (!(drawnShare > 0)) return undefined;
  return (
    chargeTime.run({ ...CHARGE, capacityAh, drawnShare, chargerA: charger.current.value }).hours *
    SECONDS_PER_HOUR
  );
}

/** Wires, fuse, switch, small supplies and charger against what flows. */
export function supplyLinks(
  build: Build,
  duties: readonly DutyReport[],
  line: Driveline,
  outing: OutingDraw,
): LinkReport[] {
  const policy = build.marginPolicy;
  const dutyId = null;
  const { cable, charger, rails = [] } = build.supply;
  const carries = cable && ampacityOf(cable);
  const fuseA = fuseOf(build);
  const switchA = mainSwitchOf(build);
  const mostA = steadyMost(duties);
  const { worstRmsA } = meanDraw(legsOf(duties, (duty) => batteryCurrent(build, duty, line)));
  const chargeS = chargeTimeOf(build, line, outing);
  return [
    ...(carries === undefined
      ? []
      : margin({ link: 'cable', dutyId, needs: worstRmsA, has: carries }, policy)),
    ...(fuseA === undefined
      ? []
      : [
          ...margin({ link: 'fuse', dutyId, needs: leastFuse(duties, line), has: fuseA }, policy),
          ...(carries === undefined
            ? []
            : margin({ link: 'fuse-wire', dutyId, needs: fuseA, has: carries }, policy)),
        ]),
    ...(switchA === undefined
      ? []
      : margin({ link: 'main-switch', dutyId, needs: mostA, has: switchA }, policy)),
    ...rails.flatMap((rail) => {
      const drawn = railDraw(rail);
      return drawn
        ? margin({ link: 'rail', dutyId, needs: drawn.peakA, has: rail.gives.value, railId: rail.id }, policy)
        : [];
    }),
    ...(charger?.plug
      ? margin({ link: 'charge-plug', dutyId, needs: charger.current.value, has: charger.plug.value }, policy)
      : []),
    ...(charger?.hours && chargeS !== undefined
      ? margin({ link: 'charge', dutyId, needs: chargeS, has: charger.hours.value }, policy)
      : []),
    ...together(line).flatMap((one) => leadLinks(throughDrive(build, one.driveId), duties, one.driveId)),
  ];
}

/** The leads of one drive's motors. */
function leadLinks(build: Build, duties: readonly DutyReport[], driveId: string): LinkReport[] {
  const { leads } = driveOf(build);
  const carries = leads && ampacityOf(leads);
  if (carries === undefined) return [];
  const currentOf = (duty: DutyReport): number =>
    Math.abs((duty.drives?.find((drive) => drive.driveId === driveId)?.point ?? duty.point)?.currentA ?? 0);
  const { worstRmsA } = meanDraw(legsOf(duties, currentOf));
  return linksOf(
    driveId,
    margin({ link: 'leads', dutyId: null, needs: worstRmsA, has: carries }, build.marginPolicy),
  );
}

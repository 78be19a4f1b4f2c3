import { notice, onceEach, type Notice } from '../contract/index.ts';
import { AIR_DENSITY, radiansToDegrees } from '../quantity/index.ts';
import { rotatingFactor } from '../drive/index.ts';
import { catchLean, roadLoad, sumOfForces, trackSinkage, wheelSinkage } from '../ground/index.ts';
import type { Axle, Build, Duty, GroundSoil } from '../vehicle/index.ts';
import { groupedBy, wheelOf } from './driven-grip.ts';
import { accelerationOf, drawbarOf, footingOf, groundOf } from './footing.ts';
import { pushOf } from './pushing.ts';
import { stepOf } from './obstacle.ts';
import type { ContactLoad, Footing, Resistance, SinkReport, StepReport, TurnReport } from './report.ts';
import { rollingOf } from './rolling.ts';
import { whateverDrives } from './whatever-drives.ts';
import { radiusOf, turnOf } from './turning.ts';

/**
 * What the calculation of road load takes of a duty: mass, rolling, grade, speed, air, speeding up.
 *
 * @example roadLoadInput(puffin, duty, footing).massKg // 178
 */
export const roadLoadInput = (build: Build, duty: Duty, footing: Footing, speedMps = duty.speed.value) => ({
  ...roadOf(build, duty, footing),
  speedMps,
  rotatingMassFactor: rotatingFactor(build, footing.massKg),
});

/** What of that does not depend on what drives it, nor on how fast. */
const roadOf = (build: Build, duty: Duty, footing: Footing) => ({
  massKg: footing.massKg,
  rollingCoefficient: rollingOf(build, duty, footing),
  gradeDeg: radiansToDegrees(duty.grade.value),
  dragAreaM2: build.dragArea.value,
  airDensityKgM3: AIR_DENSITY,
  accelerationMps2: accelerationOf(duty),
  drawbarN: drawbarOf(build, duty),
});

interface Sunk {
  readonly sinkageM: number;
  readonly compactionN: number;
  readonly warnings: readonly Notice[];
}

const soilKeys = ({ kcKnPerM, kphiKnPerM, exponent }: NonNullable<ReturnType<typeof groundOf>['soil']>) => ({
  kcKnPerM,
  kphiKnPerM,
  exponent,
});

/** Deeper, or harder to press down, is no ground: figures of a soil that cannot be. */
const MOST_SUNK_M = 1000;
const MOST_COMPACTION_N = 1e9;
const NO_SUCH_SOIL = notice(
  'no-such-soil',
  'The soil’s figures carry nothing under wheels of this width: check its moduli kc and kφ and its exponent.',
);

/** One wheel or track in soft ground. */
function sink(build: Build, duty: Duty, wheel: readonly ContactLoad[]): Sunk | undefined {
  const { soil } = groundOf(build, duty);
  const axle = build.layout.axles.find((a) => a.id === wheel[0]?.axleId);
  const loadN = wheel.reduce((sum, c) => sum + Math.max(0, c.loadN), 0);
  if (!soil || !axle || loadN <= 0 || axle.form === 'roller') return undefined;
  const found = sunkIn(axle, soil, loadN);
  const known = found && found.sinkageM < MOST_SUNK_M && found.compactionN < MOST_COMPACTION_N;
  return known ? found : { sinkageM: 0, compactionN: 0, warnings: [NO_SUCH_SOIL] };
}

/** By the model of its kind; undefined where the soil's figures carry nothing under it. */
function sunkIn({ contactLength, width, diameter }: Axle, soil: GroundSoil, loadN: number): Sunk | undefined {
  if (!(soil.kcKnPerM + width.value * soil.kphiKnPerM > 0)) return undefined;
  if (contactLength)
    return {
      ...trackSinkage.run({
        loadN,
        contactLengthM: contactLength.value,
        widthM: width.value,
        ...soilKeys(soil),
      }),
      warnings: [],
    };
  return wheelSinkage.run({
    wheelLoadN: loadN,
    wheelDiameterM: diameter.value,
    wheelWidthM: width.value,
    ...soilKeys(soil),
  });
}

/** The power of a load that its drag in soft ground goes with: Rc of both models, with z put in. */
const loadExponentOf = (axle: Axle | undefined, { exponent: n }: GroundSoil): number =>
  axle?.contactLength ? (n + 1) / n : (2 * n + 2) / (2 * n + 1);

/** How deep it sinks and what that drags; undefined on firm ground. */
export function sinkOf(build: Build, duty: Duty, footing: Footing): SinkReport | undefined {
  const { soil } = groundOf(build, duty);
  if (!soil) return undefined;
  const sunk = groupedBy(footing.contacts, wheelOf).flatMap((wheel) => {
    const found = sink(build, duty, wheel);
    const [first] = wheel;
    return found && first ? [{ axleId: first.axleId, driven: first.driven, ...found }] : [];
  });
  const deepest = [...sunk].sort((a, b) => b.sinkageM - a.sinkageM)[0];
  if (!deepest) return undefined;
  return {
    axleId: deepest.axleId,
    sinkageM: deepest.sinkageM,
    compactionN: sunk.reduce((sum, s) => sum + s.compactionN, 0),
    drivenN: sunk.reduce((sum, s) => sum + (s.driven ? s.compactionN : 0), 0),
    loadExponent: loadExponentOf(
      build.layout.axles.find(({ driven }) => driven),
      soil,
    ),
    warnings: onceEach(sunk.flatMap((s) => s.warnings)),
  };
}

/**
 * What catching a lean takes: everything above the axle leans with it.
 *
 * @example catchInput(teasel, teasel.duties[0], footingOf(teasel, teasel.duties[0])).heightM // 0.2663
 */
export function catchInput(build: Build, duty: Duty, footing: Footing) {
  const diameterM = build.layout.axles[0]?.diameter.value ?? 1;
  return {
    massKg: footing.massKg,
    heightM: Math.max(footing.cgHeightM - diameterM / 2, 1e-9),
    leanDeg: radiansToDegrees(duty.lean?.value ?? 0),
    wheelDiameterM: diameterM,
    bodyInertiaKgM2: 0,
    wheelsMassKg: 0,
  };
}

/**
 * What a turn adds to every driveline as if all did what the hardest does: on the spot both sides do; round a bend
 * the inner side does less. A locked axle's scrub is pushed round the bend by all.
 */
const turningForce = (build: Build, turn: TurnReport | undefined): number => {
  if (!turn || turn.momentNm === 0) return 0;
  if (turn.turning === 'steered') return turn.radiusM > 0 ? turn.momentNm / turn.radiusM : 0;
  if (turn.outerN === 0) return 0;
  const trackM = build.layout.axles.reduce((most, a) => Math.max(most, a.driven ? a.track.value : 0), 0);
  return trackM > 0 ? (2 * turn.momentNm) / trackM : 0;
};

/** What a duty asks of the vehicle, before anything drives it. */
export interface Demand {
  readonly resistance: Resistance;
  readonly footing: Footing;
  readonly turn?: TurnReport;
  readonly step?: StepReport | { readonly problem: Notice };
  readonly sink?: SinkReport;
}

/** What a duty asks whatever drives it, and how it stands meanwhile. */
export const askedAnyhow = whateverDrives((build) => (duty) => {
  const footing = footingOf(build, duty);
  const turn = turnOf(build, duty, footing);
  const step = stepOf(build, duty, footing);
  const sink = sinkOf(build, duty, footing);
  return {
    road: roadOf(build, duty, footing),
    beyond: {
      compactionN: sink?.compactionN ?? 0,
      turningN: turningForce(build, turn),
      obstacleN: step && !('problem' in step) ? step.forceN : 0,
      catchingN: duty.lean ? catchLean.run(catchInput(build, duty, footing)).forceN : 0,
      pushingN: pushOf(duty),
    },
    footing,
    met: { ...(turn ? { turn } : {}), ...(step ? { step } : {}), ...(sink ? { sink } : {}) },
  };
});

/**
 * What a duty asks along the ground at a speed (its own unless given), split by cause, and how it stands meanwhile.
 *
 * @example demandOf(puffin, duty).resistance.totalN // 411
 */
export function demandOf(build: Build, duty: Duty, speedMps = duty.speed.value): Demand {
  const { road, beyond, footing, met } = askedAnyhow(build, duty);
  const {
    rollingN,
    gradeN,
    dragN,
    inertiaN,
    drawbarN,
    totalN: roadN,
  } = roadLoad.run({ ...road, speedMps, rotatingMassFactor: rotatingFactor(build, road.massKg) });
  const { totalN } = sumOfForces.run({ roadN, ...beyond });
  const resistance = { rollingN, gradeN, dragN, inertiaN, drawbarN, ...beyond, totalN };
  return { footing, resistance, ...met };
}

/**
 * What all that is not the road adds, in the order of the sum.
 *
 * @example beyondRoad(report.duties[0].resistance) // { compactionN: 0, turningN: 0, obstacleN: 0, catchingN: 0, … }
 */
export const beyondRoad = ({ compactionN, turningN, obstacleN, catchingN, pushingN }: Resistance) => ({
  compactionN,
  turningN,
  obstacleN,
  catchingN,
  pushingN,
});

/**
 * Force that grip must hold: a step is climbed by its edge, which has a margin of its own.
 *
 * @example askedOfGrip(report.duties[0].resistance) // 411
 */
export const askedOfGrip = ({ totalN, obstacleN }: Resistance): number => Math.abs(totalN - obstacleN);

/**
 * Whether both sides do the same: straight on, or on the spot.
 *
 * @example sidesAlike(duty) // true
 */
export const sidesAlike = (duty: Duty): boolean => !Number.isFinite(radiusOf(duty)) || radiusOf(duty) === 0;

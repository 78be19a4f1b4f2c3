import { AIR_DENSITY, STANDARD_GRAVITY } from '../quantity/index.ts';

/** A launch from rest at full command. SI; `ke` and `kt` apart where a data sheet gives two. */
export interface LaunchInput {
  readonly massKg: number;
  readonly wheelRadiusM: number;
  readonly ratio: number;
  readonly efficiency: number;
  readonly motors: number;
  readonly resistanceOhm: number;
  readonly ktNmPerA: number;
  readonly keVsPerRad: number;
  readonly noLoadA: number;
  readonly voltageV: number;
  /** Share of full command that the controller lets through. */
  readonly commandShare: number;
  readonly supplyResistanceOhm: number;
  /** Per motor; Infinity where the driver does not limit. */
  readonly currentLimitA: number;
  readonly motorInertiaKgM2: number;
  readonly rotatingMassKg: number;
  readonly rollingCoefficient: number;
  readonly dragAreaM2: number;
  readonly slopeRad: number;
  /** Pull at the hitch, steady. */
  readonly drawbarN: number;
  /** Infinity where grip does not limit. */
  readonly gripN: number;
  readonly durationS: number;
}

/** What the vehicle does at one speed. */
export interface Instant {
  readonly accelerationMps2: number;
  readonly batteryA: number;
  readonly forceN: number;
}

/** A range of speeds over which one law holds: force = push − fall·v, and how the battery current follows. */
export interface Region {
  readonly toMps: number;
  readonly pushN: number;
  readonly fallNsPerM: number;
  readonly chopping: boolean;
}

/** The equations of calculators.md, simulate-launch: everything as a function of road speed. */
export function launchModel(i: LaunchInput) {
  const weightN = i.massKg * STANDARD_GRAVITY;
  const steadyN = weightN * (i.rollingCoefficient * Math.cos(i.slopeRad) + Math.sin(i.slopeRad)) + i.drawbarN;
  const dragN = 0.5 * AIR_DENSITY * i.dragAreaM2;
  const movingKg =
    i.massKg + i.rotatingMassKg + (i.motors * i.motorInertiaKgM2 * i.ratio ** 2) / i.wheelRadiusM ** 2;
  const turn = i.ratio / i.wheelRadiusM;
  const fullV = i.commandShare * i.voltageV;
  const loopOhm = i.resistanceOhm + i.commandShare ** 2 * i.motors * i.supplyResistanceOhm;
  const forcePerA = i.ktNmPerA * i.motors * turn * i.efficiency;
  const backVPerMps = i.keVsPerRad * turn;

  /** Current of the battery while the driver chops to its limit: the lesser root of P = Ib(V − Rs Ib). */
  const choppingA = (speedMps: number): number => {
    const powerW = i.motors * i.currentLimitA * (i.currentLimitA * i.resistanceOhm + backVPerMps * speedMps);
    const root = Math.sqrt(Math.max(0, i.voltageV ** 2 - 4 * i.supplyResistanceOhm * powerW));
    return (2 * powerW) / (i.voltageV + root);
  };
  const freeA = (speedMps: number): number => (fullV - backVPerMps * speedMps) / loopOhm;

  const at = (speedMps: number): Instant => {
    const free = freeA(speedMps);
    const motorA = Math.min(free, i.currentLimitA);
    const batteryA = free <= i.currentLimitA ? i.commandShare * i.motors * free : choppingA(speedMps);
    const forceN = Math.max(-i.gripN, Math.min(i.gripN, forcePerA * (motorA - i.noLoadA)));
    const resistN = steadyN + dragN * speedMps * speedMps;
    return { accelerationMps2: (forceN - resistN) / movingKg, batteryA, forceN };
  };

  /** Where the driver stops chopping: the battery current may peak there. */
  const limitEndsMps = (fullV - i.currentLimitA * loopOhm) / backVPerMps;
  /** Speed at which the straight-through motors pull with a force. */
  const speedAtForce = (forceN: number): number =>
    (fullV - loopOhm * (forceN / forcePerA + i.noLoadA)) / backVPerMps;

  return {
    at,
    freeA,
    choppingA,
    limitEndsMps,
    steadyN,
    dragN,
    movingKg,
    /** How fast the straight-through current falls with speed. */
    freeFallAPerMps: backVPerMps / loopOhm,
    regions: regionsOf(i, {
      limitEndsMps,
      speedAtForce,
      forcePerA,
      fallNsPerM: (forcePerA * backVPerMps) / loopOhm,
      loopOhm,
    }),
  };
}

interface Laws {
  readonly limitEndsMps: number;
  readonly speedAtForce: (forceN: number) => number;
  readonly forcePerA: number;
  readonly fallNsPerM: number;
  readonly loopOhm: number;
}

/** The laws of force from rest upwards: held by the driver, held by grip, straight through, held back by grip. */
function regionsOf(i: LaunchInput, laws: Laws): Region[] {
  const regions: Region[] = [];
  const gripped = Number.isFinite(i.gripN);
  const constant = (toMps: number, pushN: number, chopping: boolean): void => {
    regions.push({ toMps, pushN, fallNsPerM: 0, chopping });
  };
  if (Number.isFinite(i.currentLimitA)) {
    const heldN = laws.forcePerA * (i.currentLimitA - i.noLoadA);
    constant(laws.limitEndsMps, Math.max(-i.gripN, Math.min(i.gripN, heldN)), true);
  }
  if (gripped) constant(laws.speedAtForce(i.gripN), i.gripN, false);
  regions.push({
    toMps: gripped ? laws.speedAtForce(-i.gripN) : Infinity,
    pushN: laws.forcePerA * ((i.commandShare * i.voltageV) / laws.loopOhm - i.noLoadA),
    fallNsPerM: laws.fallNsPerM,
    chopping: false,
  });
  if (gripped) constant(Infinity, -i.gripN, false);
  return regions;
}

export type LaunchModel = ReturnType<typeof launchModel>;

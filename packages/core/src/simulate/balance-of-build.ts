import { drivelineOf, type Driveline } from '../drive/index.ts';
import { centreOfGravity, inertiaOf } from '../layout/index.ts';
import { GRAM_CM2 } from '../quantity/index.ts';
import { layoutKind, type Build } from '../vehicle/index.ts';
import { usualWheelKg, WHEEL_INERTIA } from './usual-wheel.ts';
import type { BalanceBody, BalanceMotor } from './balance-model.ts';

/** A balancer as it is simulated, and what nobody has said of it. */
export interface Balancer {
  readonly body: BalanceBody;
  readonly motor: BalanceMotor;
  /** What of the motor's resistance is the battery's and the leads', shared by all motors. */
  readonly sagOhm: number;
  /** What was taken for want of a figure. */
  readonly assumed: readonly ('wheels-mass' | 'no-rotors')[];
}

/** The motors of a drive as one, of a law of constants; undefined of any other. */
export function motorsOf({ circuit, ratio, efficiency }: Driveline): BalanceMotor | undefined {
  const { constants } = circuit.motor;
  return (
    constants && {
      count: circuit.motors,
      ratio,
      efficiency,
      // What the battery and the leads take is shared by motors that draw alike.
      resistanceOhm: constants.resistanceOhm + circuit.motors * circuit.supplyResistanceOhm,
      ktNmPerA: constants.ktNmPerA,
      voltageV: circuit.openCircuitV * circuit.commandShare,
      ...(Number.isFinite(circuit.currentLimitA) ? { limitA: circuit.currentLimitA } : {}),
    }
  );
}

/** All rotors of a drive seen at its wheels, as far as they are known, kg m². */
export const rotorsOf = ({ circuit, motor, ratio }: Driveline): number =>
  circuit.motors * (motor.rotorGcm2 ?? 0) * GRAM_CM2 * ratio ** 2;

/**
 * The balancer that a build is, with its payload or without: everything but the wheels leans about their axle. Wheels are taken
 * by their size; rotors count where their inertia is known. Undefined for what does not balance, or without a motor whose law
 * is one of constants.
 */
export function balancerOf(build: Build, loaded: boolean): Balancer | undefined {
  const line = layoutKind(build.layout.kind).balances ? drivelineOf(build) : undefined;
  const motor = line && motorsOf(line);
  if (!line || !motor) return undefined;
  const r = line.wheelRadiusM;
  const wheelKg = build.layout.axles.reduce(
    (sum, axle) => sum + (axle.form === 'wheel' ? 2 : 0) * usualWheelKg(axle),
    0,
  );
  const own = centreOfGravity(build);
  const { payload } = build.masses;
  const payloadKg = loaded ? payload.mass.value : 0;
  const wholeKg = own.massKg + payloadKg;
  const wheelsMassKg = Math.min(wheelKg, own.massKg / 2);
  const bodyMassKg = wholeKg - wheelsMassKg;
  // Over the axle, where the wheels' own middle is.
  const above = (heightM: number): number => heightM - r;
  const cgHeightM = (own.massKg * above(own.heightM) + payloadKg * above(payload.height.value)) / bodyMassKg;
  const about = (kg: number, heightM: number): number => kg * (above(heightM) - cgHeightM) ** 2;
  const bodyInertiaKgM2 =
    inertiaOf(build).pitchKgM2 +
    about(own.massKg, own.heightM) +
    about(payloadKg, payload.height.value) -
    wheelsMassKg * cgHeightM ** 2;
  return {
    body: {
      bodyMassKg,
      cgHeightM,
      bodyInertiaKgM2: Math.max(0, bodyInertiaKgM2),
      wheelsMassKg,
      wheelsInertiaKgM2: WHEEL_INERTIA * wheelsMassKg * r ** 2,
      rotorsInertiaKgM2: rotorsOf(line),
      wheelRadiusM: r,
    },
    motor,
    sagOhm: line.circuit.motors * line.circuit.supplyResistanceOhm,
    assumed: ['wheels-mass', ...(line.motor.rotorGcm2 === undefined ? (['no-rotors'] as const) : [])],
  };
}

import type { z } from 'zod';
import { partFigure as f, type Notice } from '../../contract/index.ts';
import type { MotorModel } from '../model.ts';

/** Figures that a motor of any type may have beside what its law is made of. */
export const anyMotor = {
  continuousA: f.figure('Current it may carry all day', 'A'),
  gearhead: f.gearhead.optional(),
  encoderCounts: f.counted('Counts of its encoder for a turn of the motor', 100_000).optional(),
  holdsSpeed: f.yesNo('Holds its speed by itself').optional(),
  bodyDiameterMm: f.figure('Diameter of the body', 'mm').optional(),
  bodyLengthMm: f.figure('Length of the body', 'mm').optional(),
  shaftDiameterMm: f.figure('Diameter of its shaft', 'mm').optional(),
  shaftKeyMm: f.figure('Width of the keyway in its shaft', 'mm').optional(),
  shaftLoadN: f.figure('Pull across its shaft that it may carry all day', 'N').optional(),
  mountCircleMm: f.figure('Circle of its mounting holes', 'mm').optional(),
  mountHoles: f.counted('Mounting holes').optional(),
  thermalResistanceKPerW: f.figure('Thermal resistance from the motor to the air', 'K/W').optional(),
  timeConstantS: f.figure('Thermal time constant of the motor', 's').optional(),
  windingKPerW: f.figure('Thermal resistance from its winding to the motor', 'K/W').optional(),
  windingTimeConstantS: f.figure('Thermal time constant of its winding', 's').optional(),
  windingLimitC: f.figure('Greatest temperature of its winding', '°C').optional(),
  rotorGcm2: f.figure('Inertia of its rotor', 'g·cm²', f.orNone).optional(),
} as const;

/** Why no-load and stall current are those of no motor. */
export const idleUnderStall = (m: { readonly noLoadA: number; readonly stallA: number }) =>
  m.noLoadA < m.stallA
    ? undefined
    : ({ key: 'noLoadA', why: 'the no-load current must be less than the stall current' } as const);

/** How a motor stands at the voltage of its data sheet, its gearhead left out. */
export interface MotorNominal {
  /** Speed unloaded, rpm; of what has none, the rated one. */
  readonly noLoadRpm: number;
  readonly stallTorqueNm: number;
  readonly stallA: number;
}

/** What is known of a type of motor. `Figures` are those of its part. */
export interface MotorType<Figures> {
  readonly title: string;
  /** The figures of its data sheet, beside those of any motor. */
  readonly shape: z.ZodRawShape;
  /** Why figures that fit the shape are no motor; undefined where they are one. */
  readonly impossible: (
    figures: Figures,
  ) => { readonly key: keyof Figures & string; readonly why: string } | undefined;
  /** Its law with so many ohms before it, and a limit of its current that its driver sets, A. */
  readonly model: (figures: Figures, before: { readonly ohm: number; readonly limitA: number }) => MotorModel;
  readonly nominal: (figures: Figures) => MotorNominal;
  /** What is always to be watched. */
  readonly cautions: readonly Notice[];
  /** What its figures say against each other. */
  readonly doubts: (figures: Figures) => readonly Notice[];
  /** Whether its electronics are its own: no driver stands before it. */
  readonly drivesItself: boolean;
  /** Whether it turns on and on, and so may drive a wheel. */
  readonly propels: boolean;
}

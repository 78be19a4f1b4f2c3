import { z } from 'zod';
import { SURFACES, TYRES } from '../ground/index.ts';
import { quantity } from '../quantity/index.ts';
import { id, name } from './item.ts';

/** Pressure, sinkage and shear of ground that gives way. */
export const soilSchema = z
  .strictObject({
    name: z.string().max(60).meta({ title: 'Soil' }),
    kcKnPerM: z.number().min(-1e6).max(1e6).meta({ title: 'Cohesive kc', unit: 'kN/mⁿ⁺¹' }),
    kphiKnPerM: z.number().min(1e-3).max(1e9).meta({ title: 'Frictional kφ', unit: 'kN/mⁿ⁺²' }),
    exponent: z.number().min(0.01).max(2.9).meta({ title: 'Exponent n' }),
    cohesionKPa: z.number().min(0).max(1e6).meta({ title: 'Cohesion', unit: 'kPa' }),
    shearAngleDeg: z.number().min(0).max(60).meta({ title: 'Shearing angle', unit: '°' }),
  })
  .readonly();

const friction = { above: 0, most: 3 } as const;

/** What one kind of tyre does on a ground. */
const onTyre = z
  .strictObject({
    tyre: z.enum(TYRES).meta({ title: 'Tyre' }),
    rolling: quantity(
      'coefficient',
      { least: 0, most: 2 },
      'Rolling resistance',
      'Rolling resistance of wheels with this tyre over their load',
    ),
    friction: quantity(
      'coefficient',
      friction,
      'Grip',
      'Grip of wheels with this tyre; the drag of its sliders',
    ),
    across: quantity('coefficient', friction, 'Grip sideways', 'Friction across wheels with this tyre'),
  })
  .readonly();

/** Ground under this vehicle: what it costs to roll on, and how it grips. */
export const groundSchema = z
  .strictObject({
    id,
    name,
    surface: z.enum(SURFACES).nullable().meta({ title: 'Surface' }),
    rolling: quantity(
      'coefficient',
      { least: 0, most: 2 },
      'Rolling resistance',
      'Rolling resistance of the driven wheels over their load',
    ),
    freeRolling: quantity(
      'coefficient',
      { least: 0, most: 2 },
      'Drag of the free wheels',
      'Rolling of castors, sliding of sliders, over their load',
    ),
    friction: quantity('coefficient', friction, 'Grip', 'Grip of the driven wheels'),
    across: quantity('coefficient', friction, 'Grip sideways', 'Friction across the wheels'),
    /** Figures of their own for tyres; axles with other tyres take the ones above. */
    tyres: z.array(onTyre).max(TYRES.length).readonly().optional().meta({ title: 'Tyres' }),
    /** So uneven that a wheel may hang in the air. */
    uneven: z.boolean().optional().meta({ title: 'A wheel may hang in the air' }),
    soil: soilSchema.optional().meta({ title: 'Soft ground' }),
  })
  .readonly();

import type { Dimension, Quantity } from '@zubric/core/quantity';
import type { Stage, StageKind, StageOf } from '@zubric/core/transmission';
import { aboveZero, zeroOrMore } from '../../fields/checks.ts';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { Stepper } from '../../fields/Stepper.tsx';
import type { Check } from '../../fields/useQuantityText.ts';

type Part = Partial<Record<string, Quantity | number>>;

interface Whole {
  readonly key: string;
  readonly label: string;
  readonly least: number;
  readonly most: number;
}

interface Measure {
  readonly key: string;
  readonly label: string;
  readonly dimension: Dimension;
  readonly check?: Check;
}

interface Editable {
  readonly wholes: readonly Whole[];
  readonly measures: readonly Measure[];
}

const count = (key: string, label: string, least = 6, most = 150): Whole => ({ key, label, least, most });
const measure = (key: string, label: string, dimension: Dimension, check: Check = aboveZero): Measure => ({
  key,
  label,
  dimension,
  check,
});

const leadAngle: Check = (value) =>
  value > 0 && value < Math.PI / 2 ? undefined : 'A lead angle is more than 0° and less than 90°.';
const groove: Check = (value) =>
  value > 0 && value <= Math.PI ? undefined : 'A groove is more than 0°; 180° is a flat belt.';

const TEETH = [count('teethDriver', 'Driver teeth'), count('teethDriven', 'Driven teeth')];
const GEARS: Editable = {
  wholes: TEETH,
  measures: [
    measure('module', 'Module', 'length'),
    measure('faceWidth', 'Face width', 'length'),
    measure('allowable', 'Allowable stress', 'stress'),
  ],
};
const ROLLERS = [
  measure('driverDiameter', 'Driver Ø', 'length'),
  measure('drivenDiameter', 'Driven Ø', 'length'),
];

/** What can be edited of each kind; the gearhead and the chain have rows of their own. */
const EDITABLE: Readonly<Record<Exclude<StageKind, 'gearhead' | 'chain'>, Editable>> = {
  spur: GEARS,
  bevel: GEARS,
  planetary: {
    wholes: [
      count('sunTeeth', 'Sun teeth'),
      count('ringTeeth', 'Ring teeth', 12, 400),
      count('planets', 'Planets', 1, 8),
    ],
    measures: [],
  },
  worm: {
    wholes: [count('starts', 'Starts', 1, 8), count('wheelTeeth', 'Wheel teeth', 10, 300)],
    measures: [
      measure('leadAngle', 'Lead angle', 'angle', leadAngle),
      measure('friction', 'Friction', 'coefficient'),
    ],
  },
  'timing-belt': {
    wholes: [...TEETH, count('beltTeeth', 'Belt teeth', 10, 1000)],
    measures: [measure('pitch', 'Pitch', 'length'), measure('allowablePull', 'Working pull', 'force')],
  },
  'friction-belt': {
    wholes: [],
    measures: [
      ...ROLLERS,
      measure('centre', 'Shafts apart', 'length'),
      measure('groove', 'Groove, 180° flat', 'angle', groove),
      measure('friction', 'Friction', 'coefficient'),
      measure('tension', 'Tension a strand', 'force'),
      measure('idlerWrap', 'Wrap by idler', 'angle', zeroOrMore),
    ],
  },
  'friction-wheel': {
    wholes: [],
    measures: [
      ...ROLLERS,
      measure('press', 'Press', 'force'),
      measure('friction', 'Friction', 'coefficient'),
    ],
  },
  direct: { wholes: [], measures: [] },
  spool: {
    wholes: [count('layers', 'Layers of rope', 1, 20)],
    measures: [
      measure('coreDiameter', 'Core Ø', 'length'),
      measure('ropeDiameter', 'Rope Ø', 'length'),
      measure('ropeStrength', 'Rope breaks at', 'force'),
    ],
  },
  track: {
    wholes: [count('sprocketTeeth', 'Sprocket teeth', 3, 60)],
    measures: [
      measure('pitch', 'Pitch', 'length'),
      measure('idlerDiameter', 'Idler Ø', 'length'),
      measure('centre', 'Shafts apart', 'length'),
      measure('allowablePull', 'Working pull', 'force'),
    ],
  },
};

export type GenericStage = Exclude<Stage, StageOf<'gearhead'> | StageOf<'chain'>>;

interface Props {
  readonly stage: GenericStage;
  readonly onChange: (part: Part) => void;
}

/** Tooth counts and measures of a stage, in the order a builder reads them off the parts. */
export function StageFields({ stage, onChange }: Props) {
  const { wholes, measures } = EDITABLE[stage.kind];
  const values = stage as unknown as Readonly<Record<string, Quantity | number>>;
  return (
    <div className="flex flex-wrap items-end gap-x-3 gap-y-1">
      {wholes.map(({ key, label, least, most }) => (
        <div key={key}>
          <span className="block text-[14px] text-soft">{label}</span>
          <Stepper
            label={label}
            value={Number(values[key])}
            least={least}
            most={most}
            onChange={(value) => onChange({ [key]: value })}
          />
        </div>
      ))}
      {measures.map(({ key, label, dimension, check }) => (
        <QuantityField
          key={key}
          label={label}
          className="w-[104px]"
          dimension={dimension}
          value={values[key] as Quantity}
          check={check}
          onChange={(quantity) => onChange({ [key]: quantity })}
        />
      ))}
    </div>
  );
}

import { isQuantity, typed } from '@zubric/core/quantity';
import {
  V_SECTIONS,
  V_SECTION_NAMES,
  usualPullPerWidth,
  type Stage,
  type StageKind,
  type StageOf,
} from '@zubric/core/transmission';
import { Choice } from '../../fields/Choice.tsx';
import { zeroOrMore } from '../../fields/checks.ts';
import type { Check } from '../../fields/useQuantityText.ts';
import { EditableFields, count, measure, type Editable, type Part } from './EditableFields.tsx';

const leadAngle: Check = (value) =>
  value > 0 && value < Math.PI / 2 ? undefined : 'A lead angle is more than 0° and less than 90°.';
const groove: Check = (value) =>
  value > 0 && value <= Math.PI ? undefined : 'A groove is more than 0°; 180° is a flat belt.';

const TEETH = [count('teethDriver', 'Driver teeth'), count('teethDriven', 'Driven teeth')];
const cut = (optional: boolean) => [
  measure('module', 'Module', 'length', { optional }),
  measure('faceWidth', 'Face width', 'length', { optional }),
  measure('allowable', 'Teeth carry', 'stress', { optional }),
];
const GEARS: Editable = { wholes: TEETH, measures: cut(false) };
const ROLLERS = [
  measure('driverDiameter', 'Driver Ø', 'length'),
  measure('drivenDiameter', 'Driven Ø', 'length'),
];

/** What can be edited of each kind; the gearhead has a row of its own. */
const EDITABLE: Readonly<Record<Exclude<StageKind, 'gearhead'>, Editable>> = {
  chain: {
    wholes: [count('teethDriver', 'Driver teeth', 6), count('teethDriven', 'Driven teeth', 6)],
    measures: [measure('centre', 'Shafts apart', 'length')],
  },
  spur: GEARS,
  bevel: GEARS,
  planetary: {
    wholes: [
      count('sunTeeth', 'Sun teeth'),
      count('ringTeeth', 'Ring teeth', 12, 400),
      count('planets', 'Planets', 1, 8),
    ],
    measures: cut(true),
  },
  worm: {
    wholes: [count('starts', 'Starts', 1, 8), count('wheelTeeth', 'Wheel teeth', 10, 300)],
    measures: [
      measure('leadAngle', 'Lead angle', 'angle', { check: leadAngle }),
      measure('friction', 'Friction', 'coefficient'),
      ...cut(true),
    ],
  },
  'timing-belt': {
    wholes: [...TEETH, count('beltTeeth', 'Belt teeth', 10, 1000)],
    measures: [
      measure('pitch', 'Pitch', 'length'),
      measure('width', 'Width', 'length'),
      measure('pullPerWidth', 'Pull for its width', 'line-pull'),
    ],
  },
  'friction-belt': {
    wholes: [],
    measures: [
      ...ROLLERS,
      measure('centre', 'Shafts apart', 'length'),
      measure('groove', 'Groove, 180° flat', 'angle', { check: groove }),
      measure('friction', 'Friction', 'coefficient'),
      measure('tension', 'Tension a strand', 'force'),
      measure('idlerWrap', 'Wrap by idler', 'angle', { check: zeroOrMore }),
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

export type GenericStage = Exclude<Stage, StageOf<'gearhead'>>;

/** A belt of another pitch pulls for its width what is usual there, until its maker says otherwise. */
function withItsPull(stage: GenericStage, part: Part): Part {
  const pitch = stage.kind === 'timing-belt' && 'pitch' in part ? part.pitch : undefined;
  return isQuantity(pitch)
    ? { ...part, pullPerWidth: typed(usualPullPerWidth(pitch.value), 'N/mm', 'assumed') }
    : part;
}

interface Props {
  readonly stage: GenericStage;
  readonly onChange: (part: Part) => void;
}

/** Tooth counts and measures of a stage, in the order a builder reads them off the parts. */
export function StageFields({ stage, onChange }: Props) {
  return (
    <div className="flex flex-wrap items-end gap-x-3 gap-y-1">
      <EditableFields
        editable={EDITABLE[stage.kind]}
        values={stage}
        onChange={(part) => onChange(withItsPull(stage, part))}
      />
      {stage.kind === 'friction-belt' && stage.groove.value < Math.PI && (
        <Choice
          label="Section"
          className="w-32"
          value={stage.section ?? 'unsaid'}
          options={[
            { value: 'unsaid', title: 'by its pulley' },
            ...V_SECTION_NAMES.map((value) => ({ value, title: V_SECTIONS[value].title })),
          ]}
          onChange={(section) => onChange({ section: section === 'unsaid' ? undefined : section })}
        />
      )}
    </div>
  );
}

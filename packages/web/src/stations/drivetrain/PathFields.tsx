import { SET_SCREW_SIZES, type PathElement, type PathKind } from '@zubric/core/transmission';
import { zeroOrMore } from '../../fields/checks.ts';
import { Choice } from '../../fields/Choice.tsx';
import { EditableFields, count, measure, type Editable } from './EditableFields.tsx';

const BORE = measure('bore', 'Bore', 'length');
const FRICTION = measure('friction', 'Friction', 'coefficient');
const SHEAR = measure('allowable', 'Allowable shear', 'stress');

/** What can be edited of each part of the torque path. */
const EDITABLE: Readonly<Record<PathKind, Editable>> = {
  shaft: {
    wholes: [],
    measures: [
      measure('diameter', 'Diameter', 'length'),
      measure('length', 'Length', 'length', { optional: true }),
      measure('keyWidth', 'Keyway', 'length', { optional: true }),
      SHEAR,
    ],
  },
  key: {
    wholes: [],
    measures: [
      BORE,
      measure('width', 'Key width', 'length'),
      measure('height', 'Key height', 'length'),
      measure('length', 'Key length', 'length'),
      SHEAR,
      measure('allowableBearing', 'Allow. bearing', 'stress'),
    ],
  },
  'set-screws': { wholes: [count('count', 'Set screws', 1, 8)], measures: [BORE] },
  clamp: {
    wholes: [count('screws', 'Screws', 1, 8)],
    measures: [BORE, measure('screwForce', 'Force of a screw', 'force'), FRICTION],
  },
  'press-fit': {
    wholes: [],
    measures: [
      BORE,
      measure('hubDiameter', 'Hub Ø', 'length'),
      measure('length', 'Seat length', 'length'),
      measure('interference', 'Interference', 'length'),
      FRICTION,
    ],
  },
  'bolt-circle': {
    wholes: [count('bolts', 'Bolts', 2, 24), count('otherBolts', 'Holes behind', 2, 24)],
    measures: [
      measure('circle', 'Circle', 'length'),
      measure('otherCircle', 'Circle behind', 'length'),
      measure('boltDiameter', 'Bolt Ø', 'length'),
      measure('standoff', 'Standoff', 'length', { check: zeroOrMore }),
      SHEAR,
    ],
  },
  coupling: {
    wholes: [],
    measures: [
      measure('bore', 'Bore before', 'length'),
      measure('otherBore', 'Bore behind', 'length'),
      measure('ratedTorque', 'Rated torque', 'torque'),
    ],
  },
  tyre: {
    wholes: [],
    measures: [
      measure('rimDiameter', 'Rim Ø', 'length'),
      measure('seatWidth', 'Seat width', 'length'),
      measure('pressure', 'Pressure', 'stress', { check: zeroOrMore }),
      FRICTION,
      measure('bond', 'Glue carries', 'stress', { check: zeroOrMore }),
    ],
  },
};

interface Props {
  readonly element: PathElement;
  readonly onChange: (element: PathElement) => void;
}

/** The sizes of a part of the torque path. */
export function PathFields({ element, onChange }: Props) {
  return (
    <div className="flex flex-wrap items-end gap-x-2 gap-y-1">
      {element.kind === 'set-screws' && (
        <Choice
          label="Screw size"
          className="w-[84px]"
          value={element.size}
          options={SET_SCREW_SIZES.map((value) => ({ value, title: value }))}
          onChange={(size) => onChange({ ...element, size })}
        />
      )}
      <EditableFields
        editable={EDITABLE[element.kind]}
        values={element}
        // Only keys of its own kind are handed on.
        onChange={(part) => onChange(withoutEmpty({ ...element, ...part }) as PathElement)}
      />
    </div>
  );
}

/** What was left away has no key. */
const withoutEmpty = (fields: object): object =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined));

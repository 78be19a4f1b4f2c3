import { SET_SCREW_SIZES, pathFields, type PathElement } from '@zubric/core/transmission';
import { Choice } from '../../fields/Choice.tsx';
import { EditableFields } from './EditableFields.tsx';

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
        fields={pathFields(element.kind)}
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

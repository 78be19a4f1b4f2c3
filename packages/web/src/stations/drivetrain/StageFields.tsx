import { isQuantity, typed } from '@zubric/core/quantity';
import {
  V_SECTIONS,
  V_SECTION_NAMES,
  stageFields,
  usualPullPerWidth,
  type Stage,
} from '@zubric/core/transmission';
import { Choice } from '../../fields/Choice.tsx';
import { EditableFields, type Part } from './EditableFields.tsx';

/** What has a place of its own in the row of a stage. */
const ELSEWHERE: ReadonlySet<string> = new Set(['efficiency', 'play', 'ratio']);

/** A belt of another pitch pulls for its width what is usual there, until its maker says otherwise. */
function withItsPull(stage: Stage, part: Part): Part {
  const pitch = stage.kind === 'timing-belt' && 'pitch' in part ? part.pitch : undefined;
  return isQuantity(pitch)
    ? { ...part, pullPerWidth: typed(usualPullPerWidth(pitch.value), 'N/mm', 'assumed') }
    : part;
}

interface Props {
  readonly stage: Stage;
  readonly onChange: (part: Part) => void;
}

/** Tooth counts and measures of a stage, in the order a builder reads them off the parts. */
export function StageFields({ stage, onChange }: Props) {
  return (
    <div className="flex flex-wrap items-end gap-x-3 gap-y-1">
      <EditableFields
        fields={stageFields(stage.kind).filter(({ key }) => !ELSEWHERE.has(key))}
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

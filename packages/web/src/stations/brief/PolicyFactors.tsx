import type { MarginPolicy } from '@zubric/core/vehicle';
import { SchemaField } from '../../fields/SchemaField.tsx';

const FACTORS = ['torque', 'current', 'grip', 'energy', 'speed'] as const;

interface Props {
  readonly policy: MarginPolicy;
  readonly onChange: (policy: MarginPolicy) => void;
}

/** A factor of its own for each uncertainty. */
export const PolicyFactors = ({ policy, onChange }: Props) => (
  <div className="grid grid-cols-5 gap-3">
    {FACTORS.map((factor) => (
      <SchemaField
        key={factor}
        part="policy"
        field={factor}
        label={`${factor} ×`}
        value={{ value: policy[factor], unit: '', origin: 'typed' }}
        onChange={({ value }) => onChange({ ...policy, [factor]: value })}
      />
    ))}
  </div>
);

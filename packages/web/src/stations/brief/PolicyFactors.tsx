import type { MarginPolicy } from '@zubric/core/vehicle';
import { upTo } from '../../fields/checks.ts';
import { QuantityField } from '../../fields/QuantityField.tsx';

const FACTORS = ['torque', 'current', 'grip', 'energy', 'speed'] as const;
const check = upTo(10, 1);

interface Props {
  readonly policy: MarginPolicy;
  readonly onChange: (policy: MarginPolicy) => void;
}

/** A factor of its own for each uncertainty. */
export const PolicyFactors = ({ policy, onChange }: Props) => (
  <div className="grid grid-cols-5 gap-3">
    {FACTORS.map((factor) => (
      <QuantityField
        key={factor}
        label={`${factor} ×`}
        dimension="coefficient"
        value={{ value: policy[factor], unit: '', origin: 'typed' }}
        check={check}
        onChange={({ value }) => onChange({ ...policy, [factor]: value })}
      />
    ))}
  </div>
);

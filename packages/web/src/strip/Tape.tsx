import { isUnderRule, type Verdict } from '@zubric/core/judge';
import { useId } from 'react';
import { RULE_AT, tapeMarks } from './tape-scale.ts';

interface Props {
  readonly ratio: number;
  readonly rule: number;
  readonly verdict: Verdict;
  readonly kind: 'mechanical' | 'electrical';
}

const WIDTH = 156;
const TICKS = 30;
/** A tick at every thirtieth, each fifth one longer. */
const RULING = Array.from(
  { length: TICKS + 1 },
  (_, n) => `M${(n / TICKS) * WIDTH} 16v${n % 5 === 0 ? 5 : 3}`,
).join('');

/**
 * A ruled bar: filled as far as the build has, the need at its thin mark, the rule at its notch; what is missing to
 * the rule is hatched.
 */
export function Tape({ ratio, rule, verdict, kind }: Props) {
  const hatch = useId();
  const { has, need, beyond } = tapeMarks(ratio, rule);
  const [full, pale] =
    kind === 'mechanical'
      ? ['var(--color-mech)', 'var(--color-mech-lo)']
      : ['var(--color-elec)', 'var(--color-elec-lo)'];
  const x = (share: number): number => share * WIDTH;
  return (
    <svg
      viewBox={`-1 0 ${WIDTH + 8} 22`}
      className="my-1.5 block h-[22px] w-full max-w-[170px]"
      aria-hidden="true"
    >
      <pattern id={hatch} width="5" height="5" patternTransform="rotate(45)" patternUnits="userSpaceOnUse">
        <rect width="2" height="5" fill="var(--color-short)" />
      </pattern>
      <rect x="0" y="5" width={WIDTH} height="11" fill={pale} />
      <rect x="0" y="5" width={x(has)} height="11" fill={full} />
      {isUnderRule(verdict) && has < RULE_AT && (
        <rect x={x(has)} y="5" width={x(RULE_AT - has)} height="11" fill={`url(#${hatch})`} />
      )}
      <path d={RULING} stroke={full} strokeWidth="1" opacity="0.6" />
      {need < RULE_AT - 0.01 && <path d={`M${x(need)} 5v11`} stroke="var(--color-sheet)" strokeWidth="1.5" />}
      <path d={`M${x(RULE_AT)} 1v19`} stroke="var(--color-ink)" strokeWidth="2.5" />
      {beyond && <path d={`M${WIDTH} 5l6 5.5l-6 5.5z`} fill={full} />}
    </svg>
  );
}

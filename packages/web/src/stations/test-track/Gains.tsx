import type { Balancing } from '@zubric/core/vehicle';
import type { Balanced } from '../../workers/bench-work.ts';
import { GainEntry } from './GainEntry.tsx';

const DEGREE = Math.PI / 180;

type OwnGains = NonNullable<Balancing['gains']>;

/** What is proposed, as a builder keeps it. */
export const ownOf = (proposed: Balanced['report']['proposed'] | undefined): OwnGains | undefined =>
  proposed
    ? {
        ...{ kp: proposed.kp, ki: proposed.ki, kd: proposed.kd },
        ...(proposed.hold
          ? {
              hold: {
                ...{ kp: proposed.hold.kp, kd: proposed.hold.kd },
                limitDeg: proposed.hold.limitRad / DEGREE,
              },
            }
          : {}),
      }
    : undefined;

interface GainsProps {
  readonly gains: OwnGains;
  /** The unit of what its motors are told. */
  readonly told: string;
  /** Whether they are the builder's own, and not what is proposed. */
  readonly own: boolean;
  readonly onChange: (gains: OwnGains | undefined) => void;
}

/** A hold to begin with, where none was proposed: so slow that it upsets no balance. */
const FIRST_HOLD = { kp: 0.05, kd: 0.1, limitDeg: 10 };

/** The gains in use: of the balance, and of the slower loop around it that holds the place. */
export function Gains({ gains, told, own, onChange }: GainsProps) {
  const { hold, ...balance } = gains;
  return (
    <div className="flex flex-wrap items-end gap-4">
      {(['kp', 'ki', 'kd'] as const).map((name) => (
        <GainEntry
          key={name}
          {...{ name, told }}
          value={balance[name]}
          onChange={(value) => onChange({ ...gains, [name]: value })}
        />
      ))}
      <label className="flex min-h-8 items-center gap-2">
        <input
          type="checkbox"
          className="size-5 accent-ink"
          checked={hold !== undefined}
          onChange={(event) => onChange(event.target.checked ? { ...balance, hold: FIRST_HOLD } : balance)}
        />
        Holds its place
      </label>
      {hold && (
        <>
          <GainEntry
            {...{ name: 'holdPlace', told }}
            value={hold.kp}
            onChange={(kp) => onChange({ ...balance, hold: { ...hold, kp } })}
          />
          <GainEntry
            {...{ name: 'holdSpeed', told }}
            value={hold.kd}
            onChange={(kd) => onChange({ ...balance, hold: { ...hold, kd } })}
          />
        </>
      )}
      {own ? (
        <button type="button" className="push" onClick={() => onChange(undefined)}>
          Take what is proposed
        </button>
      ) : (
        <p className="pb-1.5 text-soft">
          Proposed: poles of the linear theory, as quick as the loop allows, that stand in the run; the place
          is held by a slower loop around it. Tune the balance first, then the hold.
        </p>
      )}
    </div>
  );
}

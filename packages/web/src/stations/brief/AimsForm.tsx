import { limitsOf } from '@zubric/core/judge';
import type { Aims } from '@zubric/core/vehicle';
import { useSay } from '../../common/units.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { QuantityFields } from '../../fields/QuantityFields.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

const AIM_TITLES: Readonly<Record<Aims['maximise'], string>> = {
  none: 'nothing in particular',
  'payload-rate': 'payload over time',
  haul: 'load times distance a charge',
  range: 'distance a charge',
};

const LIMITS = ['mass', 'length', 'width', 'height', 'voltage', 'cost'] as const;

/** What it is to be best at, and what its event allows; each limit is checked. */
export function AimsForm() {
  const { build, edit } = useBuild();
  const say = useSay();
  const { aims } = build;
  const change = (part: Partial<Aims>): void => edit((b) => ({ ...b, aims: { ...b.aims, ...part } }));
  const checks = limitsOf(build);
  return (
    <section aria-labelledby="aims-title">
      <h2 id="aims-title">Aim and limits</h2>
      <div className="sheet mt-1 grid grid-cols-3 gap-x-3 gap-y-2 p-2">
        <Choice
          label="To make the most of"
          className="col-span-3"
          value={aims.maximise}
          options={Object.entries(AIM_TITLES).map(([value, title]) => ({
            value: value as Aims['maximise'],
            title,
          }))}
          onChange={(maximise) => change({ maximise })}
        />
        <QuantityFields part="aims" keys={LIMITS} of={aims} onChange={change} />
        {checks.length > 0 && (
          <p className="col-span-3 text-[14px] text-soft">
            {checks.map(({ title, dimension, limit, value, holds }) => (
              <span key={title} className={`block ${holds ? '' : 'font-semibold text-short'}`}>
                {holds ? 'Within' : 'Over'}: {title} {say(value, dimension)} of {say(limit, dimension)}
              </span>
            ))}
          </p>
        )}
      </div>
    </section>
  );
}

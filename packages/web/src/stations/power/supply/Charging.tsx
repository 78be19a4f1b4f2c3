import { CAUTION_FOR_CHARGER } from '@zubric/core/assembly';
import { typed } from '@zubric/core/quantity';
import type { Build } from '@zubric/core/vehicle';
import { Choice } from '../../../fields/Choice.tsx';
import { SchemaField } from '../../../fields/SchemaField.tsx';
import { Caution } from '../../../findings/Findings.tsx';
import { useBuild } from '../../../session/BuildSession.tsx';
import { useChangeSupply } from './use-supply.ts';

/** What fills the battery again, between outings or meanwhile. */
export function Charging() {
  const { build } = useBuild();
  const change = useChangeSupply();
  const { charger, sun } = build.supply;
  return (
    <section className="sheet grid gap-2 p-3" aria-labelledby="charging-title">
      <div className="flex flex-wrap items-center gap-2">
        <h3 id="charging-title" className="mr-auto font-semibold">
          Charger and sun
        </h3>
        <button
          type="button"
          className="push push-small"
          onClick={() => change({ charger: charger ? undefined : { current: typed(2, 'A', 'assumed') } })}
        >
          {charger ? 'No charger' : 'Say the charger'}
        </button>
        <button
          type="button"
          className="push push-small"
          onClick={() =>
            change({
              sun: sun
                ? undefined
                : {
                    power: typed(50, 'W', 'assumed'),
                    hours: typed(3 * 3600, 'h', 'assumed'),
                    when: 'parked',
                  },
            })
          }
        >
          {sun ? 'No panel' : 'Say a solar panel'}
        </button>
      </div>
      {charger && <ChargerFields charger={charger} />}
      {charger && <Caution>{CAUTION_FOR_CHARGER}</Caution>}
      {sun && <SunFields sun={sun} />}
    </section>
  );
}

type Supply = Build['supply'];

function ChargerFields({ charger }: { readonly charger: NonNullable<Supply['charger']> }) {
  const change = useChangeSupply();
  return (
    <div className="grid items-end gap-2 sm:grid-cols-3">
      <SchemaField
        part="charger"
        field="current"
        value={charger.current}
        onChange={(current) => change({ charger: { ...charger, current } })}
      />
      <SchemaField
        part="charger"
        field="hours"
        value={charger.hours}
        onChange={(hours) => change({ charger: { ...charger, hours } })}
        onClear={() => {
          const { hours: _hours, ...rest } = charger;
          change({ charger: rest });
        }}
      />
      <SchemaField
        part="charger"
        field="plug"
        value={charger.plug}
        onChange={(plug) => change({ charger: { ...charger, plug } })}
        onClear={() => {
          const { plug: _plug, ...rest } = charger;
          change({ charger: rest });
        }}
      />
    </div>
  );
}

function SunFields({ sun }: { readonly sun: NonNullable<Supply['sun']> }) {
  const change = useChangeSupply();
  return (
    <div className="grid items-end gap-2 sm:grid-cols-3">
      <SchemaField
        part="sun"
        field="power"
        value={sun.power}
        onChange={(power) => change({ sun: { ...sun, power } })}
      />
      <SchemaField
        part="sun"
        field="hours"
        value={sun.hours}
        onChange={(hours) => change({ sun: { ...sun, hours } })}
      />
      <Choice
        label="It charges while"
        value={sun.when}
        options={[
          { value: 'parked', title: 'parked' },
          { value: 'running', title: 'it runs' },
        ]}
        onChange={(when) => change({ sun: { ...sun, when } })}
      />
    </div>
  );
}

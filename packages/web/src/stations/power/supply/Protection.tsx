import { propelling } from '@zubric/core/drive';
import { ampacityOf, fuseThatSuits, leastFuse } from '@zubric/core/judge';
import { typed, type Quantity } from '@zubric/core/quantity';
import { useSay } from '../../../common/units.tsx';
import { SchemaField } from '../../../fields/SchemaField.tsx';
import { useBuild } from '../../../session/BuildSession.tsx';
import { useChangeSupply } from './use-supply.ts';

/** A number that may be left away. */
function Optional({
  field,
  value,
}: {
  readonly field: 'fuse' | 'mainSwitch' | 'airTemperature' | 'standbyPower' | 'commandShare';
  readonly value: Quantity | undefined;
}) {
  const change = useChangeSupply();
  return (
    <SchemaField
      part="supply"
      field={field}
      value={value}
      onChange={(quantity) => change({ [field]: quantity })}
      onClear={() => change({ [field]: undefined })}
    />
  );
}

/** What cuts it off: a fuse by the cable, a switch by hand. */
export function Protection() {
  const { build, whole, report } = useBuild();
  const change = useChangeSupply();
  const say = useSay();
  const suits = fuseThatSuits(whole, report.duties);
  const { fuse, mainSwitch, cable } = build.supply;
  const leastA = leastFuse(report.duties, propelling(whole)[0]?.line);
  return (
    <section className="sheet grid gap-2 p-3" aria-labelledby="fuse-title">
      <h3 id="fuse-title" className="font-semibold">
        Fuse and main switch
      </h3>
      <div className="grid items-end gap-2 sm:grid-cols-3">
        <Optional field="fuse" value={fuse} />
        <Optional field="mainSwitch" value={mainSwitch} />
        {suits !== undefined && suits !== fuse?.value && (
          <button
            type="button"
            className="push push-small justify-self-start"
            onClick={() => change({ fuse: typed(suits, 'A') })}
          >
            {`A fuse of ${say(suits, 'current')} suits: take it`}
          </button>
        )}
      </div>
      {suits === undefined && leastA > 0 && cable && (
        <p className="text-[14px] text-short">
          {`What is drawn all day and in a start asks for a fuse of ${say(leastA, 'current')} or more, and the cable carries ${say(ampacityOf(cable) ?? 0, 'current')}: a thicker cable, or starts held back by the driver.`}
        </p>
      )}
      <p className="text-[14px] text-soft">
        The fuse protects the cable, close to the battery’s plus. The switch is within reach of who walks
        beside or rides.
      </p>
    </section>
  );
}

/** What is drawn beside the motors, and how the battery stands. */
export function Drawn() {
  const { build } = useBuild();
  const change = useChangeSupply();
  const { supply } = build;
  return (
    <section className="sheet grid gap-2 p-3" aria-labelledby="drawn-title">
      <h3 id="drawn-title" className="font-semibold">
        Drawn beside the motors, and how the battery stands
      </h3>
      <div className="grid items-end gap-2 sm:grid-cols-3">
        <SchemaField
          part="supply"
          field="auxiliaryPower"
          value={supply.auxiliaryPower}
          onChange={(auxiliaryPower) => change({ auxiliaryPower })}
        />
        <Optional field="standbyPower" value={supply.standbyPower} />
        <SchemaField
          part="supply"
          field="usableShare"
          value={supply.usableShare}
          onChange={(usableShare) => change({ usableShare })}
        />
        <Optional field="airTemperature" value={supply.airTemperature} />
        <Optional field="commandShare" value={supply.commandShare} />
      </div>
    </section>
  );
}

import { chainWorking } from '@zubric/core/evaluate';
import { chainGeometry, stageFigures, type Stage, type StageOf } from '@zubric/core/transmission';
import { useSay } from '../../app/units.tsx';
import { aboveZero } from '../../fields/checks.ts';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { Stepper } from '../../fields/Stepper.tsx';
import { Opens } from '../../working/Opens.tsx';

const LEAST_TEETH = 6;
const MOST_TEETH = 150;

interface EditorProps<S extends Stage> {
  readonly stage: S;
  readonly change: (part: Partial<Record<string, unknown>>) => void;
}

/** The sprockets' teeth. */
export function Teeth({ stage, change }: EditorProps<Stage>) {
  if (stage.kind !== 'chain') return <td colSpan={2} />;
  return (
    <>
      <td>
        <Stepper
          label="Teeth of the driver sprocket"
          value={stage.teethDriver}
          least={LEAST_TEETH}
          most={MOST_TEETH}
          onChange={(teethDriver) => change({ teethDriver })}
        />
      </td>
      <td>
        <Stepper
          label="Teeth of the driven sprocket"
          value={stage.teethDriven}
          least={LEAST_TEETH}
          most={MOST_TEETH}
          onChange={(teethDriven) => change({ teethDriven })}
        />
      </td>
    </>
  );
}

/** Half a tenth of a millimetre: nearer than a builder sets a motor plate. */
const FITS_MM = 0.05;

/** How far apart the shafts are, the links that go round, and a centre that fits them. */
export function Centre({ stage, change }: EditorProps<StageOf<'chain'>>) {
  const say = useSay();
  const geometry = stageFigures(stage).problem === undefined ? chainGeometry(stage) : undefined;
  const off = geometry && Math.abs(geometry.centreForLinksMm - stage.centre.value * 1000) > FITS_MM;
  return (
    <div className="flex items-center gap-2">
      <QuantityField
        label="Distance between the shafts"
        hideLabel
        className="w-[92px]"
        dimension="length"
        value={stage.centre}
        check={aboveZero}
        onChange={(centre) => change({ centre })}
      />
      {geometry && (
        <span className="text-[14px] leading-tight">
          <Opens work={() => chainWorking(stage)} title="the length of the chain">
            {`${geometry.links} links`}
          </Opens>
          {off && (
            <button
              type="button"
              className="block text-mech underline"
              onClick={() =>
                change({
                  centre: { ...stage.centre, value: geometry.centreForLinksMm / 1000, origin: 'typed' },
                })
              }
            >
              fit {say(geometry.centreForLinksMm / 1000, 'length', 4)}
            </button>
          )}
        </span>
      )}
    </div>
  );
}

import { cableOhm, leadOhm } from '@zubric/core/drive';
import { ampacityOf } from '@zubric/core/judge';
import { typed } from '@zubric/core/quantity';
import { changeDrive, driveOf, type WireRun } from '@zubric/core/vehicle';
import { useSay } from '../../../common/units.tsx';
import { Choice } from '../../../fields/Choice.tsx';
import { SchemaField } from '../../../fields/SchemaField.tsx';
import { useBuild } from '../../../session/BuildSession.tsx';
import { useChangeSupply } from './use-supply.ts';

/** Wires that are sold: by American gauge and by cross-section (ASTM B258, IEC 60228). */
const SIZES: readonly (readonly [string, number])[] = [
  ['20 AWG, 0.5 mm²', 0.52],
  ['18 AWG, 0.8 mm²', 0.82],
  ['1 mm²', 1],
  ['16 AWG, 1.3 mm²', 1.31],
  ['1.5 mm²', 1.5],
  ['14 AWG, 2.1 mm²', 2.08],
  ['2.5 mm²', 2.5],
  ['12 AWG, 3.3 mm²', 3.31],
  ['4 mm²', 4],
  ['10 AWG, 5.3 mm²', 5.26],
  ['6 mm²', 6],
  ['8 AWG, 8.4 mm²', 8.37],
  ['10 mm²', 10],
  ['6 AWG, 13.3 mm²', 13.3],
  ['16 mm²', 16],
  ['4 AWG, 21.2 mm²', 21.15],
  ['25 mm²', 25],
  ['2 AWG, 33.6 mm²', 33.6],
  ['35 mm²', 35],
  ['50 mm²', 50],
];
const MM2 = 1e-6;
const OTHER = 'other';

interface WireProps {
  readonly title: string;
  readonly run: WireRun | undefined;
  readonly ohm: number;
  readonly onChange: (run: WireRun | undefined) => void;
}

/** A run by its length and size; its resistance and what it carries follow. */
function Wire({ title, run, ohm, onChange }: WireProps) {
  const say = useSay();
  const size = SIZES.find(([, mm2]) => Math.abs((run?.area.value ?? 0) / MM2 - mm2) < 1e-6)?.[0];
  const carries = run && ampacityOf(run);
  const begun: WireRun = run ?? { length: typed(0.5, 'm'), area: typed(6 * MM2, 'mm²') };
  return (
    <div className="grid items-end gap-2 sm:grid-cols-[minmax(0,1.5fr)_minmax(0,1fr)_minmax(0,1.2fr)]">
      <Choice
        label={`${title}, wire`}
        value={run ? (size ?? OTHER) : 'none'}
        options={[
          { value: 'none', title: 'not said: by resistance' },
          ...SIZES.map(([name]) => ({ value: name, title: name })),
          ...(run && !size ? [{ value: OTHER, title: say(run.area.value, 'area') }] : []),
        ]}
        onChange={(name) => {
          const mm2 = SIZES.find(([known]) => known === name)?.[1];
          if (name === 'none') onChange(undefined);
          else if (mm2 !== undefined) onChange({ ...begun, area: typed(mm2 * MM2, 'mm²') });
        }}
      />
      {run ? (
        <SchemaField
          part="wire"
          field="length"
          whose={title}
          value={run.length}
          onChange={(length) => onChange({ ...run, length })}
        />
      ) : (
        <span />
      )}
      <p className="pb-1.5 text-[14px] text-soft">
        {say(ohm, 'resistance')} out and back
        {carries !== undefined && `; carries ${say(carries, 'current')} in free air`}
      </p>
    </div>
  );
}

/** The battery's cable, and the leads of the motors of the drive that is looked at. */
export function Wires() {
  const { build, edit } = useBuild();
  const change = useChangeSupply();
  const { supply } = build;
  const drive = driveOf(build);
  return (
    <section className="sheet grid gap-2 p-3" aria-labelledby="wires-title">
      <h3 id="wires-title" className="font-semibold">
        Wires
      </h3>
      <Wire
        title="Battery cable"
        run={supply.cable}
        ohm={cableOhm(build)}
        onChange={(cable) => change({ cable })}
      />
      {!supply.cable && (
        <SchemaField
          part="supply"
          field="cableResistance"
          value={supply.cableResistance}
          onChange={(cableResistance) => change({ cableResistance })}
          className="max-w-56"
        />
      )}
      <Wire
        title={`Leads of each motor, ${drive.name}`}
        run={drive.leads}
        ohm={leadOhm(build)}
        onChange={(leads) => edit((b) => changeDrive(b, { leads }))}
      />
      {!drive.leads && (
        <SchemaField
          part="drive"
          field="leadResistance"
          value={drive.leadResistance}
          onChange={(leadResistance) => edit((b) => changeDrive(b, { leadResistance }))}
          className="max-w-56"
        />
      )}
    </section>
  );
}

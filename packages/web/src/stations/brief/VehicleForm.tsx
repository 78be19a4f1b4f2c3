import { DOUBLE_RULE, ITEMISED, type Build, type MarginPolicy, type PlacedMass } from '@zubric/core/build';
import type { Quantity } from '@zubric/core/quantity';
import { Choice } from '../../fields/Choice.tsx';
import { aboveZero, zeroOrMore } from '../../fields/checks.ts';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { TextField } from '../../fields/TextField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { PolicyFactors } from './PolicyFactors.tsx';

/** Name, masses and measures of the vehicle, and how careful to be. */
export function VehicleForm() {
  const { build, edit } = useBuild();
  const change = (part: Partial<Build>): void => edit((b) => ({ ...b, ...part }));
  const changeLayout = (part: Partial<Build['layout']>): void =>
    edit((b) => ({ ...b, layout: { ...b.layout, ...part } }));
  const { layout } = build;
  return (
    <section className="sheet grid content-start gap-3 p-4" aria-labelledby="vehicle-title">
      <h2 id="vehicle-title">The vehicle: two driven wheels and castors</h2>
      <div className="grid grid-cols-[200px_minmax(0,1fr)] gap-3">
        <TextField
          label="Name"
          value={build.name}
          required="A build needs a name."
          onChange={(name) => change({ name })}
        />
        <TextField
          label="What it is for"
          maxLength={500}
          value={build.purpose}
          onChange={(purpose) => change({ purpose })}
        />
      </div>
      <Masses />
      <div className="grid grid-cols-[repeat(5,minmax(0,1fr))] gap-3">
        <Choice
          label="Driven at the"
          value={layout.drivenEnd}
          options={[
            { value: 'front', title: 'front' },
            { value: 'rear', title: 'rear' },
          ]}
          onChange={(drivenEnd) => changeLayout({ drivenEnd })}
        />
        <QuantityField
          label="Wheelbase"
          dimension="length"
          value={layout.wheelbase}
          check={aboveZero}
          onChange={(wheelbase) => changeLayout({ wheelbase })}
        />
        <QuantityField
          label="Track"
          dimension="length"
          value={layout.track}
          check={aboveZero}
          onChange={(track) => changeLayout({ track })}
        />
        <QuantityField
          label="Wheel diameter"
          dimension="length"
          value={layout.wheelDiameter}
          check={aboveZero}
          onChange={(wheelDiameter) => changeLayout({ wheelDiameter })}
        />
        <QuantityField
          label="Drag area"
          dimension="area"
          value={build.dragArea}
          check={zeroOrMore}
          onChange={(dragArea) => change({ dragArea })}
        />
      </div>
      <Policy policy={build.marginPolicy} onChange={(marginPolicy) => change({ marginPolicy })} />
    </section>
  );
}

const MASSES = [
  { key: 'own', title: 'Itself' },
  { key: 'payload', title: 'Payload' },
] as const;

function Masses() {
  const { build, edit } = useBuild();
  const change = (key: 'own' | 'payload', part: Partial<PlacedMass>): void =>
    edit((b) => ({ ...b, masses: { ...b.masses, [key]: { ...b.masses[key], ...part } } }));
  return (
    <table className="grid-table">
      <caption className="sr-only">Masses and where they sit</caption>
      <thead>
        <tr>
          <th scope="col">Mass of</th>
          <th scope="col">Mass</th>
          <th scope="col">Its middle ahead of the rear wheels</th>
          <th scope="col">Its middle above the ground</th>
        </tr>
      </thead>
      <tbody>
        {MASSES.map(({ key, title }) => {
          const placed = build.masses[key];
          const field = (
            label: string,
            part: keyof PlacedMass,
            dimension: 'mass' | 'length',
            check?: typeof zeroOrMore,
          ) => (
            <td>
              <QuantityField
                label={`${label}, ${title.toLowerCase()}`}
                hideLabel
                dimension={dimension}
                value={placed[part]}
                check={check}
                onChange={(quantity: Quantity) => change(key, { [part]: quantity })}
              />
            </td>
          );
          return (
            <tr key={key}>
              <th scope="row">{title}</th>
              {field('Mass', 'mass', 'mass', key === 'own' ? aboveZero : zeroOrMore)}
              {field('Ahead of the rear wheels', 'aheadOfRearAxle', 'length')}
              {field('Above the ground', 'height', 'length', zeroOrMore)}
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

interface PolicyProps {
  readonly policy: MarginPolicy;
  readonly onChange: (policy: MarginPolicy) => void;
}

function Policy({ policy, onChange }: PolicyProps) {
  return (
    <div className="grid grid-cols-[200px_minmax(0,1fr)] items-end gap-3">
      <Choice
        label="How careful"
        value={policy.school}
        options={[
          { value: 'double-rule', title: 'double rule' },
          { value: 'itemised', title: 'itemised factors' },
        ]}
        onChange={(school) => onChange(school === 'double-rule' ? DOUBLE_RULE : ITEMISED)}
      />
      {policy.school === 'double-rule' ? (
        <p className="pb-1.5 text-soft">
          Every motor twice what is needed; {policy.current} × current, {policy.grip} × grip, {policy.energy}{' '}
          × energy and speed.
        </p>
      ) : (
        <PolicyFactors policy={policy} onChange={onChange} />
      )}
    </div>
  );
}

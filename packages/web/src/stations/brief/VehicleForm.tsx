import { DOUBLE_RULE, ITEMISED, PEOPLE, type Build, type MarginPolicy } from '@zubric/core/vehicle';
import { Choice } from '../../fields/Choice.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { TextField } from '../../fields/TextField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { PEOPLE_TITLES } from '../../vehicle/people.ts';
import { SpeedCap } from '../../vehicle/SpeedCap.tsx';
import { PolicyFactors } from './PolicyFactors.tsx';
import { StandingForm } from './StandingForm.tsx';

/** Name, layout, masses and measures of the vehicle, and how careful to be. */
export function VehicleForm() {
  const { build, edit } = useBuild();
  const change = (part: Partial<Build>): void => edit((b) => ({ ...b, ...part }));
  return (
    <section className="sheet grid content-start gap-3 p-3" aria-labelledby="vehicle-title">
      <h2 id="vehicle-title">How it is made, and for whom</h2>
      <StandingForm />
      <div className="grid gap-3 grid-cols-2 sm:grid-cols-[minmax(0,1.1fr)_minmax(0,1.5fr)_minmax(0,1.3fr)_repeat(2,minmax(0,1fr))]">
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
        <Choice
          label="People"
          value={build.people}
          options={PEOPLE.map((value) => ({ value, title: PEOPLE_TITLES[value] }))}
          onChange={(people) => change({ people })}
        />
        <SchemaField
          part="build"
          field="dragArea"
          value={build.dragArea}
          onChange={(dragArea) => change({ dragArea })}
        />
        <SpeedCap />
      </div>
      <Policy policy={build.marginPolicy} onChange={(marginPolicy) => change({ marginPolicy })} />
    </section>
  );
}

interface PolicyProps {
  readonly policy: MarginPolicy;
  readonly onChange: (policy: MarginPolicy) => void;
}

function Policy({ policy, onChange }: PolicyProps) {
  return (
    <div className="grid items-end gap-3 sm:grid-cols-[200px_minmax(0,1fr)]">
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

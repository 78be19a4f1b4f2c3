import { roughAnswer } from '@zubric/core/demand';
import { layoutKind, type Duty } from '@zubric/core/vehicle';
import { showNumber, type Quantity } from '@zubric/core/quantity';
import { Link } from 'react-router';
import { useState } from 'react';
import { useSay } from '../../common/units.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

const ASKED = [
  ['grade', 'How steep?'],
  ['speed', 'How fast?'],
  ['duration', 'How long?'],
] as const;

/** How heavy, how steep, how fast, how long; and at once a first answer, before any part is chosen. */
export function FourQuestions({ hardest }: { readonly hardest: Duty }) {
  const { build, edit } = useBuild();
  // It stays with the duty it began with: what is typed may make another the hardest.
  const [chosen, setChosen] = useState(hardest.id);
  const duty = build.duties.find(({ id }) => id === chosen) ?? hardest;
  const change = (part: Partial<Duty>): void =>
    edit((b) => ({ ...b, duties: b.duties.map((d) => (d.id === duty.id ? { ...d, ...part } : d)) }));
  const changeMass = (which: 'own' | 'payload', mass: Quantity): void =>
    edit((b) => ({ ...b, masses: { ...b.masses, [which]: { ...b.masses[which], mass } } }));
  return (
    <section className="sheet px-3 pt-1.5 pb-2" aria-label="Four questions">
      <div className="grid grid-cols-2 items-end gap-3 md:grid-cols-3 lg:grid-cols-[repeat(5,minmax(0,1fr))_minmax(0,1.5fr)]">
        <SchemaField
          part="mass"
          field="mass"
          label="How heavy, itself?"
          value={build.masses.own.mass}
          onChange={(mass) => changeMass('own', mass)}
        />
        <SchemaField
          part="mass"
          field="mass"
          label="And with what load?"
          value={build.masses.payload.mass}
          onChange={(mass) => changeMass('payload', mass)}
        />
        {ASKED.map(([key, label]) => (
          <SchemaField
            key={key}
            part="duty"
            field={key}
            label={label}
            value={duty[key]}
            onChange={(quantity) => change({ [key]: quantity })}
          />
        ))}
        <Choice
          label="Asked of"
          value={duty.id}
          options={build.duties.map((d) => ({ value: d.id, title: d.name }))}
          onChange={setChosen}
        />
      </div>
      <Rough />
    </section>
  );
}

/** A first answer for the hardest of all jobs, whichever the questions are asked of. */
function Rough() {
  const { build, id } = useBuild();
  const say = useSay();
  const rough = roughAnswer(build);
  const strong = 'font-semibold text-mech';
  if (!rough)
    return (
      <p className="mt-1.5 text-soft">Nothing is asked of the drive here: it is the brake that must do it.</p>
    );
  const byRope = layoutKind(build.layout.kind).pullsByRope;
  const { pullsHardest, takesMost, drivelines } = rough;
  return (
    <p className="mt-1.5 text-soft">
      Roughly <b className={strong}>{say(rough.forceN, 'force')}</b>{' '}
      {byRope ? 'at the rope' : 'at the ground'} on “{pullsHardest.name}”,{' '}
      {say(rough.wheelTorqueNm, 'torque', 2)} at {showNumber(rough.wheelRpm)} rpm where the{' '}
      {byRope ? 'drum' : 'wheel'} turns; look for {drivelines === 1 ? 'a motor' : `${drivelines} motors`} of{' '}
      <b className={strong}>{say(rough.motorW, 'power', 2)}</b>
      {drivelines === 1 ? '' : ' each'}
      {takesMost.id === pullsHardest.id ? '' : `, as “${takesMost.name}” takes the most power`}, and a battery
      of <b className="font-semibold text-elec">{say(rough.batteryWh * 3600, 'energy', 2)}</b> for one outing
      of all jobs. Usual losses guessed; parts chosen later replace the guess.{' '}
      <Link className="push-plain" to={`/builds/${id}/search`}>
        What would do this?
      </Link>{' '}
      <Link className="push-plain" to={`/builds/${id}/chances`}>
        How sure is it?
      </Link>{' '}
      <Link className="push-plain" to={`/builds/${id}/what-if`}>
        What if a number were different?
      </Link>
    </p>
  );
}

import type { Duty } from '@zubric/core/build';
import { roughAnswer } from '@zubric/core/evaluate';
import type { Quantity } from '@zubric/core/quantity';
import { useState } from 'react';
import { useSay } from '../../app/units.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { aboveZero, climbable, zeroOrMore } from '../../fields/checks.ts';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

/** How heavy, how steep, how fast, how long; and at once a first answer, before any part is chosen. */
export function FourQuestions({ hardest }: { readonly hardest: Duty }) {
  const { build, edit } = useBuild();
  // It stays with the duty it began with: what is typed may make another the hardest.
  const [chosen, setChosen] = useState(hardest.id);
  const duty = build.duties.find(({ id }) => id === chosen) ?? hardest;
  const change = (part: Partial<Duty>): void =>
    edit((b) => ({ ...b, duties: b.duties.map((d) => (d.id === duty.id ? { ...d, ...part } : d)) }));
  const changeMass = (key: 'own' | 'payload', mass: Quantity): void =>
    edit((b) => ({ ...b, masses: { ...b.masses, [key]: { ...b.masses[key], mass } } }));
  return (
    <section className="sheet px-3 pt-1.5 pb-2" aria-label="Four questions">
      <div className="grid grid-cols-2 items-end gap-3 md:grid-cols-[repeat(5,minmax(0,1fr))_minmax(0,1.5fr)]">
        <QuantityField
          label="How heavy, itself?"
          dimension="mass"
          value={build.masses.own.mass}
          check={aboveZero}
          onChange={(mass) => changeMass('own', mass)}
        />
        <QuantityField
          label="And with what load?"
          dimension="mass"
          value={build.masses.payload.mass}
          check={zeroOrMore}
          onChange={(mass) => changeMass('payload', mass)}
        />
        <QuantityField
          label="How steep?"
          dimension="angle"
          value={duty.grade}
          check={climbable}
          onChange={(grade) => change({ grade })}
        />
        <QuantityField
          label="How fast?"
          dimension="speed"
          value={duty.speed}
          check={zeroOrMore}
          onChange={(speed) => change({ speed })}
        />
        <QuantityField
          label="How long?"
          dimension="time"
          value={duty.duration}
          check={zeroOrMore}
          onChange={(duration) => change({ duration })}
        />
        <Choice
          label="Asked of"
          value={duty.id}
          options={build.duties.map((d) => ({ value: d.id, title: d.name }))}
          onChange={setChosen}
        />
      </div>
      <Rough duty={duty} />
    </section>
  );
}

function Rough({ duty }: { readonly duty: Duty }) {
  const { build } = useBuild();
  const say = useSay();
  const { forceN, groundW, motorW, drivelines, wheelTorqueNm, wheelRpm, batteryWh } = roughAnswer(
    build,
    duty,
  );
  const strong = 'font-semibold text-mech';
  if (duty.task !== 'drive' || forceN === 0)
    return (
      <p className="mt-1.5 text-soft">Nothing is asked of the drive here: it is the brake that must do it.</p>
    );
  return (
    <p className="mt-1.5 text-soft">
      Roughly <b className={strong}>{say(forceN, 'force')}</b> and{' '}
      <b className={strong}>{say(groundW, 'power', 2)}</b> at the ground; look for{' '}
      {drivelines === 1 ? 'a motor' : `${drivelines} motors`} of{' '}
      <b className={strong}>{say(motorW, 'power', 2)}</b>
      {drivelines === 1 ? '' : ' each'}, {say(wheelTorqueNm, 'torque', 2)} at {Math.round(wheelRpm)} rpm where
      the wheel turns, and a battery of{' '}
      <b className="font-semibold text-elec">{say(batteryWh * 3600, 'energy', 2)}</b> for one outing of all
      duties. Usual losses guessed; parts chosen later replace the guess.
    </p>
  );
}

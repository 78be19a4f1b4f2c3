import type { Build, InnerDrive, Steering } from '@zubric/core/vehicle';
import { typed } from '@zubric/core/quantity';
import { Choice } from '../../fields/Choice.tsx';
import { aboveZero, zeroOrMore } from '../../fields/checks.ts';
import { QuantityFields, type QuantitySpec } from '../../fields/QuantityFields.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

const ROW = 'grid grid-cols-2 gap-3 sm:grid-cols-4';

const BODY: readonly QuantitySpec<keyof Build['body']>[] = [
  { key: 'length', label: 'Body length', dimension: 'length', check: aboveZero },
  { key: 'width', label: 'Body width', dimension: 'length', check: aboveZero },
  { key: 'height', label: 'Height over all', dimension: 'length', check: aboveZero },
  { key: 'clearance', label: 'Ground clearance', dimension: 'length', check: zeroOrMore },
];

const HITCH: readonly QuantitySpec<keyof Build['hitch']>[] = [
  { key: 'behind', label: 'Hitch behind the rear axle', dimension: 'length' },
  { key: 'height', label: 'Hitch above the ground', dimension: 'length', check: zeroOrMore },
  { key: 'load', label: 'Load of the towed on it', dimension: 'force' },
];

const GEOMETRY: readonly QuantitySpec<'linkageRatio' | 'kingpinOffset' | 'lockToLock'>[] = [
  { key: 'linkageRatio', label: 'Turns of it for one of the wheel', dimension: 'ratio', check: aboveZero },
  { key: 'kingpinOffset', label: 'Kingpin to tyre middle', dimension: 'length', check: zeroOrMore },
  { key: 'lockToLock', label: 'Lock to lock, at the wheel', dimension: 'angle', check: aboveZero },
];

const ACTUATOR: readonly QuantitySpec<'actuatorTorque' | 'secondsPer60'>[] = [
  {
    key: 'actuatorTorque',
    label: 'Torque of its actuator',
    dimension: 'torque',
    check: aboveZero,
    optional: true,
  },
  { key: 'secondsPer60', label: 'Its time for 60°', dimension: 'time', check: aboveZero, optional: true },
];

const HAND: readonly QuantitySpec<'arm' | 'force'>[] = [
  { key: 'arm', label: 'Pivot to hand', dimension: 'length', check: aboveZero },
  { key: 'force', label: 'Force of the hand', dimension: 'force', check: aboveZero },
];

const INNER: readonly QuantitySpec<keyof InnerDrive>[] = [
  { key: 'mass', label: 'Mass that climbs inside', dimension: 'mass', check: aboveZero },
  { key: 'offset', label: 'Its middle off the sphere’s', dimension: 'length', check: aboveZero },
  { key: 'shellMass', label: 'Mass of the shell', dimension: 'mass', check: zeroOrMore },
];

const BRAKE_FORCE: readonly QuantitySpec<'force'>[] = [
  { key: 'force', label: 'Its force at the ground', dimension: 'force', check: aboveZero, optional: true },
];
const BRAKE_TIME: readonly QuantitySpec<'reaction'>[] = [
  { key: 'reaction', label: 'Time before it bites', dimension: 'time', check: zeroOrMore },
];

/** Body, hitch, brake and steering: what tipping, towing, stopping and turning ask. */
export function StandingForm() {
  const { build, edit } = useBuild();
  const { body, hitch, innerDrive, steering, layout, duties } = build;
  const steers = layout.axles.some((axle) => axle.steered);
  return (
    <div className="grid gap-3">
      <div className={ROW}>
        <QuantityFields
          of={body}
          specs={BODY}
          onChange={(part) => edit((b) => ({ ...b, body: { ...b.body, ...part } }))}
        />
      </div>
      <BrakeFields />
      {duties.some((d) => d.towed || d.drawbar.value > 0) && (
        <div className={ROW}>
          <QuantityFields
            of={hitch}
            specs={HITCH}
            onChange={(part) => edit((b) => ({ ...b, hitch: { ...b.hitch, ...part } }))}
          />
        </div>
      )}
      {steers && <SteeringFields steering={steering} />}
      {innerDrive && (
        <div className={ROW}>
          <QuantityFields
            of={innerDrive}
            specs={INNER}
            onChange={(part) => edit((b) => ({ ...b, innerDrive: { ...innerDrive, ...part } }))}
          />
        </div>
      )}
    </div>
  );
}

function BrakeFields() {
  const { build, edit } = useBuild();
  const { brake } = build;
  const change = (part: Partial<Build['brake']>): void =>
    edit((b) => ({ ...b, brake: { ...b.brake, ...part } }));
  return (
    <div className={ROW}>
      <Choice
        label="Brake"
        value={brake.kind}
        options={[
          { value: 'none', title: 'none' },
          { value: 'electronic', title: 'by the motors' },
          { value: 'friction', title: 'friction brake' },
        ]}
        onChange={(kind) => change({ kind })}
      />
      {brake.kind === 'friction' && <QuantityFields of={brake} specs={BRAKE_FORCE} onChange={change} />}
      {brake.kind !== 'none' && <QuantityFields of={brake} specs={BRAKE_TIME} onChange={change} />}
    </div>
  );
}

/** Geometry alone: of an actuator nothing is assumed that nobody typed. */
const newSteering = (): Steering => ({
  linkageRatio: typed(1, ': 1', 'assumed'),
  kingpinOffset: typed(0.02, 'mm', 'assumed'),
  lockToLock: typed(Math.PI / 3, '°', 'assumed'),
  knowsPosition: false,
});

/** A steering bar of 30 cm, and what two hands keep up all day (common practice, no source). */
const usualHand = (): NonNullable<Steering['hand']> => ({
  arm: typed(0.3, 'mm', 'assumed'),
  force: typed(60, 'N', 'assumed'),
});

/** Steered by an actuator, or by hand: lock, linkage and kingpin are the same for both. */
function SteeringFields({ steering }: { readonly steering: Steering | undefined }) {
  const { edit } = useBuild();
  const now = steering ?? newSteering();
  const change = (part: { readonly [K in keyof Steering]?: Steering[K] | undefined }): void =>
    edit((b) => ({ ...b, steering: cleaned({ ...now, ...part }) }));
  return (
    <div className={ROW}>
      <Choice
        label="Steered by"
        value={now.hand ? 'hand' : 'actuator'}
        options={[
          { value: 'actuator', title: 'an actuator' },
          { value: 'hand', title: 'hand: bar or wheel' },
        ]}
        onChange={(by) => change({ hand: by === 'hand' ? (now.hand ?? usualHand()) : undefined })}
      />
      <QuantityFields of={now} specs={GEOMETRY} onChange={change} />
      {now.hand ? (
        <QuantityFields
          of={now.hand}
          specs={HAND}
          onChange={(part) => change({ hand: { ...usualHand(), ...now.hand, ...part } })}
        />
      ) : (
        <>
          <QuantityFields of={now} specs={ACTUATOR} onChange={change} />
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              className="size-5 accent-ink"
              checked={now.knowsPosition}
              onChange={(event) => change({ knowsPosition: event.target.checked })}
            />
            knows its position
          </label>
        </>
      )}
    </div>
  );
}

/** What is not said is left away, not kept as nothing. */
function cleaned(steering: { readonly [K in keyof Steering]?: Steering[K] | undefined }): Steering {
  const { hand, actuatorTorque, secondsPer60, ...rest } = steering;
  return {
    ...newSteering(),
    ...(rest as Pick<Steering, 'linkageRatio' | 'kingpinOffset' | 'lockToLock' | 'knowsPosition'>),
    ...(hand ? { hand } : {}),
    ...(actuatorTorque ? { actuatorTorque } : {}),
    ...(secondsPer60 ? { secondsPer60 } : {}),
  };
}

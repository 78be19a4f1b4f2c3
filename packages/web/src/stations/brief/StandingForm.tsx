import type { Build, InnerDrive, Steering } from '@zubric/core/build';
import { typed } from '@zubric/core/quantity';
import { Choice } from '../../fields/Choice.tsx';
import { aboveZero, zeroOrMore } from '../../fields/checks.ts';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

const ROW = 'grid grid-cols-2 gap-3 sm:grid-cols-4';

/** Body, hitch, brake and steering: what tipping, towing, stopping and turning ask. */
export function StandingForm() {
  const { build, edit } = useBuild();
  const steers = build.layout.axles.some((axle) => axle.steered);
  return (
    <div className="grid gap-3">
      <BodyFields />
      <BrakeFields />
      {build.duties.some((d) => d.towed || d.drawbar.value > 0) && <HitchFields />}
      {steers &&
        (build.steering ? (
          <SteeringFields steering={build.steering} />
        ) : (
          <p>
            <button
              type="button"
              className="push push-small"
              onClick={() => edit((b) => ({ ...b, steering: newSteering() }))}
            >
              Steered by an actuator
            </button>
          </p>
        ))}
      {build.innerDrive && <InnerFields inner={build.innerDrive} />}
    </div>
  );
}

const newSteering = (): Steering => ({
  actuatorTorque: typed(2, 'N·m', 'assumed'),
  linkageRatio: typed(1, ': 1', 'assumed'),
  kingpinOffset: typed(0.02, 'mm', 'assumed'),
  lockToLock: typed(Math.PI / 3, '°', 'assumed'),
  knowsPosition: true,
});

function BodyFields() {
  const { build, edit } = useBuild();
  const field = (label: string, key: keyof Build['body'], check = aboveZero) => (
    <QuantityField
      label={label}
      dimension="length"
      value={build.body[key]}
      check={check}
      onChange={(quantity) => edit((b) => ({ ...b, body: { ...b.body, [key]: quantity } }))}
    />
  );
  return (
    <div className={ROW}>
      {field('Body length', 'length')}
      {field('Body width', 'width')}
      {field('Height over all', 'height')}
      {field('Ground clearance', 'clearance', zeroOrMore)}
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
      {brake.kind === 'friction' && (
        <QuantityField
          label="Its force at the ground"
          dimension="force"
          value={brake.force}
          check={aboveZero}
          onChange={(force) => change({ force })}
          onClear={() => change({ force: undefined })}
        />
      )}
      {brake.kind !== 'none' && (
        <QuantityField
          label="Time before it bites"
          dimension="time"
          value={brake.reaction}
          check={zeroOrMore}
          onChange={(reaction) => change({ reaction })}
        />
      )}
    </div>
  );
}

function HitchFields() {
  const { build, edit } = useBuild();
  const change = (part: Partial<Build['hitch']>): void =>
    edit((b) => ({ ...b, hitch: { ...b.hitch, ...part } }));
  return (
    <div className={ROW}>
      <QuantityField
        label="Hitch behind the rear axle"
        dimension="length"
        value={build.hitch.behind}
        onChange={(behind) => change({ behind })}
      />
      <QuantityField
        label="Hitch above the ground"
        dimension="length"
        value={build.hitch.height}
        check={zeroOrMore}
        onChange={(height) => change({ height })}
      />
      <QuantityField
        label="Load of the towed on it"
        dimension="force"
        value={build.hitch.load}
        onChange={(load) => change({ load })}
      />
    </div>
  );
}

function SteeringFields({ steering }: { readonly steering: Steering }) {
  const { edit } = useBuild();
  const change = (part: Partial<Steering>): void =>
    edit((b) => ({ ...b, steering: { ...steering, ...part } }));
  return (
    <div className={ROW}>
      <QuantityField
        label="Torque of the steering"
        dimension="torque"
        value={steering.actuatorTorque}
        check={aboveZero}
        onChange={(actuatorTorque) => change({ actuatorTorque })}
      />
      <QuantityField
        label="Its linkage"
        dimension="ratio"
        value={steering.linkageRatio}
        check={aboveZero}
        onChange={(linkageRatio) => change({ linkageRatio })}
      />
      <QuantityField
        label="Kingpin to tyre middle"
        dimension="length"
        value={steering.kingpinOffset}
        check={zeroOrMore}
        onChange={(kingpinOffset) => change({ kingpinOffset })}
      />
      <QuantityField
        label="Lock to lock, at the wheel"
        dimension="angle"
        value={steering.lockToLock}
        check={aboveZero}
        onChange={(lockToLock) => change({ lockToLock })}
      />
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="size-5 accent-ink"
          checked={steering.knowsPosition}
          onChange={(event) => change({ knowsPosition: event.target.checked })}
        />
        knows its position
      </label>
      <p className="self-center">
        <button
          type="button"
          className="push push-small"
          onClick={() => edit(({ steering: _none, ...b }) => b)}
        >
          Steered by hand
        </button>
      </p>
    </div>
  );
}

function InnerFields({ inner }: { readonly inner: InnerDrive }) {
  const { edit } = useBuild();
  const change = (part: Partial<InnerDrive>): void =>
    edit((b) => ({ ...b, innerDrive: { ...inner, ...part } }));
  return (
    <div className={ROW}>
      <QuantityField
        label="Mass that climbs inside"
        dimension="mass"
        value={inner.mass}
        check={aboveZero}
        onChange={(mass) => change({ mass })}
      />
      <QuantityField
        label="Its middle off the sphere’s"
        dimension="length"
        value={inner.offset}
        check={aboveZero}
        onChange={(offset) => change({ offset })}
      />
      <QuantityField
        label="Mass of the shell"
        dimension="mass"
        value={inner.shellMass}
        check={zeroOrMore}
        onChange={(shellMass) => change({ shellMass })}
      />
    </div>
  );
}

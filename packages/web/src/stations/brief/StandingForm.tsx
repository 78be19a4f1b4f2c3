import { scaleOf, usual, type Build, type Scale, type Steering } from '@zubric/core/vehicle';
import { typed } from '@zubric/core/quantity';
import { Choice } from '../../fields/Choice.tsx';
import { QuantityFields } from '../../fields/QuantityFields.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

const ROW = 'grid grid-cols-2 gap-3 sm:grid-cols-4';

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
          part="body"
          whose="Body"
          keys={['length', 'width', 'height', 'clearance']}
          onChange={(part) => edit((b) => ({ ...b, body: { ...b.body, ...part } }))}
        />
      </div>
      <BrakeFields />
      {duties.some((d) => d.towed || d.drawbar.value > 0) && (
        <div className={ROW}>
          <QuantityFields
            of={hitch}
            part="hitch"
            whose="Hitch"
            keys={['behind', 'height', 'load']}
            onChange={(part) => edit((b) => ({ ...b, hitch: { ...b.hitch, ...part } }))}
          />
        </div>
      )}
      {steers && <SteeringFields steering={steering} />}
      {innerDrive && (
        <div className={ROW}>
          <QuantityFields
            of={innerDrive}
            part="innerDrive"
            keys={['mass', 'offset', 'shellMass']}
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
      {brake.kind === 'friction' && (
        <QuantityFields part="brake" keys={['force']} of={brake} onChange={change} />
      )}
      {brake.kind !== 'none' && (
        <QuantityFields part="brake" keys={['reaction']} of={brake} onChange={change} />
      )}
    </div>
  );
}

/** Geometry alone: of an actuator nothing is assumed that nobody typed. */
const newSteering = (scale: Scale): Steering => ({
  linkageRatio: typed(1, ': 1', 'assumed'),
  kingpinOffset: typed(usual.kingpinM(scale), 'mm', 'assumed'),
  lockToLock: typed(Math.PI / 3, '°', 'assumed'),
  knowsPosition: false,
});

/** A steering bar for its size, and what two hands keep up all day (common practice, no source). */
const usualHand = (scale: Scale): NonNullable<Steering['hand']> => ({
  arm: typed(usual.armM(scale), 'mm', 'assumed'),
  force: typed(60, 'N', 'assumed'),
});

/** Steered by an actuator, or by hand: lock, linkage and kingpin are the same for both. */
function SteeringFields({ steering }: { readonly steering: Steering | undefined }) {
  const { build, edit } = useBuild();
  const scale = scaleOf(build);
  const now = steering ?? newSteering(scale);
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
        onChange={(by) => change({ hand: by === 'hand' ? (now.hand ?? usualHand(scale)) : undefined })}
      />
      <QuantityFields
        part="steering"
        keys={['linkageRatio', 'kingpinOffset', 'lockToLock']}
        of={now}
        onChange={change}
      />
      {now.hand ? (
        <QuantityFields
          of={now.hand}
          part="hand"
          keys={['arm', 'force']}
          onChange={(part) => change({ hand: { ...usualHand(scale), ...now.hand, ...part } })}
        />
      ) : (
        <>
          <QuantityFields
            part="steering"
            keys={['actuatorTorque', 'secondsPer60']}
            of={now}
            onChange={change}
          />
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
    ...(rest as Pick<Steering, 'linkageRatio' | 'kingpinOffset' | 'lockToLock' | 'knowsPosition'>),
    ...(hand ? { hand } : {}),
    ...(actuatorTorque ? { actuatorTorque } : {}),
    ...(secondsPer60 ? { secondsPer60 } : {}),
  };
}

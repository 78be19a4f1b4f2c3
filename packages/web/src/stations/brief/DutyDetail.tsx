import { extentOf } from '@zubric/core/demand';
import {
  TASKS,
  taskOf,
  taskTitle,
  layoutKind,
  turningOf,
  type Duty,
  type Extent,
} from '@zubric/core/vehicle';
import { typed, type Dimension, type Quantity } from '@zubric/core/quantity';
import type { ReactNode } from 'react';
import { useSay } from '../../common/units.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { aboveZero, climbable, shareOfWhole, zeroOrMore } from '../../fields/checks.ts';
import { QuantityField } from '../../fields/QuantityField.tsx';
import { Stepper } from '../../fields/Stepper.tsx';
import type { Check } from '../../fields/useQuantityText.ts';
import { useBuild } from '../../session/BuildSession.tsx';

interface Props {
  readonly duty: Duty;
  /** Keys with the value undefined are taken out of the duty. */
  readonly onChange: (part: { readonly [K in keyof Duty]?: Duty[K] | undefined }) => void;
}

const TASK_OPTIONS = TASKS.map((value) => ({ value, title: taskTitle(value) }));

const less90: Check = (value) =>
  value > 0 && value < Math.PI / 2 ? undefined : 'This is more than 0° and less than 90°.';
const startsCheck: Check = (value) =>
  value >= 0 && value <= 3600 ? undefined : 'From 0 to 3600 starts an hour.';
const overlapCheck: Check = (value) => (value >= 0 && value < 1 ? undefined : 'From 0 to under 100 %.');

/** What a duty asks beside its slope, speed and load. An empty field asks nothing. */
export function DutyDetail({ duty, onChange }: Props) {
  const { build } = useBuild();
  const field = (
    label: string,
    dimension: Dimension,
    value: Quantity | undefined,
    check: Check | undefined,
    set: (q: Quantity | undefined) => void,
  ): ReactNode => (
    <QuantityField
      label={label}
      dimension={dimension}
      value={value}
      check={check}
      onChange={set}
      onClear={() => set(undefined)}
    />
  );
  const always = (
    label: string,
    dimension: Dimension,
    value: Quantity,
    check: Check | undefined,
    set: (q: Quantity) => void,
  ): ReactNode => (
    <QuantityField label={label} dimension={dimension} value={value} check={check} onChange={set} />
  );
  const { towed } = duty;
  return (
    <div className="grid gap-x-3 gap-y-2 py-1 pl-2 sm:grid-cols-3 lg:grid-cols-6">
      <Choice
        label="In it, the vehicle"
        value={duty.task}
        options={TASK_OPTIONS}
        onChange={(task) => onChange({ task })}
      />
      <SpeedingUp duty={duty} onChange={onChange} />
      {always('Pull at the hitch', 'force', duty.drawbar, zeroOrMore, (drawbar) => onChange({ drawbar }))}
      {field('Towed mass', 'mass', towed?.mass, zeroOrMore, (mass) =>
        onChange({ towed: mass && { mass, rolling: towed?.rolling ?? typed(0.05, '', 'assumed') } }),
      )}
      {towed &&
        always('Rolling of the towed', 'coefficient', towed.rolling, zeroOrMore, (rolling) =>
          onChange({ towed: { ...towed, rolling } }),
        )}
      {field('Side slope, right side low', 'angle', duty.sideSlope, climbable, (sideSlope) =>
        onChange({ sideSlope }),
      )}
      {field('Step or kerb', 'length', duty.step, aboveZero, (step) => onChange({ step }))}
      <TurnFields duty={duty} onChange={onChange} />
      {taskOf(duty).moves &&
        field('To stop within', 'length', duty.stopWithin, aboveZero, (stopWithin) =>
          onChange({ stopWithin }),
        )}
      {(layoutKind(build.layout.kind).balances || duty.lean) &&
        field('Lean to catch', 'angle', duty.lean, less90, (lean) => onChange({ lean }))}
      {field('Starts an hour', 'number', duty.startsAnHour, startsCheck, (startsAnHour) =>
        onChange({ startsAnHour }),
      )}
      <ExtentFields duty={duty} onChange={onChange} />
    </div>
  );
}

const SPEEDING = [
  { value: 'rate', title: 'at a rate' },
  { value: 'distance', title: 'to its speed within a distance' },
  { value: 'time', title: 'to its speed within a time' },
] as const;

function SpeedingUp({ duty, onChange }: Props) {
  const { upToSpeed } = duty;
  const set = (kind: (typeof SPEEDING)[number]['value']): void =>
    onChange({
      upToSpeed:
        kind === 'rate'
          ? undefined
          : kind === 'distance'
            ? { kind, distance: typed(2, 'm', 'assumed') }
            : { kind, time: typed(2, 's', 'assumed') },
    });
  return (
    <>
      <Choice label="It speeds up" value={upToSpeed?.kind ?? 'rate'} options={SPEEDING} onChange={set} />
      {upToSpeed === undefined && (
        <QuantityField
          label="Speeding up"
          dimension="acceleration"
          value={duty.acceleration}
          onChange={(acceleration) => onChange({ acceleration })}
        />
      )}
      {upToSpeed?.kind === 'distance' && (
        <QuantityField
          label="Up to speed within"
          dimension="length"
          value={upToSpeed.distance}
          check={aboveZero}
          onChange={(distance) => onChange({ upToSpeed: { kind: 'distance', distance } })}
        />
      )}
      {upToSpeed?.kind === 'time' && (
        <QuantityField
          label="Up to speed within"
          dimension="time"
          value={upToSpeed.time}
          check={aboveZero}
          onChange={(time) => onChange({ upToSpeed: { kind: 'time', time } })}
        />
      )}
    </>
  );
}

function TurnFields({ duty, onChange }: Props) {
  const { build } = useBuild();
  const { onTheSpot } = layoutKind(build.layout.kind);
  const turns = turningOf(build.layout) !== 'none';
  const now = duty.turn?.kind ?? 'straight';
  const options = [
    { value: 'straight', title: 'straight on' },
    ...(turns || now === 'radius' ? [{ value: 'radius', title: 'round a bend' }] : []),
    ...(onTheSpot || now === 'on-the-spot' ? [{ value: 'on-the-spot', title: 'on the spot' }] : []),
  ] as const;
  return (
    <>
      <Choice
        label="It goes"
        value={now}
        options={options}
        onChange={(kind) =>
          onChange({
            turn:
              kind === 'straight'
                ? undefined
                : kind === 'radius'
                  ? { kind: 'radius', radius: typed(2, 'm', 'assumed') }
                  : { kind: 'on-the-spot' },
          })
        }
      />
      {duty.turn?.kind === 'radius' && (
        <QuantityField
          label="Radius of the bend"
          dimension="length"
          value={duty.turn.radius}
          check={aboveZero}
          onChange={(radius) => onChange({ turn: { kind: 'radius', radius } })}
        />
      )}
    </>
  );
}

function ExtentFields({ duty, onChange }: Props) {
  const { build } = useBuild();
  const say = useSay();
  const { extent } = duty;
  const change = (kind: string): void => {
    const made: Extent =
      kind === 'route'
        ? { kind: 'route', length: typed(50, 'm', 'assumed'), times: 2 }
        : kind === 'area'
          ? {
              kind: 'area',
              area: typed(100, 'm²', 'assumed'),
              width: { ...build.body.width, origin: 'assumed' },
              overlap: typed(0.1, '%', 'assumed'),
            }
          : { kind: 'time' };
    onChange({ extent: made });
  };
  const { durationS, distanceM } = extentOf(duty);
  return (
    <>
      <Choice
        label="How much of it"
        value={extent.kind}
        options={[
          { value: 'time', title: 'by time' },
          { value: 'route', title: 'a route' },
          { value: 'area', title: 'an area' },
        ]}
        onChange={change}
      />
      {extent.kind === 'route' && <RouteFields name={duty.name} extent={extent} onChange={onChange} />}
      {extent.kind === 'area' && <AreaFields extent={extent} onChange={onChange} />}
      {extent.kind !== 'time' && (
        <p className="self-end pb-1.5 text-soft sm:col-span-2">
          {durationS > 0
            ? `${say(distanceM, 'length')}, which takes ${say(durationS, 'time')}.`
            : 'Give it a speed, and it becomes a time.'}
        </p>
      )}
    </>
  );
}

interface OfExtent<K extends Extent['kind']> {
  readonly extent: Extract<Extent, { kind: K }>;
  readonly onChange: Props['onChange'];
}

const RouteFields = ({ name, extent, onChange }: OfExtent<'route'> & { readonly name: string }) => (
  <>
    <QuantityField
      label="Length of the leg"
      dimension="length"
      value={extent.length}
      check={zeroOrMore}
      onChange={(length) => onChange({ extent: { ...extent, length } })}
    />
    <div>
      <span className="block text-[14px] text-soft">Times driven</span>
      <Stepper
        label={`Times ${name} is driven`}
        value={extent.times}
        least={0}
        most={100_000}
        onChange={(times) => onChange({ extent: { ...extent, times } })}
      />
    </div>
  </>
);

const AreaFields = ({ extent, onChange }: OfExtent<'area'>) => (
  <>
    <QuantityField
      label="Area"
      dimension="area"
      value={extent.area}
      check={zeroOrMore}
      onChange={(area) => onChange({ extent: { ...extent, area } })}
    />
    <QuantityField
      label="Working width"
      dimension="length"
      value={extent.width}
      check={aboveZero}
      onChange={(width) => onChange({ extent: { ...extent, width } })}
    />
    <QuantityField
      label="Overlap"
      dimension="share"
      value={extent.overlap}
      check={(v) => shareOfWhole(v) ?? overlapCheck(v)}
      onChange={(overlap) => onChange({ extent: { ...extent, overlap } })}
    />
  </>
);

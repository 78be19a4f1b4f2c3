import { extentOf } from '@zubric/core/demand';
import {
  scaleOf,
  TASKS,
  taskOf,
  taskTitle,
  layoutKind,
  towedRolling,
  turningOf,
  type Duty,
  type Extent,
  usual,
} from '@zubric/core/vehicle';
import { typed } from '@zubric/core/quantity';
import type { ReactNode } from 'react';
import { useSay } from '../../common/units.tsx';
import { Choice } from '../../fields/Choice.tsx';
import { SchemaField } from '../../fields/SchemaField.tsx';
import { PushFields } from './PushFields.tsx';
import { Stepper } from '../../fields/Stepper.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

interface Props {
  readonly duty: Duty;
  /** Keys with the value undefined are taken out of the duty. */
  readonly onChange: (part: { readonly [K in keyof Duty]?: Duty[K] | undefined }) => void;
}

const TASK_OPTIONS = TASKS.map((value) => ({ value, title: taskTitle(value) }));

/** What a duty asks beside its slope, speed and load. An empty field asks nothing. */
export function DutyDetail({ duty, onChange }: Props) {
  const { build } = useBuild();
  /** A number that a duty may leave away. */
  const may = (key: 'sideSlope' | 'step' | 'stopWithin' | 'lean' | 'startsAnHour'): ReactNode => (
    <SchemaField
      part="duty"
      field={key}
      value={duty[key]}
      onChange={(quantity) => onChange({ [key]: quantity })}
      onClear={() => onChange({ [key]: undefined })}
    />
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
      <SchemaField
        part="duty"
        field="drawbar"
        value={duty.drawbar}
        onChange={(drawbar) => onChange({ drawbar })}
      />
      <SchemaField
        part="towed"
        field="mass"
        value={towed?.mass}
        onChange={(mass) =>
          onChange({ towed: { mass, rolling: towed?.rolling ?? towedRolling(build, duty.groundId) } })
        }
        onClear={() => onChange({ towed: undefined })}
      />
      {towed && (
        <SchemaField
          part="towed"
          field="rolling"
          value={towed.rolling}
          onChange={(rolling) => onChange({ towed: { ...towed, rolling } })}
        />
      )}
      <PushFields duty={duty} onChange={onChange} />
      {may('sideSlope')}
      {may('step')}
      <TurnFields duty={duty} onChange={onChange} />
      {taskOf(duty).moves && may('stopWithin')}
      {(layoutKind(build.layout.kind).balances || duty.lean) && may('lean')}
      {may('startsAnHour')}
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
  const scale = scaleOf(useBuild().build);
  const { upToSpeed } = duty;
  const set = (kind: (typeof SPEEDING)[number]['value']): void =>
    onChange({
      upToSpeed:
        kind === 'rate'
          ? undefined
          : kind === 'distance'
            ? { kind, distance: typed(usual.upToSpeedM(scale), 'm', 'assumed') }
            : { kind, time: typed(2, 's', 'assumed') },
    });
  return (
    <>
      <Choice label="It speeds up" value={upToSpeed?.kind ?? 'rate'} options={SPEEDING} onChange={set} />
      {upToSpeed === undefined && (
        <SchemaField
          part="duty"
          field="acceleration"
          value={duty.acceleration}
          onChange={(acceleration) => onChange({ acceleration })}
        />
      )}
      {upToSpeed?.kind === 'distance' && (
        <SchemaField
          part="upToSpeedDistance"
          field="distance"
          value={upToSpeed.distance}
          onChange={(distance) => onChange({ upToSpeed: { kind: 'distance', distance } })}
        />
      )}
      {upToSpeed?.kind === 'time' && (
        <SchemaField
          part="upToSpeedTime"
          field="time"
          value={upToSpeed.time}
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
                  ? { kind: 'radius', radius: typed(usual.bendM(scaleOf(build)), 'm', 'assumed') }
                  : { kind: 'on-the-spot' },
          })
        }
      />
      {duty.turn?.kind === 'radius' && (
        <SchemaField
          part="turn"
          field="radius"
          value={duty.turn.radius}
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
        ? { kind: 'route', length: typed(usual.routeM(scaleOf(build)), 'm', 'assumed'), times: 2 }
        : kind === 'area'
          ? {
              kind: 'area',
              area: typed(usual.areaM2(scaleOf(build)), 'm²', 'assumed'),
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
    <SchemaField
      part="route"
      field="length"
      value={extent.length}
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
    <SchemaField
      part="area"
      field="area"
      value={extent.area}
      onChange={(area) => onChange({ extent: { ...extent, area } })}
    />
    <SchemaField
      part="area"
      field="width"
      value={extent.width}
      onChange={(width) => onChange({ extent: { ...extent, width } })}
    />
    <SchemaField
      part="area"
      field="overlap"
      value={extent.overlap}
      onChange={(overlap) => onChange({ extent: { ...extent, overlap } })}
    />
  </>
);

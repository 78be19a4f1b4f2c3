import { onAxleRadius } from '@zubric/core/capability';
import { layoutKind, rollingDiameter, driveOf } from '@zubric/core/vehicle';
import { showNumber } from '@zubric/core/quantity';
import { useState } from 'react';
import { PlainSwitch } from '../../common/PlainSwitch.tsx';
import { useSay, useUnits } from '../../common/units.tsx';
import { Shapes } from '../../drawings/Sketch.tsx';
import { extentOf, fitTo, freeCorner, roundLength, type Fit, type Shape } from '../../drawings/shapes.ts';
import { useBuild } from '../../session/BuildSession.tsx';
import { fromAbove, fromTheSide } from './train-drawing.ts';

const WIDTH = 540;
const HEIGHT = 190;
const MARGIN = { x: 16, y: 12 };
const LONGEST_BAR = 70;
const MM_PER_INCH = 25.4;

const VIEWS = [
  { value: 'side', title: 'From the side' },
  { value: 'above', title: 'From above' },
] as const;
type View = (typeof VIEWS)[number]['value'];

/** The driven wheel with its motor and stages to scale, from the side and with both sides from above; one at a time where there is little room. */
export function TrainView() {
  const [chosen, setChosen] = useState<View>('side');
  return (
    <div className="sheet">
      <Facts />
      <PlainSwitch
        label="Seen"
        options={VIEWS}
        value={chosen}
        onChoose={setChosen}
        className="px-3 pt-1.5 text-[14px] xl:hidden"
      />
      <div className="grid xl:grid-cols-2 xl:divide-x xl:divide-line">
        {VIEWS.map(({ value: view, title }) => (
          <div key={view} className={chosen === view ? '' : 'max-xl:hidden'}>
            <Seen view={view} title={title} />
          </div>
        ))}
      </div>
    </div>
  );
}

/** One view, with what its directions are. */
function Seen({ view, title }: { readonly view: View; readonly title: string }) {
  const { build } = useBuild();
  const drawing = view === 'side' ? fromTheSide(build) : fromAbove(build);
  const fit = fitTo(extentOf(drawing.shapes), { width: WIDTH, height: HEIGHT, margin: MARGIN });
  const mirrored = driveOf(build).together === 'wheel' || driveOf(build).together === 'side';
  return (
    <figure>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT + 6}`}
        className="block w-full"
        role="img"
        aria-label={
          view === 'side'
            ? 'One driven wheel with its stages from the side, to scale'
            : 'The driven wheels with their stages and motors from above, to scale'
        }
      >
        {drawing.groundY !== undefined && <Ground y={fit.y(drawing.groundY)} />}
        <Shapes shapes={drawing.shapes} fit={fit} />
        <Bar shapes={drawing.shapes} fit={fit} onGround={drawing.groundY !== undefined} />
      </svg>
      <figcaption className="px-3 pb-1.5 text-[14px] text-soft">
        <span className="max-xl:hidden">{title}, </span>
        {drawing.frontUp ? 'front upwards' : 'front to the right'}
        {view === 'above' && (drawing.frontUp ? ', left side at the left' : ', left side above')}
        {view === 'above' && mirrored && '; mirrored motors turn opposite ways: invert one'}
        {!drawing.sized && '; gears whose module is not given are in proportion only'}
      </figcaption>
    </figure>
  );
}

interface Fact {
  readonly head: string;
  readonly tail: string;
  readonly tone?: string;
}

/** What the drive does at the motor and at the wheel on the hardest duty, and how near it comes to the ground. */
function Facts() {
  const { build, report } = useBuild();
  const say = useSay();
  const governing = report.governing.find((l) => l.link === 'torque');
  const duty = report.duties.find((d) => d.id === governing?.dutyId);
  const hanging = onAxleRadius(build);
  const clearance = rollingDiameter(build).value / 2 - (hanging?.radiusM ?? 0);
  const turned = report.drives.find(({ driveId }) => driveId === driveOf(build).id)?.turned;
  const facts: readonly Fact[] = [
    ...(turned
      ? [
          {
            head: `${say(turned.point.motorTorqueNm, 'torque')}, ${showNumber(turned.point.motorRpm)} rpm`,
            tail: 'each motor',
            tone: 'text-mech',
          },
          {
            head: `${say(turned.torqueNm, 'torque')}, ${say(turned.speedRadS, 'rotation')}`,
            tail: 'at its end',
            tone: 'text-mech',
          },
        ]
      : []),
    ...(duty?.point
      ? [
          {
            head: `${say(duty.point.motorTorqueNm, 'torque')}, ${showNumber(duty.point.motorRpm)} rpm`,
            tail: `each motor, ${duty.name}`,
            tone: 'text-mech',
          },
          {
            head: `${say(duty.point.wheelTorqueNm, 'torque')}, ${showNumber(duty.point.wheelRpm)} rpm`,
            tail: `on Ø ${say(rollingDiameter(build).value, 'length')}`,
            tone: 'text-mech',
          },
        ]
      : [
          {
            head: `Ø ${say(rollingDiameter(build).value, 'length')}`,
            tail: layoutKind(build.layout.kind).pullsByRope
              ? 'where the rope pulls'
              : 'where it meets the ground',
          },
        ]),
    {
      head: `${showNumber(report.train.ratio)} : 1`,
      tail: `${showNumber(report.train.efficiency * 100)} % of the power arrives`,
    },
    ...(hanging && !layoutKind(build.layout.kind).pullsByRope
      ? [
          clearance > 0
            ? { head: say(clearance, 'length'), tail: 'clear of the ground' }
            : { head: 'touches the ground', tail: 'larger than the wheel', tone: 'text-short' },
        ]
      : []),
  ];
  return (
    <dl className="grid grid-cols-2 gap-x-4 border-b border-line px-3 py-1.5 md:grid-cols-4">
      {facts.map(({ head, tail, tone = 'text-ink' }) => (
        <div key={tail} className="flex min-w-0 flex-col-reverse justify-end">
          <dt className="text-[14px] text-soft" title={tail}>
            {tail}
          </dt>
          <dd className={`font-semibold ${tone}`}>{head}</dd>
        </div>
      ))}
    </dl>
  );
}

/** About as wide as a letter is. */
const LETTER = 7.5;
const BAR_HEIGHT = 16;

/** A round length, so that the drawing can be measured, where it lies over nothing that is drawn. */
function Bar({ shapes, fit, onGround }: { shapes: readonly Shape[]; fit: Fit; onGround: boolean }) {
  const say = useSay();
  const { system } = useUnits();
  const unit = system === 'imperial' ? MM_PER_INCH : 1;
  const length = roundLength(LONGEST_BAR / fit.scale / unit) * unit;
  const said = say(length / 1000, 'length');
  const long = length * fit.scale;
  const at = freeCorner(shapes, fit, {
    page: { width: WIDTH, height: HEIGHT },
    size: { width: long + 8 + said.length * LETTER, height: BAR_HEIGHT },
    edge: MARGIN.y,
    corners: onGround ? 'upper' : 'all',
  });
  return (
    <g transform={`translate(${at.x} ${at.y + 10})`} stroke="var(--color-soft)" fill="none">
      <path d={`M0 -6v6h${long}v-6`} />
      <text x={long + 8} fontSize="14" stroke="none" fill="var(--color-soft)">
        {said}
      </text>
    </g>
  );
}

const Ground = ({ y }: { readonly y: number }) => (
  <g>
    <path d={`M0 ${y}H${WIDTH}`} stroke="var(--color-ink)" strokeWidth="1.5" />
    {Array.from({ length: 45 }, (_, n) => (
      <path key={n} d={`M${n * 12 + 6} ${y}l-6 8`} stroke="var(--color-line)" />
    ))}
  </g>
);

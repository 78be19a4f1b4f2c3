import type { CourseMoment, OutingCourse } from '@zubric/core/capability';
import {
  celsiusToKelvin,
  fromSi,
  show,
  unitOf,
  type Dimension,
  type UnitSystem,
} from '@zubric/core/quantity';
import type { Build } from '@zubric/core/vehicle';
import { scaleLinear, type ScaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { Axes } from '../../../charts/Axes.tsx';
import { chartUnit } from '../../../charts/in-units.ts';
import { useUnits } from '../../../common/units.tsx';

const WIDTH = 500;
const LEFT = 52;
const RIGHT = 16;
const STRIP = 62;
/** Room for a strip’s title, and over all of them for the numbers of the duties. */
const TOP = 22;
const HEAD = 18;
const GAP = 8;
const FOOT = 46;
/** A band as wide as this has room for its number. */
const NUMBERED = 11;

/** One strip of the day: a figure over time. */
interface Strip {
  readonly title: string;
  readonly dimension: Dimension;
  readonly color: string;
  /** Lines of it, SI; a thin one is beside the point. */
  readonly lines: readonly { readonly of: (moment: CourseMoment) => number; readonly thin?: true }[];
  /** Never passed, SI. */
  readonly limit?: number;
  readonly least?: number;
}

/** Past this over its limit a winding is not drawn. */
const DRAWN_OVER_K = 40;

function stripsOf({ motors, moments }: OutingCourse): readonly Strip[] {
  const limitC = Math.min(...motors.map((motor) => motor.limitC));
  const kelvin = (celsius: number): number => celsiusToKelvin(Math.min(celsius, limitC + DRAWN_OVER_K));
  const coldest = Math.min(...moments.flatMap((moment) => moment.motors.map(({ bodyC }) => bodyC)));
  return [
    { title: 'speed', dimension: 'speed', color: 'var(--color-mech)', lines: [{ of: (m) => m.speedMps }] },
    {
      title: 'current from the battery',
      dimension: 'current',
      color: 'var(--color-elec)',
      lines: [{ of: (m) => m.batteryA }],
    },
    {
      title: 'battery voltage',
      dimension: 'voltage',
      color: 'var(--color-elec)',
      lines: [{ of: (m) => m.batteryV }],
      least: Math.min(...moments.map(({ batteryV }) => batteryV)) * 0.9,
    },
    {
      title: 'usable charge left',
      dimension: 'share',
      color: 'var(--color-elec)',
      lines: [{ of: (m) => m.leftShare }],
    },
    {
      title: 'winding, and thin its body',
      dimension: 'temperature',
      color: 'var(--color-short)',
      least: celsiusToKelvin(Math.min(coldest, 20)),
      limit: celsiusToKelvin(limitC),
      lines: motors.flatMap((_, n) => [
        { of: (m: CourseMoment) => kelvin(m.motors[n]?.bodyC ?? 0), thin: true as const },
        { of: (m: CourseMoment) => kelvin(m.motors[n]?.windingC ?? 0) },
      ]),
    },
  ];
}

/** The day in words: what is left and how hot it is after each job. */
const describe = ({ moments, legs }: OutingCourse, { duties }: Build, system: UnitSystem): string =>
  legs
    .map(({ dutyId, toS }) => {
      const after = [...moments].reverse().find(({ timeS }) => timeS <= toS);
      const name = duties.find(({ id }) => id === dutyId)?.name ?? 'break';
      const hottest = Math.max(...(after?.motors ?? []).map(({ windingC }) => windingC));
      const heat = Number.isFinite(hottest)
        ? `, winding ${show(celsiusToKelvin(hottest), 'temperature', system).text}`
        : '';
      return `${name}, until ${show(toS, 'time', system).text}: ${show(after?.leftShare ?? 0, 'share', system).text} left${heat}`;
    })
    .join('. ');

interface Props {
  readonly course: OutingCourse;
  readonly build: Build;
}

/** Speed, current, voltage, charge and heat over a day, one above the other, with the duties as bands. */
export function DayChart({ course, build }: Props) {
  const { system } = useUnits();
  const { moments, legs } = course;
  const endS = moments.at(-1)?.timeS ?? 1;
  const time = chartUnit(endS, 'time', system);
  const x = scaleLinear([0, time.convert(endS)], [LEFT, WIDTH - RIGHT]);
  const strips = stripsOf(course);
  const height = HEAD + strips.length * (STRIP + GAP + TOP) + FOOT;
  const numberOf = (dutyId: string | null): number => build.duties.findIndex(({ id }) => id === dutyId) + 1;
  return (
    <figure className="mt-2">
      <svg
        viewBox={`0 0 ${WIDTH} ${height}`}
        className="block w-full"
        role="img"
        aria-label="Speed, current, voltage, charge and heat over the day, job by job"
      >
        <desc>{describe(course, build, system)}</desc>
        {legs.map((leg, at) => {
          const [from, to] = [x(time.convert(leg.fromS)), x(time.convert(leg.toS))];
          return (
            <g key={`${leg.outing}/${leg.dutyId ?? 'break'}`}>
              <rect
                x={from}
                y={HEAD}
                width={Math.max(0, to - from)}
                height={height - HEAD - FOOT - GAP}
                fill={leg.dutyId === null ? 'var(--color-line)' : 'var(--color-elec-lo)'}
                opacity={leg.dutyId === null ? 0.35 : at % 2 === 0 ? 0.35 : 0}
              />
              {to - from >= NUMBERED && leg.dutyId !== null && (
                <text x={(from + to) / 2} y={13} textAnchor="middle" fontSize="13" fill="var(--color-ink)">
                  {numberOf(leg.dutyId)}
                </text>
              )}
            </g>
          );
        })}
        {strips.map((strip, n) => (
          <StripOf
            key={strip.title}
            strip={strip}
            moments={moments}
            x={x}
            seconds={time.convert}
            top={HEAD + TOP + n * (STRIP + GAP + TOP)}
            xTitle={n === strips.length - 1 ? `time, ${time.symbol}` : ''}
          />
        ))}
      </svg>
      <figcaption className="text-[14px] text-soft">
        {build.duties.map(({ id, name }, n) => (
          <span key={id} className="mr-3 inline-block">
            <b className="font-semibold text-ink">{n + 1}</b> {name}
          </span>
        ))}
        {legs.some(({ dutyId }) => dutyId === null) && <span className="inline-block">grey: a break</span>}
      </figcaption>
    </figure>
  );
}

interface StripProps {
  readonly strip: Strip;
  readonly moments: readonly CourseMoment[];
  readonly x: ScaleLinear<number, number>;
  readonly seconds: (seconds: number) => number;
  readonly top: number;
  /** Given under the last strip alone. */
  readonly xTitle: string;
}

function StripOf({ strip, moments, x, seconds, top, xTitle }: StripProps) {
  const { system } = useUnits();
  const values = strip.lines.flatMap(({ of }) => moments.map(of));
  const most = Math.max(1e-6, ...values, strip.limit ?? -Infinity);
  const unit = chartUnit(most, strip.dimension, system);
  const convert = (si: number): number => fromSi(si, unitOf(strip.dimension, unit.symbol));
  const least = Math.min(strip.least ?? 0, ...values);
  const y = scaleLinear([convert(least), convert(most)], [top + STRIP, top]).nice(3);
  return (
    <>
      <Axes
        x={x}
        y={y}
        xTitle={xTitle}
        xLabels={xTitle !== ''}
        yTitle={`${strip.title}, ${unit.symbol}`}
        yTicks={3}
        color={strip.color}
      />
      {strip.limit !== undefined && (
        <path
          d={`M${LEFT} ${y(convert(strip.limit))}H${WIDTH - RIGHT}`}
          stroke="var(--color-ink)"
          strokeDasharray="5 4"
        />
      )}
      {strip.lines.map(({ of, thin }, n) => (
        <path
          key={n}
          d={
            line<CourseMoment>(
              (m) => x(seconds(m.timeS)),
              (m) => y(convert(of(m))),
            )(moments) ?? ''
          }
          fill="none"
          stroke={strip.color}
          strokeWidth={thin ? 1 : 2.2}
        />
      ))}
    </>
  );
}

import { drivenDiameter } from '@zubric/core/build';
import { showNumber } from '@zubric/core/quantity';
import { useSay } from '../../app/units.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { chainPath, sideDrawing, sprocketPath, type SideDrawing } from './side-geometry.ts';

const WIDTH = 740;
const HEIGHT = 220;
const MARGIN = 14;

/** Ends of the drawing in mm: the wheel and everything behind it. */
function extents({ wheelRadiusMm, chains, motor }: SideDrawing) {
  const circles = [...chains.flatMap((c) => [c.driver, c.driven]), ...(motor ? [motor] : [])];
  return {
    left: Math.min(-wheelRadiusMm, ...circles.map((c) => c.x - c.radius)),
    right: wheelRadiusMm,
    top: Math.max(wheelRadiusMm, ...circles.map((c) => c.y + c.radius)),
    bottom: -wheelRadiusMm,
  };
}

/** One driven wheel with its motor and stages from the side, all to one scale. */
export function SideView() {
  const { build, report } = useBuild();
  const say = useSay();
  const drawing = sideDrawing(build);
  const { left, right, top, bottom } = extents(drawing);
  const scale = Math.min((HEIGHT - 2 * MARGIN) / (top - bottom), (WIDTH - 460) / (right - left));
  const originX = WIDTH / 2 + 20 - ((left + right) / 2) * scale;
  const originY = HEIGHT - MARGIN + bottom * scale;
  const groundY = originY - bottom * scale;
  const wheelRight = originX + right * scale;
  const governing = report.governing.find((l) => l.link === 'torque');
  const duty = report.duties.find((d) => d.id === governing?.dutyId);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT + 6}`}
      className="block w-full"
      role="img"
      aria-label="One driven wheel with its stages from the side, to scale"
    >
      <Ground y={groundY} />
      <g transform={`translate(${originX} ${originY}) scale(${scale} ${-scale})`} strokeLinejoin="round">
        <circle r={drawing.wheelRadiusMm} fill="none" stroke="var(--color-ink)" strokeWidth={2 / scale} />
        <circle
          r={drawing.wheelRadiusMm * 0.82}
          fill="none"
          stroke="var(--color-edge)"
          strokeWidth={1 / scale}
        />
        {drawing.motor && (
          <circle
            cx={drawing.motor.x}
            cy={drawing.motor.y}
            r={drawing.motor.radius}
            fill="var(--color-elec-lo)"
            stroke="var(--color-elec)"
            strokeWidth={1.6 / scale}
          />
        )}
        {drawing.chains.map((chain) => (
          <g key={chain.id}>
            {[chain.driver, chain.driven].map((sprocket) => (
              <path
                key={sprocket.x}
                d={sprocketPath(sprocket, chain.pitchMm)}
                fill="var(--color-mech-lo)"
                stroke="var(--color-mech)"
                strokeWidth={1 / scale}
              />
            ))}
            <path
              d={chainPath(chain)}
              fill="none"
              stroke="var(--color-mech)"
              strokeWidth={3 / scale}
              strokeDasharray={`${chain.pitchMm * 0.68} ${chain.pitchMm * 0.32}`}
            />
          </g>
        ))}
        <circle r={3 / scale} fill="var(--color-ink)" />
      </g>
      <Note
        x={14}
        y={24}
        lines={['One driven wheel, to scale', `Ø ${say(drivenDiameter(build.layout).value, 'length')}`]}
      />
      {duty?.point && (
        <>
          <Note
            x={14}
            y={HEIGHT - 92}
            lines={[
              `${say(duty.point.motorTorqueNm, 'torque')}, ${showNumber(duty.point.motorRpm)} rpm`,
              `each motor on “${duty.name}”`,
            ]}
            fill="var(--color-mech)"
          />
          <Note
            x={wheelRight + 18}
            y={44}
            lines={[
              `${say(duty.point.wheelTorqueNm, 'torque')}, ${showNumber(duty.point.wheelRpm)} rpm`,
              `each wheel on “${duty.name}”`,
            ]}
            fill="var(--color-mech)"
          />
        </>
      )}
      {drawing.clearanceMm !== undefined && (
        <Note
          x={wheelRight + 18}
          y={100}
          lines={
            drawing.clearanceMm > 0
              ? [say(drawing.clearanceMm / 1000, 'length'), 'lowest sprocket to ground']
              : ['touches the ground', 'the sprocket is larger than the wheel']
          }
          fill={drawing.clearanceMm > 0 ? undefined : 'var(--color-short)'}
        />
      )}
      <Note
        x={wheelRight + 18}
        y={156}
        lines={[
          `${showNumber(report.train.ratio)} : 1`,
          `${showNumber(report.train.efficiency * 100)} % of the power arrives`,
        ]}
      />
    </svg>
  );
}

const Ground = ({ y }: { readonly y: number }) => (
  <g>
    <path d={`M0 ${y}H${WIDTH}`} stroke="var(--color-ink)" strokeWidth="1.5" />
    {Array.from({ length: 62 }, (_, n) => (
      <path key={n} d={`M${n * 12 + 6} ${y}l-6 8`} stroke="var(--color-line)" />
    ))}
  </g>
);

interface NoteProps {
  readonly x: number;
  readonly y: number;
  readonly lines: readonly [string, string];
  readonly fill?: string;
}

const Note = ({ x, y, lines: [head, tail], fill = 'var(--color-ink)' }: NoteProps) => (
  <text x={x} y={y} fontSize="16" fontWeight="600" fill={fill}>
    {head}
    <tspan x={x} dy="18" fontSize="14" fontWeight="400" fill="var(--color-soft)">
      {tail.length > 34 ? `${tail.slice(0, 33)}…` : tail}
    </tspan>
  </text>
);

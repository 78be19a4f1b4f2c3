import type { DutyReport } from '@zubric/core/capability';
import { drivelineOf, greatestPull, together } from '@zubric/core/drive';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useMemo } from 'react';
import { Axes } from '../../charts/Axes.tsx';
import { chartUnit } from '../../charts/in-units.ts';
import { useUnits } from '../../common/units.tsx';
import { useBuild } from '../../session/BuildSession.tsx';

const WIDTH = 500;
const HEIGHT = 330;
const FRAME = { left: 52, right: 16, top: 28, bottom: 46 };
const SAMPLES = 120;

/** The curve of greatest pull from standing to the speed at which it ends, SI. */
function usePull() {
  const { build } = useBuild();
  return useMemo(() => {
    const driveline = drivelineOf(build);
    if (!driveline) return undefined;
    const freeMps = Math.max(
      ...together(driveline).map(
        ({ circuit, ratio, wheelRadiusM }) =>
          (circuit.motor.fastestRadS(circuit.openCircuitV) / ratio) * wheelRadiusM,
      ),
    );
    const points = Array.from({ length: SAMPLES + 1 }, (_, n) => {
      const speedMps = (freeMps * n) / SAMPLES;
      return { speedMps, pullN: greatestPull(driveline, speedMps) };
    });
    return points.filter((p) => p.pullN >= 0);
  }, [build]);
}

/** Pull at the ground against road speed, with every duty as a mark and the grip it has as a bar above it. */
export function PullChart() {
  const { report, build } = useBuild();
  const { system } = useUnits();
  const pull = usePull();
  const duties = report.duties.filter((d) => d.resistance.totalN > 0);
  const mostN = Math.max(
    1,
    ...(pull ?? []).map((p) => p.pullN),
    ...duties.map((d) => d.resistance.totalN * 1.15),
    ...duties.map((d) => (d.footing.gripN ?? 0) * 1.05),
  );
  const mostMps = Math.max(0.1, (pull?.at(-1)?.speedMps ?? 0) * 1.02, ...duties.map((d) => d.speedMps * 1.2));
  const speed = chartUnit(mostMps, 'speed', system);
  const force = chartUnit(mostN, 'force', system);
  const x = scaleLinear([0, speed.convert(mostMps)], [FRAME.left, WIDTH - FRAME.right]);
  const y = scaleLinear([0, force.convert(mostN)], [HEIGHT - FRAME.bottom, FRAME.top]).nice();
  const rule = build.marginPolicy.torque;
  const leastGrip = leastGripOf(duties);
  /** The pull over a factor. */
  const curveOver = (factor: number) =>
    line<{ speedMps: number; pullN: number }>(
      (p) => x(speed.convert(p.speedMps)),
      (p) => y(force.convert(p.pullN / factor)),
    );
  return (
    <figure className="sheet p-2">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="block w-full"
        role="img"
        aria-label="Pull at the ground against road speed, with the duties as marks"
      >
        <Axes
          x={x}
          y={y}
          xTitle={`road speed, ${speed.symbol}`}
          yTitle={`pull at the ground, ${force.symbol}`}
          color="var(--color-mech)"
        />
        {leastGrip && <LeastGrip y={y(force.convert(leastGrip.gripN))} duty={leastGrip.name} />}
        {pull && (
          <>
            <path d={curveOver(1)(pull) ?? ''} fill="none" stroke="var(--color-mech)" strokeWidth="3" />
            <path
              d={curveOver(rule)(pull) ?? ''}
              fill="none"
              stroke="var(--color-mech)"
              strokeWidth="1.5"
              strokeDasharray="6 4"
            />
          </>
        )}
        <Marks
          marks={duties.map((d) => ({
            id: d.id,
            name: d.name,
            x: x(speed.convert(d.speedMps)),
            y: y(force.convert(d.resistance.totalN)),
          }))}
        />
        {!pull && <NoMotor />}
      </svg>
      <figcaption className="px-2 text-[14px] text-soft">
        Solid: all it can pull, sag and limits counted. Dashed: that over {rule}, the rule. Crosses: the
        duties; those under the dashed line are ample. Dotted: the least grip of a duty; more pull than that
        spins the wheels.
      </figcaption>
    </figure>
  );
}

/** The duty with the least grip, and how much it is. */
const leastGripOf = (duties: readonly DutyReport[]) =>
  duties.reduce<{ readonly gripN: number; readonly name: string } | undefined>((least, d) => {
    const { gripN } = d.footing;
    return gripN === undefined || (least && least.gripN <= gripN) ? least : { gripN, name: d.name };
  }, undefined);

const LeastGrip = ({ y, duty }: { readonly y: number; readonly duty: string }) => (
  <>
    <path
      d={`M${FRAME.left} ${y}H${WIDTH - FRAME.right}`}
      stroke="var(--color-ink)"
      strokeWidth="1.5"
      strokeDasharray="2 3"
    />
    <text
      x={FRAME.left + 4}
      y={y - 5}
      fontSize="14"
      fill="var(--color-ink)"
      stroke="var(--color-sheet)"
      strokeWidth="4"
      paintOrder="stroke"
    >
      {`grip, least on “${duty.length > 22 ? `${duty.slice(0, 21)}…` : duty}”`}
    </text>
  </>
);

const NoMotor = () => (
  <text
    x={(WIDTH + FRAME.left) / 2}
    y={HEIGHT / 2}
    textAnchor="middle"
    fontSize="15"
    fill="var(--color-soft)"
  >
    choose a motor to see its pull
  </text>
);

interface Mark {
  readonly id: string;
  readonly name: string;
  readonly x: number;
  readonly y: number;
}

/** The duties as crosses, each with its name. */
const Marks = ({ marks }: { readonly marks: readonly Mark[] }) =>
  labelled(marks).map((mark) => (
    <g key={mark.id}>
      <path
        d={`M${mark.x - 6} ${mark.y}h12M${mark.x} ${mark.y - 6}v12`}
        stroke="var(--color-ink)"
        strokeWidth="2.5"
      />
      <text
        x={mark.labelX}
        y={mark.labelY}
        textAnchor={mark.anchor}
        fontSize="14"
        fontWeight="500"
        fill="var(--color-ink)"
        stroke="var(--color-sheet)"
        strokeWidth="4"
        paintOrder="stroke"
      >
        {mark.name.length > 26 ? `${mark.name.slice(0, 25)}…` : mark.name}
      </text>
    </g>
  ));

/** Labels beside their marks, on the side with room, nudged apart where two would lie on each other. */
function labelled(marks: readonly Mark[]) {
  const taken: number[] = [];
  return [...marks]
    .sort((a, b) => a.y - b.y)
    .map((mark) => {
      const left = mark.x > WIDTH * 0.62;
      let labelY = mark.y + 5;
      while (taken.some((y) => Math.abs(y - labelY) < 16)) labelY += 4;
      taken.push(labelY);
      return {
        ...mark,
        labelX: mark.x + (left ? -10 : 10),
        labelY,
        anchor: left ? ('end' as const) : ('start' as const),
      };
    });
}

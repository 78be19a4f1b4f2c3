import type { DutyReport } from '@zubric/core/capability';
import { flatOut } from '@zubric/core/drive';
import { layoutKind } from '@zubric/core/vehicle';
import { useState } from 'react';
import { CurveFigure, drawnLine, SheetEmpty, type Placing } from '../../../charts/CurveFigure.tsx';
import { useSay } from '../../../common/units.tsx';
import { useBuild } from '../../../session/BuildSession.tsx';
import { FlatOutAt } from './FlatOutAt.tsx';
import { AlongCurve, areNumbered, LeastGrip, MarkNames, Marks } from './Marks.tsx';
import { usePull, type HeldBack, type Pull } from './use-pull.ts';

/** What each job asks and reaches, for who does not see its mark. */
const inWords = (duties: readonly DutyReport[], say: ReturnType<typeof useSay>): string =>
  duties
    .map(({ name, resistance, speedMps, attainableMps }) => {
      const reaches = attainableMps === undefined ? '' : `, top speed ${say(attainableMps, 'speed')}`;
      return `${name}: asks ${say(resistance.totalN, 'force')} at ${say(speedMps, 'speed')}${reaches}`;
    })
    .join('. ');

/** What the axes are called, by what it pulls on. */
const AXES = {
  ground: {
    x: { dimension: 'speed', title: 'road speed' },
    y: { dimension: 'force', title: 'pull at the ground' },
    label: 'Pull at the ground against road speed, with the jobs as marks',
  },
  rope: {
    x: { dimension: 'speed', title: 'speed of the rope' },
    y: { dimension: 'force', title: 'pull on the rope' },
    label: 'Pull on the rope against its speed, with the jobs as marks',
  },
} as const;

/** What comes of more pull than the grip of a job. */
const TOO_MUCH = {
  inside: 'more pull than that takes the mass inside over the top',
  wheels: 'more pull than that spins the wheels',
} as const;

/** Steps of the hair-line by key. */
const STEPS = 100;

/** Pull at the ground against road speed, fresh and tired, with what holds it back, every duty as a mark, and grip. */
export function PullChart() {
  const { report, build } = useBuild();
  const say = useSay();
  const pull = usePull();
  const [looked, setLooked] = useState<number>();
  const duties = report.duties.filter((d) => d.resistance.totalN > 0);
  const mostN = Math.max(
    1,
    ...(pull?.curve ?? []).map(([, pullN]) => pullN),
    ...duties.map((d) => d.resistance.totalN * 1.15),
    ...duties.map((d) => (d.footing.gripN ?? 0) * 1.05),
  );
  const fastest = (pull?.curve.at(-1)?.[0] ?? 0) * 1.02;
  const mostMps = Math.max(0.1, fastest, ...duties.map((d) => d.speedMps * 1.2));
  const rule = build.marginPolicy.torque;
  const { pullsByRope, rollsInside } = layoutKind(build.layout.kind);
  const axes = AXES[pullsByRope ? 'rope' : 'ground'];
  const leastGrip = leastGripOf(duties);
  const hardest = report.governing.find(({ link }) => link === 'torque')?.dutyId;
  const atMps = Math.min(
    mostMps,
    looked ?? report.duties.find(({ id }) => id === hardest)?.speedMps ?? mostMps / 2,
  );
  return (
    <CurveFigure
      label={axes.label}
      x={{ ...axes.x, most: mostMps }}
      y={{ ...axes.y, most: mostN }}
      values={inWords(duties, say)}
      {...(pull ? { onPoint: setLooked } : {})}
      below={
        <>
          {areNumbered(duties) && <MarkNames names={duties.map(({ name }) => name)} />}
          {pull && (
            <>
              <input
                type="range"
                className="mx-2 w-[calc(100%-1rem)] accent-ink"
                aria-label="Speed that is looked at"
                aria-valuetext={say(atMps, 'speed')}
                min={0}
                max={mostMps}
                step={mostMps / STEPS}
                value={atMps}
                onChange={(event) => setLooked(Number(event.target.value))}
              />
              <FlatOutAt pull={pull} speedMps={atMps} />
            </>
          )}
        </>
      }
      caption={`Solid: all it can pull, sag and limits counted${pull?.tired ? '; thin: the same at the end of the outing' : ''}. Dashed: that over ${rule}, the rule. Crosses: the jobs; those under the dashed line are ample. Dotted: the least grip of a job; ${rollsInside ? TOO_MUCH.inside : TOO_MUCH.wheels}.`}
    >
      {(placing) => (
        <>
          {leastGrip && <LeastGrip gripN={leastGrip.gripN} duty={leastGrip.name} placing={placing} />}
          {pull && <Curves pull={pull} rule={rule} placing={placing} />}
          {pull && (
            <path
              d={`M${placing.x(atMps)} ${placing.bottom}V${placing.top}`}
              stroke="var(--color-ink)"
              strokeWidth="1"
            />
          )}
          <Marks
            placing={placing}
            marks={duties.map((d) => ({
              id: d.id,
              name: d.name,
              x: placing.x(d.speedMps),
              y: placing.y(d.resistance.totalN),
            }))}
          />
          {!pull && <SheetEmpty placing={placing}>choose a motor to see its pull</SheetEmpty>}
        </>
      )}
    </CurveFigure>
  );
}

function Curves({
  pull,
  rule,
  placing,
}: {
  readonly pull: Pull;
  readonly rule: number;
  readonly placing: Placing;
}) {
  const over = (factor: number) => pull.curve.map(([mps, pullN]) => [mps, pullN / factor] as const);
  return (
    <>
      {pull.tired && (
        <path
          d={drawnLine(placing, pull.tired.curve)}
          fill="none"
          stroke="var(--color-mech)"
          strokeWidth="1.5"
        />
      )}
      <path d={drawnLine(placing, pull.curve)} fill="none" stroke="var(--color-mech)" strokeWidth="3" />
      <path
        d={drawnLine(placing, over(rule))}
        fill="none"
        stroke="var(--color-mech)"
        strokeWidth="1.5"
        strokeDasharray="6 4"
      />
      {pull.heldBack.map((held) => (
        <Held key={held.by} held={held} pull={pull} placing={placing} />
      ))}
    </>
  );
}

/** A stretch that is cut off by a limit, named with it. */
function Held({
  held,
  pull,
  placing,
}: {
  readonly held: HeldBack;
  readonly pull: Pull;
  readonly placing: Placing;
}) {
  const say = useSay();
  const [mps = 0, pullN = 0] = held.curve[Math.floor(held.curve.length / 2)] ?? [];
  const at = flatOut(pull.line, mps);
  const text =
    held.by === 'driver'
      ? `driver holds ${say(at.drives[0]?.point.currentA ?? 0, 'current')}`
      : `battery holds ${say(at.batteryA, 'current')}`;
  return (
    <>
      <path d={drawnLine(placing, held.curve)} fill="none" stroke="var(--color-elec)" strokeWidth="5" />
      <AlongCurve x={Math.max(placing.x(mps), placing.left + 70)} y={placing.y(pullN)} top={placing.top}>
        {text}
      </AlongCurve>
    </>
  );
}

/** The duty with the least grip, and how much it is. */
const leastGripOf = (duties: readonly DutyReport[]) =>
  duties.reduce<{ readonly gripN: number; readonly name: string } | undefined>((least, d) => {
    const { gripN } = d.footing;
    return gripN === undefined || (least && least.gripN <= gripN) ? least : { gripN, name: d.name };
  }, undefined);

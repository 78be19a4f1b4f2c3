import { linkDefinition, type Aim, type Sweep, type SweepPoint } from '@zubric/core/judge';
import type { Build } from '@zubric/core/vehicle';
import { showNumber } from '@zubric/core/quantity';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useCallback } from 'react';
import { useSay, useUnits } from '../../common/units.tsx';
import { Axes } from '../../charts/Axes.tsx';
import { chartUnit } from '../../charts/in-units.ts';
import { NotWorkedOut } from '../../common/NotWorkedOut.tsx';
import { useBeside, type Ask } from '../../workers/use-beside.ts';
import { useBuild } from '../../session/BuildSession.tsx';

const WIDTH = 1080;
const HEIGHT = 230;
const FRAME = { left: 60, right: 20, top: 30, bottom: 44 };
const POINTS = 24;

const UNITS: Readonly<Record<Aim, string>> = {
  'payload-rate': 'kg an hour',
  haul: 'kg·km a charge',
  range: 'km a charge',
};

/** What stands in the way of carrying more: the first margin that fails as the payload grows. */
function inTheWay(points: readonly SweepPoint[], { duties }: Build): string {
  const first = points.find(({ stopped }) => stopped)?.stopped;
  if (!first) return '';
  const duty = duties.find(({ id }) => id === first.dutyId)?.name;
  return `In the way of more: ${linkDefinition(first.link).title.toLowerCase()}${duty ? ` on “${duty}”` : ''}.`;
}

/** What the build comes to over the payload, where it is to make the most of something. */
export function PayloadSweep() {
  const { build } = useBuild();
  const say = useSay();
  const { system } = useUnits();
  const ask: Ask<Sweep | undefined> = useCallback((work) => work.payloadSweep(build, POINTS), [build]);
  const { answer: sweep, isOfNow, problem } = useBeside(build.aims.maximise === 'none' ? undefined : ask);
  if (build.aims.maximise === 'none') return null;
  if (problem !== undefined) return <NotWorkedOut what="What it comes to over the payload" why={problem} />;
  if (!sweep && !isOfNow)
    return (
      <p className="text-soft" aria-busy="true">
        What it comes to over the payload is being worked out…
      </p>
    );
  if (!sweep)
    return (
      <p className="text-soft">
        What it comes to over the payload shows here once its jobs go somewhere
        {build.aims.maximise === 'payload-rate' ? '' : ' and a battery is chosen'}.
      </p>
    );
  const { points, best, aim } = sweep;
  const unit = chartUnit(points.at(-1)?.payloadKg ?? 1, 'mass', system);
  const x = scaleLinear([0, unit.convert(points.at(-1)?.payloadKg ?? 1)], [FRAME.left, WIDTH - FRAME.right]);
  const most = Math.max(1e-9, ...points.map((p) => p.score));
  const y = scaleLinear([0, most * 1.12], [HEIGHT - FRAME.bottom, FRAME.top]);
  const curve = line<(typeof points)[number]>(
    (p) => x(unit.convert(p.payloadKg)),
    (p) => y(p.score),
  );
  const now = build.masses.payload.mass.value;
  return (
    <figure
      className={`sheet p-2 ${isOfNow ? '' : 'opacity-60'}`}
      aria-labelledby="sweep-title"
      aria-busy={!isOfNow}
    >
      <h2 id="sweep-title" className="px-1">
        Which payload makes the most of it?{' '}
        <span className="font-sans text-[15px] font-normal text-soft">
          {best
            ? `${say(best.payloadKg, 'mass')}: ${showNumber(best.score)} ${UNITS[aim]}, the most that every margin bears.`
            : 'None that every margin bears at 1 ×.'}{' '}
          {inTheWay(points, build)}
        </span>
      </h2>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="block w-full"
        role="img"
        aria-label={`${UNITS[aim]} over the payload${best ? `; best at ${say(best.payloadKg, 'mass')}` : ''}`}
      >
        <Axes
          x={x}
          y={y}
          xTitle={`payload, ${unit.symbol}`}
          yTitle={UNITS[aim]}
          yTicks={4}
          xTicks={10}
          color="var(--color-mech)"
        />
        <path d={curve(points) ?? ''} fill="none" stroke="var(--color-mech)" strokeWidth="2.5" />
        <AsStated x={x(unit.convert(now))} />
        {best && <Best x={x(unit.convert(best.payloadKg))} y={y(best.score)} />}
      </svg>
    </figure>
  );
}

/** The payload as the brief states it. */
const AsStated = ({ x }: { readonly x: number }) => (
  <>
    <path d={`M${x} ${HEIGHT - FRAME.bottom}V${FRAME.top}`} stroke="var(--color-ink)" strokeDasharray="5 4" />
    <text x={x + 6} y={HEIGHT - FRAME.bottom - 8} fontSize="14" fill="var(--color-ink)">
      as stated
    </text>
  </>
);

const Best = ({ x, y }: { readonly x: number; readonly y: number }) => (
  <g>
    <circle cx={x} cy={y} r="6" fill="var(--color-mech)" />
    <text x={x} y={y - 11} fontSize="14" fontWeight="600" textAnchor="middle" fill="var(--color-mech)">
      best
    </text>
  </g>
);

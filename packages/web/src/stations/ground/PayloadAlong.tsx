import { contactsOf, type Duty } from '@zubric/core/build';
import { payloadAlong } from '@zubric/core/evaluate';
import { radiansToDegrees } from '@zubric/core/contract';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useDeferredValue, useMemo } from 'react';
import { useUnits } from '../../app/units.tsx';
import { Axes } from '../../charts/Axes.tsx';
import { chartUnit } from '../../charts/in-units.ts';
import { useBuild } from '../../session/BuildSession.tsx';

const WIDTH = 520;
const HEIGHT = 250;
const FRAME = { left: 46, right: 18, top: 30, bottom: 44 };
const POINTS = 25;

/** How steep it climbs by weight and grip, as the payload is moved along the vehicle; where it is now is marked. */
export function PayloadAlong({ duty }: { readonly duty: Duty }) {
  const { build } = useBuild();
  const { system } = useUnits();
  const settled = useDeferredValue(build);
  const places = useMemo(() => {
    const ahead = contactsOf(settled.layout).map(({ aheadM }) => aheadM);
    const reach = Math.max(...ahead) - Math.min(...ahead);
    const now = settled.duties.find(({ id }) => id === duty.id);
    if (!now || reach <= 0 || settled.masses.payload.mass.value <= 0 || now.payloadShare.value <= 0)
      return undefined;
    return payloadAlong(settled, now, {
      from: Math.min(...ahead) - reach * 0.15,
      to: Math.max(...ahead) + reach * 0.15,
      points: POINTS,
    });
  }, [settled, duty.id]);
  if (!places) return null;
  const [first, last] = [places[0]?.aheadM ?? 0, places.at(-1)?.aheadM ?? 1];
  const unit = chartUnit(Math.max(Math.abs(first), Math.abs(last)), 'length', system);
  const degrees = places.map((p) => radiansToDegrees(p.limitRad));
  const x = scaleLinear([unit.convert(first), unit.convert(last)], [FRAME.left, WIDTH - FRAME.right]);
  const y = scaleLinear([0, Math.max(5, ...degrees) * 1.1], [HEIGHT - FRAME.bottom, FRAME.top]);
  const curve = line<(typeof places)[number]>(
    (p) => x(unit.convert(p.aheadM)),
    (p) => y(radiansToDegrees(p.limitRad)),
  );
  const now = build.masses.payload.aheadOfRearAxle.value;
  const at = places.reduce((near, p) => (Math.abs(p.aheadM - now) < Math.abs(near.aheadM - now) ? p : near));
  const grade = radiansToDegrees(duty.grade.value);
  return (
    <figure className="sheet p-2" aria-labelledby="along-title">
      <h2 id="along-title" className="px-1">
        The payload moved along: how steep it then climbs
      </h2>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="block w-full"
        role="img"
        aria-label={`Steepest grade by weight and grip, from ${Math.round(Math.min(...degrees))} to ${Math.round(Math.max(...degrees))} degrees as the payload moves; now about ${Math.round(radiansToDegrees(at.limitRad))}`}
      >
        <Axes
          x={x}
          y={y}
          xTitle={`payload ahead of the rear axle, ${unit.symbol}`}
          yTitle="steepest grade, °"
          color="var(--color-mech)"
        />
        {duty.grade.value > 0 && (
          <g>
            <path
              d={`M${FRAME.left} ${y(grade)}H${WIDTH - FRAME.right}`}
              stroke="var(--color-ink)"
              strokeDasharray="5 4"
            />
            <text
              x={WIDTH - FRAME.right}
              y={y(grade) - 6}
              textAnchor="end"
              fontSize="14"
              fill="var(--color-ink)"
            >
              this duty
            </text>
          </g>
        )}
        <path d={curve(places) ?? ''} fill="none" stroke="var(--color-mech)" strokeWidth="2.5" />
        {now >= first && now <= last && (
          <g>
            <path
              d={`M${x(unit.convert(now))} ${HEIGHT - FRAME.bottom}V${FRAME.top}`}
              stroke="var(--color-ink)"
              strokeWidth="1.5"
            />
            <circle
              cx={x(unit.convert(now))}
              cy={y(radiansToDegrees(at.limitRad))}
              r="5"
              fill="var(--color-mech)"
            />
            <text x={x(unit.convert(now)) + 7} y={FRAME.top + 10} fontSize="14" fill="var(--color-ink)">
              now
            </text>
          </g>
        )}
      </svg>
      <figcaption className="px-1 text-[14px] text-soft">
        Drag the payload on the drawing above: grip and grade follow.
      </figcaption>
    </figure>
  );
}

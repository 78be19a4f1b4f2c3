import { massAlong } from '@zubric/core/demand';
import { contactsOf, type Build, type Duty } from '@zubric/core/vehicle';
import { radiansToDegrees } from '@zubric/core/quantity';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useDeferredValue, useMemo, useState } from 'react';
import { useUnits } from '../../common/units.tsx';
import { Axes } from '../../charts/Axes.tsx';
import { chartUnit } from '../../charts/in-units.ts';
import { Choice } from '../../fields/Choice.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { namedMasses } from '../../vehicle/move.ts';

const WIDTH = 520;
const HEIGHT = 250;
const FRAME = { left: 46, right: 18, top: 30, bottom: 44 };
const POINTS = 25;

/** Masses that may be put elsewhere in a duty: the payload where it is on board, riders, batteries and ballast. */
const movable = (build: Build, duty: Duty) =>
  namedMasses(build)
    .filter(({ key, mass }) => key !== 'own' && mass.mass.value > 0)
    .filter(({ key }) => key !== 'payload' || duty.payloadShare.value > 0)
    .map((mass) => ({ ...mass, id: typeof mass.key === 'string' ? mass.key : mass.key.other }));

/** What each place of a mass allows, a little past both ends of what it stands on. */
function placesOf(build: Build, dutyId: string, massId: string | undefined) {
  const duty = build.duties.find(({ id }) => id === dutyId);
  const which = duty && movable(build, duty).find(({ id }) => id === massId);
  const ahead = contactsOf(build.layout).map(({ aheadM }) => aheadM);
  const [rear, front] = [Math.min(...ahead), Math.max(...ahead)];
  const beyond = (front - rear) * 0.15;
  if (!which || beyond <= 0) return undefined;
  return massAlong(build, duty, which.key, { from: rear - beyond, to: front + beyond, points: POINTS });
}

/** The places, worked out a moment after the last keystroke. */
function usePlaces(dutyId: string, massId: string | undefined) {
  const { build } = useBuild();
  const settled = useDeferredValue(build);
  return useMemo(() => placesOf(settled, dutyId, massId), [settled, dutyId, massId]);
}

/** How steep it climbs by weight and grip, as a mass is moved along the vehicle; where it is now is marked. */
export function MassAlong({ duty }: { readonly duty: Duty }) {
  const { build } = useBuild();
  const { system } = useUnits();
  const [chosen, setChosen] = useState('payload');
  const masses = movable(build, duty);
  const moved = masses.find(({ id }) => id === chosen) ?? masses[0];
  const places = usePlaces(duty.id, moved?.id);
  if (!places || !moved) return null;
  const [first, last] = [places[0]?.aheadM ?? 0, places.at(-1)?.aheadM ?? 1];
  const unit = chartUnit(Math.max(Math.abs(first), Math.abs(last)), 'length', system);
  const degrees = places.map((p) => radiansToDegrees(p.limitRad));
  const x = scaleLinear([unit.convert(first), unit.convert(last)], [FRAME.left, WIDTH - FRAME.right]);
  const y = scaleLinear([0, Math.max(5, ...degrees) * 1.1], [HEIGHT - FRAME.bottom, FRAME.top]);
  const curve = line<(typeof places)[number]>(
    (p) => x(unit.convert(p.aheadM)),
    (p) => y(radiansToDegrees(p.limitRad)),
  );
  const now = moved.mass.aheadOfRearAxle.value;
  const at = places.reduce((near, p) => (Math.abs(p.aheadM - now) < Math.abs(near.aheadM - now) ? p : near));
  const grade = radiansToDegrees(duty.grade.value);
  return (
    <figure className="sheet p-2" aria-labelledby="along-title">
      <div className="flex flex-wrap items-end justify-between gap-2 px-1">
        <h2 id="along-title">{moved.name} moved along: how steep it then climbs</h2>
        {masses.length > 1 && (
          <Choice
            label="Moved"
            className="w-40"
            value={moved.id}
            options={masses.map(({ id, name }) => ({ value: id, title: name }))}
            onChange={setChosen}
          />
        )}
      </div>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="block w-full"
        role="img"
        aria-label={`Steepest grade by weight and grip, from ${Math.round(Math.min(...degrees))} to ${Math.round(Math.max(...degrees))} degrees as ${moved.name} moves; now about ${Math.round(radiansToDegrees(at.limitRad))}`}
      >
        <Axes
          x={x}
          y={y}
          xTitle={`${moved.name} ahead of the rear axle, ${unit.symbol}`}
          yTitle="steepest grade, °"
          color="var(--color-mech)"
        />
        {duty.grade.value > 0 && <AskedGrade y={y(grade)} />}
        <path d={curve(places) ?? ''} fill="none" stroke="var(--color-mech)" strokeWidth="2.5" />
        {now >= first && now <= last && <Now x={x(unit.convert(now))} y={y(radiansToDegrees(at.limitRad))} />}
      </svg>
      <figcaption className="px-1 text-[14px] text-soft">
        Drag it on the drawing above: grip and grade follow.
      </figcaption>
    </figure>
  );
}

/** The grade that the duty asks, across the chart. */
const AskedGrade = ({ y }: { readonly y: number }) => (
  <g>
    <path d={`M${FRAME.left} ${y}H${WIDTH - FRAME.right}`} stroke="var(--color-ink)" strokeDasharray="5 4" />
    <text x={WIDTH - FRAME.right} y={y - 6} textAnchor="end" fontSize="14" fill="var(--color-ink)">
      this job
    </text>
  </g>
);

/** Where the mass is now. */
const Now = ({ x, y }: { readonly x: number; readonly y: number }) => (
  <g>
    <path d={`M${x} ${HEIGHT - FRAME.bottom}V${FRAME.top}`} stroke="var(--color-ink)" strokeWidth="1.5" />
    <circle cx={x} cy={y} r="5" fill="var(--color-mech)" />
    <text x={x + 7} y={FRAME.top + 10} fontSize="14" fill="var(--color-ink)">
      now
    </text>
  </g>
);

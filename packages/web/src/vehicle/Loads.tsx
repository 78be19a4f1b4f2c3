import type { Footing } from '@zubric/core/demand';
import type { Build } from '@zubric/core/vehicle';
import { useSay } from '../common/units.tsx';
import type { Fit } from '../drawings/shapes.ts';
import type { Placing } from './frame.ts';
import { LETTER } from './place-names.ts';
import { PageArrow, Words } from './parts.tsx';

const LONGEST_LOAD = 44;

/** The load on each axle as an arrow from below, and what it is. */
export function AxleLoads({ footing, build, place }: { footing: Footing; build: Build; place: Placing }) {
  const say = useSay();
  const most = Math.max(...footing.axles.map(({ loadN }) => Math.abs(loadN)), 1e-9);
  return footing.axles.map(({ axleId, loadN, lifts }) => {
    const axle = build.layout.axles.find(({ id }) => id === axleId);
    if (!axle) return null;
    const foot = place(axle.ahead.value, 0);
    const below = place(axle.ahead.value, -1);
    const length = Math.hypot(below.x - foot.x, below.y - foot.y) || 1;
    const [u, v] = [(below.x - foot.x) / length, (below.y - foot.y) / length];
    const reach = lifts ? 12 : 10 + (LONGEST_LOAD - 10) * (Math.abs(loadN) / most);
    const tail = { x: foot.x + u * reach, y: foot.y + v * reach };
    const ink = lifts ? 'var(--color-short)' : 'var(--color-mech)';
    return (
      <g key={axleId}>
        {!lifts && <PageArrow from={tail} to={foot} ink={ink} />}
        <Words at={{ x: tail.x + 6, y: tail.y + 4 }} anchor="start" tone={ink} bold>
          {lifts ? 'lifts' : say(loadN, 'force')}
        </Words>
      </g>
    );
  });
}

/** The load on each wheel, beside it. */
export function WheelLoads({
  footing,
  build,
  place,
  fit,
}: {
  footing: Footing;
  build: Build;
  place: Placing;
  fit: Fit;
}) {
  const say = useSay();
  return build.layout.axles.flatMap((axle) =>
    (['left', 'middle', 'right'] as const).map((side) => {
      const own = footing.contacts.filter((c) => c.axleId === axle.id && c.side === side);
      if (own.length === 0) return null;
      const loadN = own.reduce((sum, c) => sum + c.loadN, 0);
      const y = side === 'middle' ? 0 : (side === 'left' ? 1 : -1) * (axle.track.value / 2);
      const at = place(axle.ahead.value, y);
      const out = (axle.width.value * fit.scale) / 2 + 11;
      return (
        <Words
          key={`${axle.id}.${side}`}
          at={{ x: at.x, y: at.y + (side === 'right' ? out : -out) }}
          tone={loadN <= 0 ? 'var(--color-short)' : 'var(--color-mech)'}
          bold
        >
          {loadN <= 0 ? 'lifts' : say(loadN, 'force')}
        </Words>
      );
    }),
  );
}

/** The pull at the hitch. */
export function Hitch({ build, place, drawbarN }: { build: Build; place: Placing; drawbarN: number }) {
  const say = useSay();
  const from = place(-build.hitch.behind.value, build.hitch.height.value);
  const along = place(-build.hitch.behind.value - 1, build.hitch.height.value);
  const length = Math.hypot(along.x - from.x, along.y - from.y) || 1;
  const to = {
    x: from.x + ((along.x - from.x) / length) * 42,
    y: from.y + ((along.y - from.y) / length) * 42,
  };
  const said = say(drawbarN, 'force');
  // Where the arrow ends at the edge of the page, what it says stays on it.
  const middle = Math.max(to.x, (said.length * LETTER) / 2);
  return (
    <g>
      <circle cx={from.x} cy={from.y} r="6" fill="var(--color-ink)" />
      <PageArrow from={from} to={to} ink="var(--color-mech)" />
      <Words at={{ x: middle, y: to.y - 11 }} tone="var(--color-mech)" bold>
        {said}
      </Words>
    </g>
  );
}

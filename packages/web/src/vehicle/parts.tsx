import { layoutKind, type Axle, type VehicleShape } from '@zubric/core/vehicle';
import type { At, Fit } from '../drawings/shapes.ts';
import { bodySpan, type Placing } from './frame.ts';

const path = (points: readonly At[]): string => `M${points.map((p) => `${p.x} ${p.y}`).join('L')}`;

const fillOf = (axle: Axle): string => (axle.driven ? 'var(--color-mech-lo)' : 'var(--color-field)');
const inkOf = (axle: Axle): string => (axle.driven ? 'var(--color-mech)' : 'var(--color-ink)');

/** A wheel, track, slider or shell from the side. */
export function AxleFromSide({ axle, place, fit }: { axle: Axle; place: Placing; fit: Fit }) {
  const radius = axle.diameter.value / 2;
  const x = axle.ahead.value;
  const [stroke, fill] = [inkOf(axle), fillOf(axle)];
  if (axle.contactLength) {
    const half = axle.contactLength.value / 2;
    const arc = (middle: number, from: number): At[] =>
      Array.from({ length: 13 }, (_, n) => {
        const angle = from - (Math.PI * n) / 12;
        return place(middle + radius * Math.cos(angle), radius + radius * Math.sin(angle));
      });
    return (
      <g stroke={stroke} strokeWidth="2">
        <path d={`${path([...arc(x + half, Math.PI / 2), ...arc(x - half, -Math.PI / 2)])}Z`} fill={fill} />
        {[half, 0, -half].map((at) => (
          <circle
            key={at}
            cx={place(x + at, radius).x}
            cy={place(x + at, radius).y}
            r={radius * fit.scale * 0.62}
            fill="none"
            strokeWidth="1.2"
          />
        ))}
      </g>
    );
  }
  const hub = place(x, radius);
  if (axle.form === 'slider')
    return (
      <path
        d={`${path([place(x - radius, radius * 1.6), place(x - radius, radius * 0.6), place(x, 0), place(x + radius, radius * 0.6), place(x + radius, radius * 1.6)])}Z`}
        stroke={stroke}
        strokeWidth="2"
        strokeLinejoin="round"
        fill={fill}
      />
    );
  const top = place(x + radius * 0.7, radius * 2.3);
  return (
    <g stroke={stroke} strokeWidth="2">
      {axle.form === 'castor' && <path d={path([hub, top])} strokeWidth="3" />}
      <circle cx={hub.x} cy={hub.y} r={radius * fit.scale} fill={fill} />
      <circle cx={hub.x} cy={hub.y} r="2.5" fill={stroke} />
      {axle.form === 'omni' && (
        <circle cx={hub.x} cy={hub.y} r={radius * fit.scale * 0.75} fill="none" strokeDasharray="3 3" />
      )}
      {axle.braked && (
        <circle cx={hub.x} cy={hub.y} r={radius * fit.scale * 0.45} fill="none" strokeWidth="3.5" />
      )}
    </g>
  );
}

/** The wheels or tracks of an axle from above. */
export function AxleFromAbove({ axle, place, fit }: { axle: Axle; place: Placing; fit: Fit }) {
  const half = axle.track.value / 2;
  const length = (axle.contactLength?.value ?? 0) + axle.diameter.value;
  const sides = half > 0 ? [half, -half] : [0];
  const round = axle.form === 'slider' || axle.form === 'shell';
  return (
    <g stroke={inkOf(axle)} strokeWidth="2" fill={fillOf(axle)}>
      {half > 0 && !axle.contactLength && axle.form === 'wheel' && (
        <path
          d={path([place(axle.ahead.value, half), place(axle.ahead.value, -half)])}
          strokeWidth="1.4"
          strokeDasharray={axle.steered ? '4 3' : undefined}
        />
      )}
      {sides.map((y) => {
        const at = place(axle.ahead.value, y);
        const [long, wide] = [length * fit.scale, axle.width.value * fit.scale];
        return round ? (
          <circle key={y} cx={at.x} cy={at.y} r={long / 2} />
        ) : (
          <rect key={y} x={at.x - long / 2} y={at.y - wide / 2} width={long} height={wide} rx="2" />
        );
      })}
    </g>
  );
}

/** The body as a box: between its clearance and its height, or its width from above. */
interface BodyProps {
  readonly shape: VehicleShape;
  readonly place: Placing;
  readonly from: 'side' | 'plan';
}

export function Body({ shape, place, from }: BodyProps) {
  const [rear, front] = bodySpan(shape);
  const { body } = shape;
  const [low, high] =
    from === 'side'
      ? [body.clearance.value, Math.max(body.height.value, body.clearance.value)]
      : [-body.width.value / 2, body.width.value / 2];
  if (layoutKind(shape.layout.kind).rollsInside) return null;
  return (
    <path
      d={`${path([place(rear, low), place(front, low), place(front, high), place(rear, high)])}Z`}
      fill="var(--color-sheet)"
      stroke="var(--color-edge)"
      strokeWidth="1.4"
    />
  );
}

/** The mark of the centre of gravity: a circle in quarters. */
export function CentreMark({ at }: { at: At }) {
  const r = 8;
  return (
    <g transform={`translate(${at.x} ${at.y})`} className="pointer-events-none">
      <circle r={r} fill="var(--color-field)" stroke="var(--color-ink)" strokeWidth="1.6" />
      <path
        d={`M0 0V${-r}A${r} ${r} 0 0 1 ${r} 0ZM0 0V${r}A${r} ${r} 0 0 1 ${-r} 0Z`}
        fill="var(--color-ink)"
      />
    </g>
  );
}

/** Words on a drawing, with a rim of paper to be read over lines. */
export function Words({
  at,
  anchor = 'middle',
  tone = 'var(--color-ink)',
  bold = false,
  children,
}: {
  at: At;
  anchor?: 'start' | 'middle' | 'end';
  tone?: string;
  bold?: boolean;
  children: string;
}) {
  return (
    <text
      x={at.x}
      y={at.y}
      dy="0.33em"
      textAnchor={anchor}
      fontSize="14"
      fontWeight={bold ? 600 : 500}
      fill={tone}
      stroke="var(--color-sheet)"
      strokeWidth="4"
      paintOrder="stroke"
      className="pointer-events-none"
    >
      {children}
    </text>
  );
}

const HEAD = 8;

/** An arrow on the page. */
export function PageArrow({ from, to, ink }: { from: At; to: At; ink: string }) {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  if (length < 2) return null;
  const [u, v] = [(to.x - from.x) / length, (to.y - from.y) / length];
  const head = Math.min(HEAD, length / 2);
  return (
    <path
      d={`M${from.x} ${from.y}L${to.x} ${to.y}M${to.x - head * (u - 0.5 * v)} ${to.y - head * (v + 0.5 * u)}L${to.x} ${to.y}L${to.x - head * (u + 0.5 * v)} ${to.y - head * (v - 0.5 * u)}`}
      stroke={ink}
      strokeWidth="2.4"
      fill="none"
    />
  );
}

import type { DrivenRig, HandState } from '@zubric/core/driving';
import { show } from '@zubric/core/quantity';
import { useImperativeHandle, useMemo, useRef, type Ref } from 'react';
import { useUnits } from '../../common/units.tsx';

const WIDTH = 1080;
const HEIGHT = 330;
/** Of the picture's height, what the vehicle takes. */
const VEHICLE_SHARE = 0.3;
/** Places of its trail that are kept. */
const TRAIL = 1500;
const TRAIL_STEP_M = 0.01;

/** What moves the picture, from outside, frame by frame. */
export interface YardHandle {
  readonly show: (state: HandState) => void;
  readonly clear: () => void;
}

interface Props {
  readonly driven: DrivenRig;
  readonly ref: Ref<YardHandle>;
}

const DEGREES = 180 / Math.PI;

/** The vehicle from above on squared ground, in one scale; the picture goes along with it. Drawn by hand: sixty times a second. */
export function Yard({ driven, ref }: Props) {
  const { system } = useUnits();
  const ground = useRef<SVGGElement>(null);
  const vehicle = useRef<SVGGElement>(null);
  const trail = useRef<SVGPathElement>(null);
  const places = useRef<{ x: number; y: number }[]>([]);
  const { rig } = driven;
  const size = useMemo(() => {
    const reach = rig.contacts.map(({ aheadM, leftM, radiusM }) => Math.hypot(aheadM, leftM) + radiusM);
    return 2 * Math.max(...reach);
  }, [rig]);
  const perM = (HEIGHT * VEHICLE_SHARE) / size;
  // Squares of 1, 2 or 5 times a power of ten, about as large as the vehicle.
  const square = useMemo(() => {
    const ten = 10 ** Math.floor(Math.log10(size));
    return [5, 2, 1].map((n) => n * ten).find((length) => length <= size) ?? ten;
  }, [size]);
  useImperativeHandle(
    ref,
    () => ({
      show: ({ x, y, heading }) => {
        const last = places.current.at(-1);
        if (!last || Math.hypot(x - last.x, y - last.y) > TRAIL_STEP_M * Math.max(1, size)) {
          places.current.push({ x, y });
          if (places.current.length > TRAIL) places.current.shift();
          trail.current?.setAttribute(
            'd',
            places.current
              .map((p, n) => `${n === 0 ? 'M' : 'L'}${(p.x * perM).toFixed(1)} ${(-p.y * perM).toFixed(1)}`)
              .join(''),
          );
        }
        const [px, py] = [WIDTH / 2 - x * perM, HEIGHT / 2 + y * perM];
        ground.current?.setAttribute('transform', `translate(${px.toFixed(2)} ${py.toFixed(2)})`);
        vehicle.current?.setAttribute(
          'transform',
          `translate(${WIDTH / 2} ${HEIGHT / 2}) rotate(${(-heading * DEGREES).toFixed(2)})`,
        );
      },
      clear: () => {
        places.current = [];
        trail.current?.setAttribute('d', '');
      },
    }),
    [perM, size],
  );
  const step = square * perM;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="block w-full"
      role="img"
      aria-label={`The vehicle from above, on squares of ${show(square, 'length', system).text}.`}
    >
      <Squares step={step} />
      <g ref={ground} transform={`translate(${WIDTH / 2} ${HEIGHT / 2})`}>
        <rect x="-500000" y="-500000" width="1000000" height="1000000" fill="url(#squares)" />
        <circle r="5" fill="var(--color-mech)" />
        <path ref={trail} fill="none" stroke="var(--color-mech)" strokeWidth="2" opacity="0.7" />
      </g>
      <g ref={vehicle} transform={`translate(${WIDTH / 2} ${HEIGHT / 2})`}>
        <Outline {...{ driven, perM }} />
      </g>
      <text x={14} y={HEIGHT - 12} fontSize="14" fill="var(--color-soft)">
        one square is {show(square, 'length', system).text}
      </text>
    </svg>
  );
}

/** Its body about its wheels, with a mark at its front. */
function Outline({ driven, perM }: { readonly driven: DrivenRig; readonly perM: number }) {
  const { rig, middleAheadM, middleLeftM } = driven;
  const aheads = rig.contacts.map(({ aheadM }) => aheadM - middleAheadM);
  const lefts = rig.contacts.map(({ leftM }) => leftM - middleLeftM);
  const wide = Math.max(...rig.contacts.map(({ radiusM }) => radiusM));
  const [back, front] = [Math.min(...aheads) - wide, Math.max(...aheads) + wide];
  const [right, left] = [Math.min(...lefts), Math.max(...lefts)];
  const edge = Math.max(left - right, 2 * wide) / 2;
  return (
    <g stroke="var(--color-ink)">
      <rect
        x={back * perM}
        y={-edge * perM}
        width={(front - back) * perM}
        height={2 * edge * perM}
        fill="var(--color-mech-lo)"
      />
      <path
        d={`M${(front - wide * 0.9) * perM} ${-edge * 0.5 * perM}L${(front - wide * 0.2) * perM} 0L${(front - wide * 0.9) * perM} ${edge * 0.5 * perM}`}
        fill="none"
        strokeWidth="2"
      />
      <g stroke="none">
        {rig.contacts.map(({ name, aheadM, leftM, radiusM, spin }, n) => (
          <rect
            key={`${name} ${n}`}
            x={(aheadM - middleAheadM - radiusM) * perM}
            y={(-(leftM - middleLeftM) - radiusM * 0.35) * perM}
            width={2 * radiusM * perM}
            height={0.7 * radiusM * perM}
            fill={spin === undefined ? 'var(--color-edge)' : 'var(--color-ink)'}
          />
        ))}
      </g>
    </g>
  );
}

const Squares = ({ step }: { readonly step: number }) => (
  <defs>
    <pattern id="squares" width={step} height={step} patternUnits="userSpaceOnUse">
      <path d={`M0 0V${step}M0 0H${step}`} stroke="var(--color-line)" fill="none" />
    </pattern>
  </defs>
);

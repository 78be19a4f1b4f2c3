import { useRef, type KeyboardEvent, type PointerEvent, type ReactNode } from 'react';

interface Props {
  readonly label: string;
  /** Where it is, in words. */
  readonly says: string;
  /** Where it is along its first direction, in the unit shown. */
  readonly now: number;
  /** One step of a key, metres. */
  readonly step: number;
  /** A distance on the page as one on the vehicle, metres. */
  readonly back: (dx: number, dy: number) => readonly [number, number];
  readonly onMove: (dx: number, dy: number) => void;
  /** While it is held the drawing keeps its scale. */
  readonly onHold: (held: boolean) => void;
  /** It was let go, by hand or by key. */
  readonly onDone?: () => void;
  readonly children: ReactNode;
}

const KEYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};
const TEN = 10;

/** Something on a drawing that is moved by hand or by arrow keys, in whole steps. */
export function Handle({ label, says, now, step, back, onMove, onHold, onDone, children }: Props) {
  const held = useRef<{ x: number; y: number; left: [number, number] } | null>(null);
  const scaleOf = (target: SVGGElement): number => {
    const matrix = target.ownerSVGElement?.getScreenCTM();
    return matrix?.a ?? 1;
  };
  const down = (event: PointerEvent<SVGGElement>): void => {
    event.currentTarget.setPointerCapture(event.pointerId);
    held.current = { x: event.clientX, y: event.clientY, left: [0, 0] };
    onHold(true);
  };
  const move = (event: PointerEvent<SVGGElement>): void => {
    const at = held.current;
    if (!at) return;
    const scale = scaleOf(event.currentTarget);
    const [dx, dy] = back((event.clientX - at.x) / scale, (event.clientY - at.y) / scale);
    const whole = (d: number, left: number): number => Math.round((d + left) / step) * step;
    const [sx, sy] = [whole(dx, at.left[0]), whole(dy, at.left[1])];
    if (sx === 0 && sy === 0) return;
    held.current = { x: event.clientX, y: event.clientY, left: [dx + at.left[0] - sx, dy + at.left[1] - sy] };
    onMove(sx, sy);
  };
  const up = (): void => {
    held.current = null;
    onHold(false);
    onDone?.();
  };
  const keyUp = (event: KeyboardEvent<SVGGElement>): void => {
    if (KEYS[event.key]) onDone?.();
  };
  const key = (event: KeyboardEvent<SVGGElement>): void => {
    const way = KEYS[event.key];
    if (!way) return;
    event.preventDefault();
    const times = step * (event.shiftKey ? TEN : 1);
    onMove(way[0] * times, way[1] * times);
  };
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuenow={now}
      aria-valuetext={says}
      className="cursor-move touch-none focus-visible:outline-2 focus-visible:outline-ink"
      onPointerDown={down}
      onPointerMove={move}
      onPointerUp={up}
      onPointerCancel={up}
      onKeyDown={key}
      onKeyUp={keyUp}
      onBlur={onDone}
    >
      <title>{`${label}: ${says}. Drag it, or use the arrow keys.`}</title>
      {children}
    </g>
  );
}

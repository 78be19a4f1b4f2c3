import { arrangementOf, type Build } from '@zubric/core/vehicle';
import { useSay } from '../../common/units.tsx';
import { Handle } from '../../vehicle/Handle.tsx';
import type { Held } from './moved-by.ts';
import type { Sheet } from '../../drawings/views.ts';

interface Props {
  readonly build: Build;
  readonly sheet: Sheet;
  readonly stepM: number;
  readonly onMove: (what: 'corner', id: string, by: Held['by']) => void;
  readonly onHold: (held: boolean) => void;
  readonly onDone: () => void;
}

/** The corners of an outline that is drawn, to be dragged. */
export function Corners({ build, sheet, stepM, onMove, onHold, onDone }: Props) {
  const say = useSay();
  const outline = arrangementOf(build).shell?.outline ?? [];
  return outline.map((corner, n) => {
    const [x, y] = sheet.at([corner.ahead.value, corner.left.value, 0]);
    return (
      <Handle
        key={corner.id}
        label={`Corner ${n + 1} of the body`}
        says={`${say(corner.ahead.value, 'length')} ahead of the rear axle, ${say(corner.left.value, 'length')} to the left`}
        now={Math.round(corner.ahead.value * 1000)}
        step={stepM}
        back={(dx, dy) => [dx / sheet.scale, -dy / sheet.scale]}
        onMove={(right, up) => onMove('corner', corner.id, [right, up, 0])}
        onHold={onHold}
        onDone={onDone}
      >
        <rect x={x - 12} y={y - 12} width="24" height="24" fill="transparent" />
        <rect
          x={x - 5}
          y={y - 5}
          width="10"
          height="10"
          fill="var(--color-sheet)"
          stroke="var(--color-ink)"
        />
      </Handle>
    );
  });
}

import { arrange, arrangementOf } from '@zubric/core/vehicle';
import { useSay } from '../../common/units.tsx';
import { useBuild } from '../../session/BuildSession.tsx';
import { Handle } from '../../vehicle/Handle.tsx';
import type { Sheet } from './views.ts';

interface Props {
  readonly sheet: Sheet;
  readonly stepM: number;
  readonly onHold: (held: boolean) => void;
}

/** Finer than this, m, a corner is not moved. */
const FINEST = 1e-4;
const fine = (value: number): number => Number((Math.round(value / FINEST) * FINEST).toFixed(4));

/** The corners of an outline that is drawn, to be dragged. */
export function Corners({ sheet, stepM, onHold }: Props) {
  const { build, edit } = useBuild();
  const say = useSay();
  const outline = arrangementOf(build).shell?.outline ?? [];
  const move = (id: string, ahead: number, left: number): void =>
    edit((b) => {
      const { shell } = arrangementOf(b);
      if (!shell?.outline) return b;
      return arrange(b, {
        shell: {
          ...shell,
          outline: shell.outline.map((corner) =>
            corner.id === id
              ? {
                  ...corner,
                  ahead: { ...corner.ahead, value: fine(corner.ahead.value + ahead), origin: 'typed' },
                  left: { ...corner.left, value: fine(corner.left.value + left), origin: 'typed' },
                }
              : corner,
          ),
        },
      });
    });
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
        onMove={(right, up) => move(corner.id, right, up)}
        onHold={onHold}
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

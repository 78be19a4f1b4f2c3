import type { CircuitPlan, PlannedBoard } from '@zubric/core/wiring';
import type { ReactNode } from 'react';
import { useSay } from '../../../common/units.tsx';
import { Board, Plain } from './Branches.tsx';
import { Below, Source } from './Source.tsx';
import { AT, MOTOR_ROW, wire } from './symbols.tsx';

const WIDTH = 520;
const PLAIN_ROW = 50;
const GAP = 14;

interface Row {
  readonly top: number;
  readonly height: number;
  readonly draw: (middle: number) => ReactNode;
}

/** Rows under each other, each as high as it needs. */
function stacked(rows: readonly Omit<Row, 'top'>[]): readonly Row[] {
  let top = GAP;
  return rows.map((row) => {
    const placed = { ...row, top };
    top += row.height + GAP;
    return placed;
  });
}

/** What hangs on the battery behind fuse and switch, row by row. */
function branchesOf(
  plan: CircuitPlan,
  several: boolean,
  say: ReturnType<typeof useSay>,
): readonly Omit<Row, 'top'>[] {
  const guardsOf = (board: PlannedBoard): readonly string[] =>
    plan.interlocks
      .filter(
        ({ driveId }) => driveId === undefined || board.motors.some((motor) => motor.driveId === driveId),
      )
      .map((interlock) => String(plan.interlocks.indexOf(interlock) + 1));
  return [
    ...plan.boards.map((board) => ({
      height: Math.max(1, board.motors.length) * MOTOR_ROW,
      draw: (middle: number) => (
        <Board board={board} middle={middle} several={several} guards={guardsOf(board)} />
      ),
    })),
    ...plan.rails.map((rail) => ({
      height: PLAIN_ROW,
      draw: (middle: number) => (
        <Plain
          middle={middle}
          title={rail.name}
          says={`${say(rail.voltageV, 'voltage')}${rail.peakA === undefined ? '' : `, up to ${say(rail.peakA, 'current', 2)}`}`}
          loads={rail.loads.join(', ')}
        />
      ),
    })),
    ...(plan.besideW > 0
      ? [
          {
            height: PLAIN_ROW,
            draw: (middle: number) => (
              <Plain middle={middle} title="Controller" says={`draws ${say(plan.besideW, 'power', 2)}`} />
            ),
          },
        ]
      : []),
  ];
}

/** The power circuit from the battery to every motor, as it is to be wired. */
export function CircuitDrawing({ plan }: { readonly plan: CircuitPlan }) {
  const say = useSay();
  const several = new Set(plan.boards.flatMap(({ motors }) => motors.map(({ driveId }) => driveId))).size > 1;
  const rows = stacked(branchesOf(plan, several, say));
  const last = rows.at(-1);
  const middleOf = ({ top, height }: Row): number => top + height / 2;
  const busTop = rows[0] ? middleOf(rows[0]) : 60;
  const busEnd = last ? middleOf(last) : 60;
  const feed = Math.max(62, busTop);
  const plugs = (plan.charger ? 1 : 0) + (plan.panelW === undefined ? 0 : 1);
  const height = Math.max(last ? last.top + last.height + GAP : 130, feed + 70 + plugs * 56);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="block w-full"
      role="img"
      aria-label="Power circuit from the battery to the motors"
    >
      <desc>
        {plan.boards
          .map(
            ({ driverName = 'its own electronics', motors }) =>
              `${driverName} feeds ${motors.length === 1 ? 'a motor' : `${motors.length} motors`}`,
          )
          .join('. ')}
      </desc>
      <Source plan={plan} y={feed} />
      <path d={`M${AT.mainSwitch + 44} ${feed}H${AT.bus}`} {...wire} />
      {rows.length > 0 && (
        <path
          d={`M${AT.bus} ${Math.min(feed, busTop)}V${Math.max(feed, busEnd)}`}
          {...wire}
          strokeWidth="3"
        />
      )}
      {rows.map((row) => (
        <g key={row.top}>{row.draw(middleOf(row))}</g>
      ))}
      {plan.charger && (
        <Below
          y={feed + 70}
          title="Charging plug"
          says={`${say(plan.charger.currentA, 'current')}${plan.charger.plugA === undefined ? '' : ` of ${say(plan.charger.plugA, 'current')}`}`}
          from={feed + 32}
        />
      )}
      {plan.panelW !== undefined && (
        <Below
          y={feed + 70 + (plan.charger ? 56 : 0)}
          title="Solar panel"
          says={say(plan.panelW, 'power')}
          from={feed + 32}
        />
      )}
    </svg>
  );
}

import type { PlannedBoard, PlannedMotor } from '@zubric/core/wiring';
import { useSay } from '../../../common/units.tsx';
import { AT, Box, Contact, MOTOR_ROW, shortened, soft, text, wire } from './symbols.tsx';

/** One motor on its two leads: of a mirrored one they cross. */
function Motor({
  motor,
  y,
  from,
  several,
}: {
  readonly motor: PlannedMotor;
  readonly y: number;
  readonly from: number;
  readonly several: boolean;
}) {
  const say = useSay();
  const to = AT.motor - 14;
  const [up, down] = [y - 6, y + 6];
  const title = motor.label === '' ? motor.driveName : motor.label;
  const said = [
    ...(several && motor.label !== '' ? [shortened(motor.driveName, 16)] : []),
    [
      ...(motor.mirrored ? ['swapped'] : []),
      ...(motor.mostA === undefined ? [] : [`to ${say(motor.mostA, 'current', 2)}`]),
    ].join(', '),
  ];
  return (
    <g>
      {motor.mirrored ? (
        <path
          d={`M${from} ${up}H${to - 26}L${to - 8} ${down}H${to}M${from} ${down}H${to - 26}L${to - 8} ${up}H${to}`}
          {...wire}
        />
      ) : (
        <path d={`M${from} ${up}H${to}M${from} ${down}H${to}`} {...wire} />
      )}
      <circle
        cx={AT.motor}
        cy={y}
        r="14"
        fill="var(--color-sheet)"
        stroke="var(--color-ink)"
        strokeWidth="1.5"
      />
      <text x={AT.motor} y={y + 5} textAnchor="middle" fontWeight="600" {...text}>
        M
      </text>
      <text x={AT.motor + 20} y={y - 11 + (2 - said.length) * 7} {...text}>
        {shortened(title, 15)}
      </text>
      {said.map((line, n) => (
        <text key={n} x={AT.motor + 20} y={y + 4 + n * 14 + (2 - said.length) * 7} {...soft}>
          {line}
        </text>
      ))}
    </g>
  );
}

const channelsOf = (channels: number, count: number): string =>
  count > 1 ? `${channels} each` : channels === 1 ? '1 channel' : `${channels} channels`;

/** A board with its motors: what feeds it comes from the left. */
export function Board({
  board,
  middle,
  several,
  guards,
}: {
  readonly board: PlannedBoard;
  readonly middle: number;
  readonly several: boolean;
  readonly guards: readonly string[];
}) {
  const { driverName, count, channels, motors, onlySwitches } = board;
  const top = middle - (motors.length * MOTOR_ROW) / 2;
  const direct = driverName === undefined;
  return (
    <g>
      {guards.length > 0 ? (
        <>
          <Contact x={AT.bus + 3} y={middle} />
          <path
            d={`M${AT.bus} ${middle}h3M${AT.bus + 31} ${middle}H${direct ? AT.boardEnd - 6 : AT.board}`}
            {...wire}
          />
          <text x={AT.bus + 17} y={middle + 17} textAnchor="middle" {...soft}>
            {guards.join(', ')}
          </text>
        </>
      ) : (
        <path d={`M${AT.bus} ${middle}H${direct ? AT.boardEnd - 6 : AT.board}`} {...wire} />
      )}
      {!direct && (
        <>
          <Box
            x={AT.board}
            y={top + 4}
            width={AT.boardEnd - AT.board}
            height={motors.length * MOTOR_ROW - 8}
            missing={channels * count < motors.length}
          />
          <text x={AT.board + 8} y={middle - 3} fontWeight="600" {...text}>
            {shortened(driverName, 14)}
          </text>
          <text x={AT.board + 8} y={middle + 13} {...soft}>
            {`${count > 1 ? `${count} of it, ` : ''}${onlySwitches ? 'switches' : channelsOf(channels, count)}`}
          </text>
        </>
      )}
      {motors.map((motor, n) => {
        const y = top + (n + 0.5) * MOTOR_ROW;
        return (
          <g key={`${motor.driveId}/${n}`}>
            {direct && <path d={`M${AT.boardEnd - 6} ${middle}V${y}`} {...wire} />}
            <Motor motor={motor} y={y} from={direct ? AT.boardEnd - 6 : AT.boardEnd} several={several} />
          </g>
        );
      })}
    </g>
  );
}

/** Something small on the battery: a converter with its loads, a plug, a panel. */
export const Plain = ({
  middle,
  title,
  says,
  loads,
}: {
  readonly middle: number;
  readonly title: string;
  readonly says: string;
  readonly loads?: string;
}) => (
  <g>
    <path d={`M${AT.bus} ${middle}H${AT.board}`} {...wire} />
    <Box x={AT.board} y={middle - 21} width={AT.boardEnd - AT.board} height={42} />
    <text x={AT.board + 8} y={middle - 3} fontWeight="600" {...text}>
      {shortened(title, 15)}
    </text>
    <text x={AT.board + 8} y={middle + 13} {...soft}>
      {says}
    </text>
    {loads !== undefined && loads !== '' && (
      <>
        <path d={`M${AT.boardEnd} ${middle}H${AT.motor - 20}`} {...wire} />
        <text x={AT.motor - 14} y={middle + 5} {...text}>
          {shortened(loads, 18)}
        </text>
      </>
    )}
  </g>
);

import { trackOf, type Build } from '../vehicle/index.ts';
import { steersBySides } from './motor-places.ts';

/** What the motors of a side are told: ahead, stop, back. */
export type Command = 1 | 0 | -1;
const COMMANDS: readonly Command[] = [1, 0, -1];

/** Where it goes. */
export type Way =
  | 'stands'
  | 'ahead'
  | 'back'
  | 'on the spot, to the left'
  | 'on the spot, to the right'
  | 'ahead round the left wheel'
  | 'ahead round the right wheel'
  | 'back round the left wheel'
  | 'back round the right wheel';

/** What a pair of commands does. */
export interface CommandRow {
  readonly left: Command;
  readonly right: Command;
  /** How the leads of each side then stand: a mirrored motor turns the other way for the same way. */
  readonly leftMotor: Command;
  readonly rightMotor: Command;
  readonly way: Way;
  /** Of the vehicle's middle: 0 on the spot, null straight on and standing, m. */
  readonly radiusM: number | null;
}

function wayOf(left: Command, right: Command): Way {
  if (left === right) return left === 0 ? 'stands' : left > 0 ? 'ahead' : 'back';
  if (left === -right) return right > 0 ? 'on the spot, to the left' : 'on the spot, to the right';
  const along = left + right > 0 ? 'ahead' : 'back';
  return `${along} round the ${left === 0 ? 'left' : 'right'} wheel`;
}

const flipped = (command: Command): Command => (command === 0 ? 0 : command === 1 ? -1 : 1);

/**
 * What each pair of commands to two sides does, with the radius of the way of the middle between them.
 *
 * @example commandTable(0.5)[0] // { left: 1, right: 1, leftMotor: 1, rightMotor: -1, … }
 */
export function commandTable(trackM: number): readonly CommandRow[] {
  return COMMANDS.flatMap((left) =>
    COMMANDS.map((right) => ({
      left,
      right,
      leftMotor: left,
      rightMotor: flipped(right),
      way: wayOf(left, right),
      // R = (b/2)(vr + vl)/(vr − vl), of two wheels that roll without slipping.
      radiusM: left === right ? null : Math.abs((trackM / 2) * ((right + left) / (right - left))),
    })),
  );
}

/**
 * The same of a build; undefined where its sides are not driven apart.
 *
 * @example commandsOf(puffin)?.length // 9
 */
export const commandsOf = (build: Build): readonly CommandRow[] | undefined =>
  steersBySides(build) ? commandTable(trackOf(build.layout).value) : undefined;

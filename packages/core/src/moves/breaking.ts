import { largeWheels, pathInOrder } from '../capability/index.ts';
import { once } from '../contract/index.ts';
import { motorShaftOf } from '../drive/index.ts';
import { causeOf, type LinkReport, type Report } from '../judge/index.ts';
import { mismatchesOf } from '../transmission/index.ts';
import { bankOf, itselfKg, motorOf, powerKg, type Build } from '../vehicle/index.ts';
import { MOST_OVER_RATED } from './candidate.ts';

/** How many parts of the drive do not fit their neighbours, or have no room in the vehicle. */
const misfits = (build: Build): number =>
  mismatchesOf(pathInOrder(build), motorShaftOf(build)).length + largeWheels(build).length;

/** Whether its motors, drivers and batteries weigh more than the vehicle that they are part of. */
const outweighs = (build: Build): boolean => powerKg(build) > itselfKg(build);

/** Battery voltage over that of the motor's data sheet; 0 where either is not chosen. */
function overRated(build: Build): number {
  const [motor, bank] = [motorOf(build), bankOf(build)];
  return motor && bank ? bank.nominalV / motor.voltageV : 0;
}

/**
 * Whether a build breaks by its parts alone what held: more of them do not fit, they come to weigh more than the vehicle, or
 * a motor runs far over its voltage.
 *
 * @param before the build that stands
 */
export function misfitsBeside(before: Build): (made: Build) => boolean {
  const fewest = once(() => misfits(before));
  const weighed = once(() => outweighs(before));
  const most = once(() => Math.max(MOST_OVER_RATED, overRated(before)));
  return (made) =>
    (outweighs(made) && !weighed()) ||
    ((made.drives !== before.drives || made.parts !== before.parts || made.supply !== before.supply) &&
      (overRated(made) > most() || misfits(made) > fewest()));
}

/**
 * Whether margins break what held: one fails of a link that did not. What was not even asked while a worse thing stood
 * before it did not hold.
 *
 * @param mends the link that a move is for
 */
export function spoiling(report: Report, mends: LinkReport['link'] | null) {
  const failed = new Set(
    report.governing.flatMap(({ link, verdict }) => (verdict === 'fails' ? [link] : [])),
  );
  return (links: readonly LinkReport[]): boolean =>
    links.some(
      (one) =>
        one.verdict === 'fails' && one.link !== mends && !failed.has(one.link) && !causeOf(one, report.links),
    );
}

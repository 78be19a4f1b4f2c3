import { bracketedRoot } from '../contract/index.ts';
import { twoWheelLaw, type Going, type GoesOn, type TwoWheelLaw, type TwoWheels } from './two-wheels.ts';

/** Holds both wheels to the same turns: a loop of so many seconds. */
export interface Sync {
  readonly kp: number;
  readonly ki: number;
  readonly loopTimeS: number;
}

/** A run on two driven wheels that are not quite alike. */
export interface StraightRun extends TwoWheels {
  readonly command: number;
  readonly distanceM: number;
  readonly longestS: number;
  readonly sync?: Sync | undefined;
}

/** Where it ended, and when. */
export interface StraightRunEnd {
  readonly timeS: number;
  readonly sideM: number;
  readonly going: Going;
  readonly arrives: boolean;
}

/** Pieces of a stretch's quicker time constant in which the way to the side is summed. */
const PIECE = 0.25;
/** And no more heading in a piece than this, rad. */
const MOST_HEADING = 0.05;
const MOST_PIECES = 4000;
/** Ends of stretches are found to this share of them. */
const CLOSE = 1e-12;

/** Two, and where the loop holds them: the shares of the voltage on left and right. */
type Commands = readonly [left: number, right: number];

/** What starts at nought and rises is looked for as near to the start as this many halves of a piece. */
const HALVES = 40;

/** Where, before the end of a piece that starts at nought, something is over it; undefined where it is nowhere. */
function overNought(of: (t: number) => number, to: number): number | undefined {
  for (let n = 1; n <= HALVES; n += 1) if (of(to / 2 ** n) > 0) return to / 2 ** n;
  return undefined;
}

/**
 * Where something that is not below nought at the start first is, within a stretch: a return, where it leaves nought at once.
 * Undefined where it stays.
 */
function firstBelow(of: (t: number) => number, endS: number, pieces: number): number | undefined {
  for (let n = 1; n <= pieces; n += 1) {
    const to = (endS * n) / pieces;
    if (of(to) >= 0) continue;
    const start = (endS * (n - 1)) / pieces;
    const from = of(start) > 0 ? start : n === 1 ? overNought(of, to) : undefined;
    if (from === undefined) return start || undefined;
    // What is found within so much of the moment lies on either side of it: the later counts.
    const found = bracketedRoot(of, from, to, CLOSE * endS);
    return of(found) > 0 ? Math.min(to, found + CLOSE * endS) : found;
  }
  return undefined;
}

/** Speed to the side. */
const across = ({ v, h }: Going): number => v * Math.sin(h);

/** Way to the side along a motion, by Simpson's rule in pieces that neither speed nor heading changes much in. */
function sideOf(motion: GoesOn, endS: number, law: TwoWheelLaw): number {
  const start = motion(0);
  const turned = Math.abs(motion(endS).h - start.h);
  const wanted = Math.max((endS * law.quickest) / PIECE, turned / MOST_HEADING, 1);
  const pieces = Math.min(MOST_PIECES, Math.ceil(wanted));
  // Quick changes are over soon: pieces grow with the time since the start.
  const at = (n: number): number => endS * (pieces > 1 ? (n / pieces) ** 2 : n);
  let side = 0;
  for (let n = 0; n < pieces; n += 1) {
    const [from, to] = [at(n), at(n + 1)];
    side +=
      ((to - from) / 6) * (across(motion(from)) + 4 * across(motion((from + to) / 2)) + across(motion(to)));
  }
  return side;
}

/**
 * How it goes on from here under commands, and until when that law holds; undefined while it stands. Where what held it straight
 * has just given way it turns, however near the moment is to what dragged.
 */
function stretchFrom(
  i: StraightRun,
  law: TwoWheelLaw,
  from: Going,
  [ul, ur]: Commands,
  horizonS: number,
  gaveWay: boolean,
) {
  if (from.v <= 0 && law.thrust(ul, ur) <= 0) return undefined;
  const moment = law.moment(from.v, ul, ur);
  const holds = !gaveWay && from.w === 0 && Math.abs(moment) <= i.yawDragNm;
  const sign = from.w === 0 ? Math.sign(moment) : Math.sign(from.w);
  const side = holds ? 0 : sign || 1;
  const motion: GoesOn = (seconds) => law.stepper(seconds)(from, ul, ur, side);
  const pieces = Math.min(64, Math.max(2, Math.ceil(horizonS * law.quickest)));
  const within = (of: (t: number) => number): number => firstBelow(of, horizonS, pieces) ?? horizonS;
  const arrivesS = firstBelow((t) => i.distanceM - motion(t).d, horizonS, 1) ?? horizonS;
  const standsS = within((t) => motion(t).v);
  const turnsS = holds
    ? within((t) => i.yawDragNm - Math.abs(law.moment(motion(t).v, ul, ur)))
    : // Where nothing drags a turn may go over to the other side by the same law.
      i.yawDragNm === 0
      ? horizonS
      : within((t) => sign * motion(t).w);
  const endS = Math.min(arrivesS, standsS, turnsS);
  const turns = turnsS === endS && turnsS < horizonS;
  return { motion, endS, turnsRound: !holds && turns, givesWay: holds && turns };
}

/** Turns of both wheels so far: left, right. */
export const turnsOf = ({ left, right, trackM }: TwoWheels, { d, h }: Going): readonly [number, number] => [
  (d + (h * trackM) / 2) / (Math.PI * left.diameterM),
  (d - (h * trackM) / 2) / (Math.PI * right.diameterM),
];

/**
 * A whole time of the loop in one leap, where nothing happens in it: it neither stops, nor arrives, nor turns over to the other
 * side, and is too short for Simpson's rule to need more than its middle. Undefined where that is not so.
 */
function leapOver(i: StraightRun, law: TwoWheelLaw, loopS: number) {
  if (loopS * law.quickest > PIECE) return undefined;
  const [half, whole] = [law.stepper(loopS / 2), law.stepper(loopS)];
  return (from: Going, [ul, ur]: Commands): { readonly going: Going; readonly sideM: number } | undefined => {
    if (from.v <= 0) return undefined;
    const moment = law.moment(from.v, ul, ur);
    const holds = from.w === 0 && Math.abs(moment) <= i.yawDragNm;
    const sign = holds ? 0 : Math.sign(from.w === 0 ? moment : from.w) || 1;
    const to = whole(from, ul, ur, sign);
    const turnsOver = holds
      ? Math.abs(law.moment(to.v, ul, ur)) > i.yawDragNm
      : i.yawDragNm > 0 && sign * to.w < 0;
    if (to.v <= 0 || to.d >= i.distanceM || turnsOver || Math.abs(to.h - from.h) > MOST_HEADING)
      return undefined;
    const middle = half(from, ul, ur, sign);
    const sideM = (loopS / 6) * (across(from) + 4 * across(middle) + across(to));
    return { going: to, sideM };
  };
}

const clamped = (x: number): number => Math.min(1, Math.max(0, x));

/**
 * A run of two driven wheels from rest over a distance, in closed form from event to event: a sample of the loop, standing still,
 * turning that begins, ends or changes its side.
 */
export function runStraight(i: StraightRun): StraightRunEnd {
  const law = twoWheelLaw(i);
  let going: Going = { v: 0, w: 0, d: 0, h: 0 };
  let [timeS, sideM, summed, samples] = [0, 0, 0, 0];
  let commands: Commands = [i.command, i.command];
  let gaveWay = false;
  const leap = i.sync && leapOver(i, law, i.sync.loopTimeS);
  const nextSample = (): number => (i.sync ? samples * i.sync.loopTimeS : i.longestS);
  while (timeS < i.longestS && going.d < i.distanceM) {
    if (i.sync && timeS >= nextSample()) {
      const [nl, nr] = turnsOf(i, going);
      summed += (nl - nr) * i.sync.loopTimeS;
      const by = i.sync.kp * (nl - nr) + i.sync.ki * summed;
      commands = [clamped(i.command - by), clamped(i.command + by)];
      samples += 1;
    }
    const until = Math.min(i.longestS, nextSample());
    const quick = leap && !gaveWay && until - timeS > 0 && i.sync ? leap(going, commands) : undefined;
    if (quick) {
      sideM += quick.sideM;
      going = quick.going;
      timeS = until;
      continue;
    }
    const stretch = stretchFrom(i, law, going, commands, until - timeS, gaveWay);
    if (!stretch) {
      going = { ...going, v: 0, w: 0 };
      timeS = until;
      continue;
    }
    const { motion, endS } = stretch;
    sideM += sideOf(motion, endS, law);
    const there = motion(endS);
    going = { ...there, v: Math.max(0, there.v), w: stretch.turnsRound ? 0 : there.w };
    gaveWay = stretch.givesWay;
    timeS = endS === until - timeS ? until : timeS + endS;
    if (i.distanceM - going.d <= CLOSE * i.distanceM) return { timeS, sideM, going, arrives: true };
  }
  return { timeS, sideM, going, arrives: going.d >= i.distanceM };
}

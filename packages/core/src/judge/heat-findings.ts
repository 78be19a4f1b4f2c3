import type { Driveline } from '../drive/index.ts';
import { burnTime, timeToLimit, windingAfter, type Thermal } from '../motor/index.ts';
import { celsiusToKelvin, figure } from '../quantity/index.ts';
import { motorAbilities, motorThermal } from '../vehicle/index.ts';
import { found, type Cure, type Finding } from './finding.ts';
import type { StandingContext } from './finding-context.ts';
import { heldCurrent } from './outing-links.ts';

declare module './finding.ts' {
  interface FindingFigures {
    /** A motor that is held at full command: how soon its winding is at its limit. */
    'burns-held': 'current' | 'time' | 'least' | 'limit';
  }
}

/** A stall is seen and let go within this (common practice, no source): s. */
const SEEN_WITHIN_S = 10;
/** Sooner than this nobody lets go in time (common practice, no source): s. */
const TOO_SOON_S = 3;
const WARM_C = 40;
/** Commands are set in steps of this. */
const STEP = 0.05;

/** The drive with all of them held to a share of full command. */
const commanded = (line: Driveline, commandShare: number): Driveline => ({
  ...line,
  circuit: { ...line.circuit, commandShare },
  beside: line.beside.map((other) => commanded(other, commandShare)),
});

/** The greatest share of full command, in whole steps, at which a stall is seen in time: less is never hotter. */
function lasting(line: Driveline, thermal: Thermal): readonly Cure[] {
  const lasts = (steps: number): boolean =>
    windingAfter(thermal, heldCurrent(commanded(line, steps * STEP)), WARM_C, SEEN_WITHIN_S) <=
    thermal.limitC;
  let cool = 0;
  let burns = Math.ceil(line.circuit.commandShare / STEP);
  while (burns - cool > 1) {
    const middle = Math.floor((cool + burns) / 2);
    if (lasts(middle)) cool = middle;
    else burns = middle;
  }
  return cool === 0 ? [] : [{ kind: 'command', share: cool * STEP }];
}

/** How soon a motor that stalls burns, where that is sooner than a stall is seen. */
export function heldFindings({ line }: StandingContext): Finding[] {
  if (!line || motorAbilities(line.motor).drivesItself || !line.circuit.motor.winding) return [];
  const currentA = heldCurrent(line);
  const thermal = motorThermal(line.motor);
  if (windingAfter(thermal, currentA, WARM_C, SEEN_WITHIN_S) <= thermal.limitC) return [];
  const seconds = timeToLimit(thermal, currentA, WARM_C) ?? SEEN_WITHIN_S;
  return [
    found(
      'burns-held',
      seconds < TOO_SOON_S ? 'tight' : 'note',
      {
        current: figure(currentA, 'current'),
        time: figure(seconds, 'time', 2),
        least: figure(burnTime(thermal, currentA, WARM_C), 'time', 2),
        limit: figure(celsiusToKelvin(thermal.limitC), 'temperature'),
      },
      {
        link: 'motor-heat',
        cures: lasting(line, thermal),
      },
    ),
  ];
}

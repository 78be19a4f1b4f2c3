import { assertNever } from '@zubric/core/contract';
import { trainStages } from '@zubric/core/drive';
import type { Build } from '@zubric/core/vehicle';
import { stageFigures, type Stage } from '@zubric/core/transmission';
import { at, type At } from '../../drawings/shapes.ts';
import { spoolDrawn, trackDrawn } from './drawn-ends.ts';
import { bevelDrawn, gearsDrawn, planetaryDrawn, rollerDrawn, wormDrawn } from './drawn-gears.ts';
import { chainDrawn, frictionBeltDrawn, toothedBeltDrawn } from './drawn-loops.ts';
import type { DrawnStage } from './drawn-stage.ts';

const onAxis = (stage: Stage, axis: At): DrawnStage => ({
  stage,
  driver: axis,
  driven: axis,
  driverRadius: 10,
  drivenRadius: 10,
  width: 14,
  across: 'none',
  sized: false,
  side: [],
});

/** A stage from the side, its driven shaft at a place. */
function drawnStage(stage: Stage, driven: At): DrawnStage {
  switch (stage.kind) {
    case 'chain':
      return chainDrawn(stage, driven);
    case 'timing-belt':
      return toothedBeltDrawn(stage, driven);
    case 'friction-belt':
      return frictionBeltDrawn(stage, driven);
    case 'spur':
      return gearsDrawn(stage, driven);
    case 'bevel':
      return bevelDrawn(stage, driven);
    case 'planetary':
      return planetaryDrawn(stage, driven);
    case 'worm':
      return wormDrawn(stage, driven);
    case 'friction-wheel':
      return rollerDrawn(stage, driven);
    case 'spool':
      return spoolDrawn(stage, driven);
    case 'track':
      return trackDrawn(stage, driven);
    case 'gearhead':
    case 'direct':
      return onAxis(stage, driven);
    default:
      return assertNever(stage);
  }
}

/** The stages from the wheel back to the motor, each where its driven shaft is. What cannot be built is left out. */
export function drawnStages(build: Build): DrawnStage[] {
  const drawn: DrawnStage[] = [];
  let place = at(0, 0);
  for (const stage of [...trainStages(build)].reverse()) {
    if (stageFigures(stage).problem !== undefined) continue;
    const one = drawnStage(stage, place);
    drawn.push(one);
    place = one.driver;
  }
  return drawn;
}

import {
  chainGeometry,
  chainSize,
  timingBelt,
  timingBeltInput,
  type StageOf,
} from '@zubric/core/transmission';
import { sprocket } from '../../drawings/gear.ts';
import { at, circle, line, openLoop, type At } from '../../drawings/shapes.ts';
import { RISE, behind, mm, type DrawnStage } from './drawn-stage.ts';

interface Pulleys {
  readonly driver: At;
  readonly driven: At;
  readonly driverRadius: number;
  readonly drivenRadius: number;
}

/** A loop, and the idler that keeps it tight where there is one. */
function loopShapes({ driver, driven, driverRadius, drivenRadius }: Pulleys, chain: boolean, idler: boolean) {
  const loop = line(
    openLoop({ at: driver, radius: driverRadius }, { at: driven, radius: drivenRadius }),
    chain ? 'mech' : 'ink',
    { closed: true, heavy: true, dashed: chain },
  );
  if (!idler) return [loop];
  const radius = Math.max(6, Math.min(driverRadius, drivenRadius) * 0.4);
  const [mx, my] = [(driver.x + driven.x) / 2, (driver.y + driven.y) / 2];
  const below = (driverRadius + drivenRadius) / 2 + radius;
  // Below the lower strand, square to the line of the shafts.
  return [
    loop,
    circle(at(mx - below * Math.sin(RISE), my - below * Math.cos(RISE)), radius, 'soft', { filled: true }),
  ];
}

export function chainDrawn(stage: StageOf<'chain'>, driven: At): DrawnStage {
  const g = chainGeometry(stage);
  const { pitchMm } = chainSize(stage.chain);
  const driver = behind(driven, mm(stage.centre.value));
  const radii = [g.pitchDiameterSmallMm / 2, g.pitchDiameterLargeMm / 2] as const;
  const [driverRadius, drivenRadius] =
    stage.teethDriver <= stage.teethDriven ? radii : ([radii[1], radii[0]] as const);
  const pulleys = { driver, driven, driverRadius, drivenRadius };
  return {
    stage,
    ...pulleys,
    width: pitchMm * 0.6,
    across: 'loop',
    sized: true,
    side: [
      sprocket(pitchMm, stage.teethDriver, driver),
      sprocket(pitchMm, stage.teethDriven, driven),
      ...loopShapes(pulleys, true, stage.tensioner === 'idler'),
    ],
  };
}

function beltDrawn(
  stage: StageOf<'timing-belt'> | StageOf<'friction-belt'>,
  driven: At,
  sizes: { readonly driverRadius: number; readonly drivenRadius: number; readonly centre: number },
): DrawnStage {
  const driver = behind(driven, sizes.centre);
  const pulleys = { driver, driven, ...sizes };
  const idler = stage.tensioner === 'idler' || (stage.kind === 'friction-belt' && stage.idlerWrap.value > 0);
  return {
    stage,
    ...pulleys,
    width: 12,
    across: 'loop',
    sized: true,
    side: [
      circle(driver, sizes.driverRadius, 'mech', { filled: true }),
      circle(driven, sizes.drivenRadius, 'mech', { filled: true }),
      ...loopShapes(pulleys, false, idler),
    ],
  };
}

export function toothedBeltDrawn(stage: StageOf<'timing-belt'>, driven: At): DrawnStage {
  const radius = (teeth: number): number => (mm(stage.pitch.value) * teeth) / Math.PI / 2;
  return beltDrawn(stage, driven, {
    driverRadius: radius(stage.teethDriver),
    drivenRadius: radius(stage.teethDriven),
    centre: timingBelt.run(timingBeltInput(stage)).centreMm,
  });
}

export const frictionBeltDrawn = (stage: StageOf<'friction-belt'>, driven: At): DrawnStage =>
  beltDrawn(stage, driven, {
    driverRadius: mm(stage.driverDiameter.value) / 2,
    drivenRadius: mm(stage.drivenDiameter.value) / 2,
    centre: mm(stage.centre.value),
  });
